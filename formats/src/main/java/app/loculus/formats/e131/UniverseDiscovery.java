package app.loculus.formats.e131;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A page of the universes that a source sends, told every ten seconds (E1.31, 4.3 and 8).
 *
 * @param page 0 for the first; @param last number of the last page
 * @param universes at most 512 of them, in order
 */
public record UniverseDiscovery(UUID cid, String sourceName, int page, int last, List<Integer> universes) {

    /** Universe number that such packets go to. */
    public static final int UNIVERSE = 64214;

    public static final int MOST = 512;

    private static final int ROOT_VECTOR = 8;
    private static final int FRAMING_VECTOR = 2;
    private static final int LIST_AT = 112;
    private static final int LIST_VECTOR_AT = 114;
    private static final int LIST_VECTOR = 1;
    private static final int PAGE_AT = 118;
    private static final int UNIVERSES_AT = 120;

    public UniverseDiscovery {
        universes = List.copyOf(universes);
    }

    /** The pages for all of these; one that is empty for none. */
    public static List<UniverseDiscovery> pages(UUID cid, String sourceName, List<Integer> sorted) {
        int last = Math.max(0, (sorted.size() - 1) / MOST);
        List<UniverseDiscovery> pages = new ArrayList<>();
        for (int page = 0; page <= last; page++) {
            pages.add(new UniverseDiscovery(
                    cid,
                    sourceName,
                    page,
                    last,
                    sorted.subList(page * MOST, Math.min(sorted.size(), (page + 1) * MOST))));
        }
        return pages;
    }

    public byte[] encode() {
        ByteBuffer out = ByteBuffer.allocate(UNIVERSES_AT + universes.size() * Short.BYTES);
        AcnRoot.write(out, ROOT_VECTOR, cid, FRAMING_VECTOR, sourceName);
        out.putShort(LIST_AT, AcnRoot.length(out.capacity(), LIST_AT)).putInt(LIST_VECTOR_AT, LIST_VECTOR);
        out.put(PAGE_AT, (byte) page).put(PAGE_AT + 1, (byte) last);
        out.position(UNIVERSES_AT);
        universes.forEach(u -> out.putShort(u.shortValue()));
        return out.array();
    }

    /** Empty for anything that is no such page. */
    public static Optional<UniverseDiscovery> decode(byte[] datagram, int length) {
        if (!AcnRoot.is(datagram, length, UNIVERSES_AT, ROOT_VECTOR, FRAMING_VECTOR)) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        int octets = length - UNIVERSES_AT;
        int page = in.get(PAGE_AT) & 0xFF;
        int last = in.get(PAGE_AT + 1) & 0xFF;
        boolean whole = in.getInt(LIST_VECTOR_AT) == LIST_VECTOR
                && in.getShort(LIST_AT) == AcnRoot.length(length, LIST_AT)
                && octets % Short.BYTES == 0
                && octets <= MOST * Short.BYTES
                && page <= last;
        if (!whole) {
            return Optional.empty();
        }
        List<Integer> universes = new ArrayList<>();
        for (int at = UNIVERSES_AT; at < length; at += Short.BYTES) {
            universes.add(in.getShort(at) & 0xFFFF);
        }
        return Optional.of(new UniverseDiscovery(AcnRoot.cid(datagram), AcnRoot.name(datagram), page, last, universes));
    }
}
