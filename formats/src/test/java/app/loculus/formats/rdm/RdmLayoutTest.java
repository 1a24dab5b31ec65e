package app.loculus.formats.rdm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.RdmMessage.Envelope;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RdmLayoutTest {

    private static final Uid TO = Uid.of(0x123456789ABCL);
    private static final Uid FROM = Uid.of(0xCBA987654321L);

    /** Octet by octet from the table of fields. */
    private static final String STATUS = "cc0119123456789abccba98765432100010000002000300104066a";

    private static byte[] octets(String hex) {
        return HexFormat.of().parseHex(hex);
    }

    @Test
    void a_request_is_written_octet_by_octet_as_the_standard_has_it() {
        RdmMessage message = RdmMessage.request(TO, FROM, 0, RdmCommand.GET, 0x0030, (byte) 4);
        assertThat(HexFormat.of().formatHex(RdmLayout.encode(message))).isEqualTo(STATUS);
        assertThat(RdmLayout.decode(octets(STATUS))).contains(message);
    }

    @Test
    void a_response_tells_its_type_what_waits_and_which_part() {
        RdmMessage answer = RdmLayout.decode(octets("cc011a" + "cba987654321" + "123456789abc" + "7f0203" + "0005"
                        + "31" + "00f0" + "02" + "0006" + "07c7"))
                .orElseThrow();
        assertThat(answer.envelope()).isEqualTo(new Envelope(FROM, TO, 0x7F, RdmMessage.NACK, 3, 5));
        assertThat(answer.command()).isEqualTo(RdmCommand.SET_RESPONSE);
        assertThat(answer.pid()).isEqualTo(Pid.DMX_START_ADDRESS);
        assertThat(answer.data()).containsExactly(0, 6);
        assertThat(NackReason.of(6)).isEqualTo(NackReason.DATA_OUT_OF_RANGE);
    }

    @Test
    void an_answer_to_a_branch_has_each_octet_twice() {
        String hex = "fefefefefefefeaa" + "ba57be75fe57fa7dbadfbefd" + "aa5dee75";
        assertThat(HexFormat.of().formatHex(BranchAnswer.encode(TO))).isEqualTo(hex);
        assertThat(BranchAnswer.decode(octets(hex))).contains(TO);
        assertThat(BranchAnswer.decode(octets(hex.substring(6))))
                .as("some of the preamble is swallowed")
                .contains(TO);
        assertThat(BranchAnswer.decode(octets(hex.substring(0, 46)))).isEmpty();
    }

    @Test
    void identities_are_written_as_people_read_them() {
        assertThat(Uid.parse("7ff1:000000a3")).hasToString("7FF1:000000A3");
        assertThat(Uid.of(0x7FF1000000A3L)).isEqualTo(Uid.parse("7FF1:000000A3"));
        assertThatThrownBy(() -> Uid.parse("7FF1-A3")).hasMessageContaining("“7FF1-A3” is no identity");
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, 20);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void what_is_not_a_whole_message_is_none(long seed) {
        Random random = new Random(seed);
        byte[] data = new byte[random.nextInt(232)];
        random.nextBytes(data);
        RdmMessage message = RdmMessage.request(
                Uid.of(random.nextLong() & 0xFFFFFFFFFFFFL), FROM, random.nextInt(256), RdmCommand.SET, 0x1000, data);
        byte[] whole = RdmLayout.encode(message);
        assertThat(RdmLayout.decode(whole)).contains(message);
        for (int tries = 0; tries < 500; tries++) {
            byte[] broken = whole.clone();
            int bit = random.nextInt(8 * whole.length);
            broken[bit / 8] ^= (byte) (1 << bit % 8);
            assertThat(RdmLayout.decode(broken)).isEmpty();
            assertThat(RdmLayout.decode(Arrays.copyOf(whole, random.nextInt(whole.length))))
                    .isEmpty();
            byte[] noise = new byte[random.nextInt(300)];
            random.nextBytes(noise);
            assertThat(RdmLayout.decode(noise)).isEmpty();
            assertThat(BranchAnswer.decode(noise)).isEmpty();
        }
        assertThatThrownBy(
                        () -> RdmLayout.encode(RdmMessage.request(TO, FROM, 0, RdmCommand.SET, 0x0082, new byte[232])))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
