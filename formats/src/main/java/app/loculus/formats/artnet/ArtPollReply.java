package app.loculus.formats.artnet;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a node answers: who it is, and up to four outputs. One with more answers several times, each with its own bind
 * index.
 *
 * @param name at most 17 octets go out
 * @param longName at most 63
 * @param bindIndex 1 for the first; 0 from nodes that know none
 * @param outputs port addresses, at most four, all with the same net and sub-net
 */
public record ArtPollReply(String name, String longName, int bindIndex, List<Integer> outputs) {

    /** Octets of an answer; older nodes send fewer. */
    public static final int LONGEST = 239;

    private static final int LEAST = 194;
    private static final int MOST_OUTPUTS = 4;
    private static final int MOST_ANSWERS = 255;

    private static final int IP_AT = 10;
    private static final int IP_OCTETS = 4;
    private static final int UDP_PORT_AT = 14;
    private static final int UDP_PORT = 0x1936;
    private static final int NET_AT = 18;
    private static final int SUB_NET_AT = 19;
    private static final int OEM_AT = 20;
    private static final int OEM_UNKNOWN = 0x00FF;
    private static final int NAME_AT = 26;
    private static final int NAME_OCTETS = 18;
    private static final int LONG_NAME_AT = 44;
    private static final int LONG_NAME_OCTETS = 64;
    private static final int PORTS_AT = 172;
    private static final int PORT_TYPES_AT = 174;
    private static final int GOOD_OUTPUT_AT = 182;
    private static final int SW_OUT_AT = 190;
    private static final int BIND_INDEX_AT = 211;
    private static final int STATUS_2_AT = 212;

    /** Of a port: it puts out DMX512 that comes by Art-Net. */
    private static final int IS_OUTPUT = 0x80;

    /** Of an output: data goes out. */
    private static final int SENDS = 0x80;

    /** Port addresses of 15 bits are understood. */
    private static final int FIFTEEN_BITS = 0x08;

    public ArtPollReply {
        outputs = List.copyOf(outputs);
    }

    /** The answers of a node that takes these. @param sorted port addresses in order; those beyond 255 answers are left out */
    public static List<ArtPollReply> pages(String name, String longName, List<Integer> sorted) {
        List<ArtPollReply> pages = new ArrayList<>();
        List<Integer> page = new ArrayList<>();
        for (int address : sorted) {
            if (!page.isEmpty() && (page.size() == MOST_OUTPUTS || page.get(0) >> 4 != address >> 4)) {
                pages.add(new ArtPollReply(name, longName, pages.size() + 1, page));
                page = new ArrayList<>();
            }
            page.add(address);
        }
        pages.add(new ArtPollReply(name, longName, pages.size() + 1, page));
        return pages.size() > MOST_ANSWERS ? pages.subList(0, MOST_ANSWERS) : pages;
    }

    /** @param own IPv4 address of the node, four octets */
    public byte[] encode(byte[] own) {
        ByteBuffer out = ByteBuffer.allocate(LONGEST);
        ArtHeader.write(out, ArtHeader.POLL_REPLY);
        out.put(IP_AT, Arrays.copyOf(own, IP_OCTETS));
        // Low octet first, as only here and in the operation code.
        out.put(UDP_PORT_AT, (byte) UDP_PORT).put(UDP_PORT_AT + 1, (byte) (UDP_PORT >> 8));
        int first = outputs.isEmpty() ? 0 : outputs.get(0);
        out.put(NET_AT, (byte) (first >> 8)).put(SUB_NET_AT, (byte) (first >> 4 & 0xF));
        out.putShort(OEM_AT, (short) OEM_UNKNOWN);
        text(out, NAME_AT, NAME_OCTETS, name);
        text(out, LONG_NAME_AT, LONG_NAME_OCTETS, longName);
        out.putShort(PORTS_AT, (short) outputs.size());
        for (int i = 0; i < outputs.size(); i++) {
            out.put(PORT_TYPES_AT + i, (byte) IS_OUTPUT)
                    .put(GOOD_OUTPUT_AT + i, (byte) SENDS)
                    .put(SW_OUT_AT + i, (byte) (outputs.get(i) & 0xF));
        }
        out.put(BIND_INDEX_AT, (byte) bindIndex).put(STATUS_2_AT, (byte) FIFTEEN_BITS);
        return out.array();
    }

    private static void text(ByteBuffer out, int at, int octets, String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        out.put(at, Arrays.copyOf(bytes, Math.min(bytes.length, octets - 1)));
    }

    /** Empty for anything that is no such answer. Ports that only put in are no outputs. */
    public static Optional<ArtPollReply> decode(byte[] datagram, int length) {
        if (!ArtHeader.is(datagram, length, LEAST, ArtHeader.POLL_REPLY)) {
            return Optional.empty();
        }
        int high = (datagram[NET_AT] & 0x7F) << 8 | (datagram[SUB_NET_AT] & 0xF) << 4;
        int ports = Math.min(MOST_OUTPUTS, (datagram[PORTS_AT] & 0xFF) << 8 | datagram[PORTS_AT + 1] & 0xFF);
        List<Integer> outputs = new ArrayList<>();
        for (int i = 0; i < ports; i++) {
            if ((datagram[PORT_TYPES_AT + i] & IS_OUTPUT) != 0) {
                outputs.add(high | datagram[SW_OUT_AT + i] & 0xF);
            }
        }
        return Optional.of(new ArtPollReply(
                text(datagram, NAME_AT, NAME_OCTETS),
                text(datagram, LONG_NAME_AT, LONG_NAME_OCTETS),
                length > BIND_INDEX_AT ? datagram[BIND_INDEX_AT] & 0xFF : 0,
                outputs.stream().distinct().toList()));
    }

    private static String text(byte[] datagram, int at, int octets) {
        int end = at;
        while (end < at + octets && datagram[end] != 0) {
            end++;
        }
        // What somebody else named: no line breaks or other signs that draw something else.
        return new String(datagram, at, end - at, StandardCharsets.UTF_8)
                .replaceAll("\\p{Cntrl}", " ")
                .strip();
    }
}
