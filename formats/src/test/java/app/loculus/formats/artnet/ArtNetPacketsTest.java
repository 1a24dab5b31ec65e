package app.loculus.formats.artnet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Octets written down by hand from the standard, and back. */
class ArtNetPacketsTest {

    private static final HexFormat HEX = HexFormat.of();

    /** “Art-Net” and its NUL. */
    private static final String ID = "4172742d4e657400";

    private static byte[] octets(String hex) {
        return HEX.parseHex(hex.replace(" ", ""));
    }

    @Test
    void levels_for_a_port_address() {
        ArtDmx levels = new ArtDmx(7, 0x1234, new byte[] {(byte) 255, 0, (byte) 128, 1});
        // Operation code low octet first; sub-net and universe 34, net 12; four slots.
        byte[] golden = octets(ID + "0050 000e 07 00 34 12 0004 ff008001");
        assertThat(levels.encode()).isEqualTo(golden);
        assertThat(ArtDmx.decode(golden, golden.length)).contains(levels);
    }

    @Test
    void an_odd_number_of_slots_goes_out_with_one_more() {
        assertThat(new ArtDmx(1, 1, new byte[] {9, 8, 7}).encode())
                .isEqualTo(octets(ID + "0050 000e 01 00 01 00 0004 09080700"));
    }

    @Test
    void a_full_packet_has_530_octets() {
        assertThat(new ArtDmx(1, 1, new byte[512]).encode()).hasSize(ArtDmx.LONGEST);
    }

    @Test
    void packets_are_counted_from_1_to_255_and_then_from_1_again() {
        assertThat(IntStream.range(0, 600)
                        .map(ArtDmx::sequence)
                        .boxed()
                        .distinct()
                        .toList())
                .hasSize(255)
                .doesNotContain(0);
        assertThat(List.of(ArtDmx.sequence(0), ArtDmx.sequence(254), ArtDmx.sequence(255)))
                .containsExactly(1, 255, 1);
    }

    @Test
    void a_question_and_that_all_counts_now() {
        assertThat(ArtPoll.encode()).isEqualTo(octets(ID + "0020 000e 0000"));
        assertThat(ArtSync.encode()).isEqualTo(octets(ID + "0052 000e 0000"));
        assertThat(ArtPoll.is(ArtSync.encode(), 14)).isFalse();
        assertThat(ArtSync.is(ArtSync.encode(), 14)).isTrue();
    }

    /** A node with outputs at 1:2:3 and 1:2:15, and an input at 1:2:4. */
    private static byte[] reply(int length) {
        byte[] golden = new byte[239];
        System.arraycopy(octets(ID + "0021 c0000207 3619 0102 01 02 00ff"), 0, golden, 0, 22);
        System.arraycopy("Dimmers".getBytes(), 0, golden, 26, 7);
        System.arraycopy("Dimmers left".getBytes(), 0, golden, 44, 12);
        golden[173] = 3;
        golden[174] = (byte) 0x80;
        golden[175] = (byte) 0x40;
        golden[176] = (byte) 0x80;
        golden[190] = 3;
        golden[191] = 4;
        golden[192] = 15;
        golden[211] = 2;
        return Arrays.copyOf(golden, length);
    }

    @Test
    void an_answer_tells_its_outputs_and_not_its_inputs() {
        assertThat(ArtPollReply.decode(reply(239), 239))
                .contains(new ArtPollReply("Dimmers", "Dimmers left", 2, List.of(0x123, 0x12F)));
    }

    @Test
    void older_nodes_answer_in_fewer_octets() {
        assertThat(ArtPollReply.decode(reply(207), 207).orElseThrow().bindIndex())
                .isZero();
        assertThat(ArtPollReply.decode(reply(100), 100)).isEmpty();
    }

    @Test
    void our_own_answer_lies_where_the_standard_says() {
        ArtPollReply own = new ArtPollReply("Rig", "Virtual rig", 1, List.of(0x7FF1, 0x7FF2));
        byte[] bytes = own.encode(new byte[] {(byte) 192, 0, 2, 7});
        assertThat(bytes).hasSize(239);
        assertThat(HEX.formatHex(bytes, 0, 20)).isEqualTo(ID + "0021" + "c0000207" + "3619" + "0000" + "7f0f");
        assertThat(HEX.formatHex(bytes, 172, 178)).isEqualTo("000280800000");
        assertThat(HEX.formatHex(bytes, 190, 194)).isEqualTo("01020000");
        assertThat(bytes[211]).isEqualTo((byte) 1);
        assertThat(ArtPollReply.decode(bytes, bytes.length)).contains(own);
    }

    @Test
    void a_node_with_many_outputs_answers_several_times() {
        List<Integer> takes =
                new ArrayList<>(IntStream.rangeClosed(0, 17).boxed().toList());
        takes.add(256);
        List<ArtPollReply> pages = ArtPollReply.pages("Rig", "", takes);
        assertThat(pages.stream().flatMap(p -> p.outputs().stream()).toList()).isEqualTo(takes);
        assertThat(pages).allSatisfy(p -> {
            assertThat(p.outputs().size()).isLessThanOrEqualTo(4);
            assertThat(p.outputs().stream().map(a -> a >> 4).distinct()).hasSize(1);
        });
        assertThat(pages.stream().map(ArtPollReply::bindIndex).distinct()).hasSize(pages.size());
        assertThat(ArtPollReply.pages("Rig", "", List.of())).hasSize(1);
    }

    @Test
    void what_an_older_version_or_something_else_sends_is_nothing() {
        byte[] old = new ArtDmx(1, 1, new byte[2]).encode();
        old[11] = 13;
        assertThat(ArtDmx.decode(old, old.length)).isEmpty();
        byte[] other = new ArtDmx(1, 1, new byte[2]).encode();
        other[3] = 'X';
        assertThat(ArtDmx.decode(other, other.length)).isEmpty();
        byte[] cut = new ArtDmx(1, 1, new byte[20]).encode();
        assertThat(ArtDmx.decode(cut, 30)).as("fewer octets than it tells").isEmpty();
    }

    @Test
    void whatever_comes_is_read_or_left_without_failing() {
        Random random = new Random(4);
        for (int i = 0; i < 20_000; i++) {
            byte[] noise = random.nextBoolean() ? reply(239) : new ArtDmx(1, 1, new byte[40]).encode();
            for (int n = random.nextInt(8); n > 0; n--) {
                noise[random.nextInt(noise.length)] = (byte) random.nextInt();
            }
            int length = random.nextInt(noise.length + 1);
            ArtDmx.decode(noise, length)
                    .ifPresent(d -> assertThat(d.portAddress()).isBetween(0, 32767));
            ArtPollReply.decode(noise, length)
                    .ifPresent(r -> assertThat(r.outputs()).allMatch(a -> a >= 0 && a <= 32767));
        }
    }
}
