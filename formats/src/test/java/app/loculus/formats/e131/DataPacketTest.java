package app.loculus.formats.e131;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class DataPacketTest {

    private static final UUID CID = UUID.fromString("01234567-89ab-cdef-0123-456789abcdef");

    private static byte[] full() {
        byte[] slots = new byte[512];
        slots[0] = (byte) 255;
        slots[511] = 7;
        return DataPacketLayout.encode(new DataPacket(CID, "Loculus", 100, 255, 0, 0x0102, 0, slots));
    }

    private static int octet(byte[] bytes, int at) {
        return bytes[at] & 0xFF;
    }

    private static int word(byte[] bytes, int at) {
        return octet(bytes, at) << 8 | octet(bytes, at + 1);
    }

    @Test
    void golden_octets_lie_where_the_standard_puts_them() {
        byte[] bytes = full();
        assertThat(bytes).hasSize(638);
        assertThat(word(bytes, 0)).isEqualTo(0x0010);
        assertThat(Arrays.copyOfRange(bytes, 4, 16))
                .containsExactly(0x41, 0x53, 0x43, 0x2D, 0x45, 0x31, 0x2E, 0x31, 0x37, 0, 0, 0);
        assertThat(word(bytes, 16)).isEqualTo(0x726E);
        assertThat(octet(bytes, 21)).isEqualTo(4);
        assertThat(octet(bytes, 22)).isEqualTo(0x01);
        assertThat(octet(bytes, 37)).isEqualTo(0xEF);
        assertThat(word(bytes, 38)).isEqualTo(0x7258);
        assertThat(octet(bytes, 43)).isEqualTo(2);
        assertThat(bytes[44]).isEqualTo((byte) 'L');
        assertThat(octet(bytes, 108)).isEqualTo(100);
        assertThat(octet(bytes, 111)).isEqualTo(255);
        assertThat(word(bytes, 113)).isEqualTo(0x0102);
        assertThat(word(bytes, 115)).isEqualTo(0x720B);
        assertThat(word(bytes, 117)).isEqualTo(0x02A1);
        assertThat(word(bytes, 121)).isEqualTo(1);
        assertThat(word(bytes, 123)).isEqualTo(0x0201);
        assertThat(octet(bytes, 125)).isZero();
        assertThat(octet(bytes, 126)).isEqualTo(255);
        assertThat(octet(bytes, 637)).isEqualTo(7);
    }

    @Test
    void what_is_written_is_read_back() {
        DataPacket packet = DataPacketLayout.decode(full(), 638).orElseThrow();
        assertThat(DataPacketLayout.encode(packet)).isEqualTo(full());
        assertThat(packet.carriesLevels()).isTrue();
        assertThat(packet.sourceName()).isEqualTo("Loculus");
    }

    @Test
    void preview_and_foreign_start_codes_are_no_levels() {
        byte[] preview = full();
        preview[112] = (byte) 0x80;
        assertThat(DataPacketLayout.decode(preview, 638).orElseThrow().carriesLevels())
                .isFalse();
        byte[] priorities = full();
        priorities[125] = (byte) 0xDD;
        assertThat(DataPacketLayout.decode(priorities, 638).orElseThrow().carriesLevels())
                .isFalse();
    }

    @Test
    void cut_or_foreign_datagrams_are_ignored() {
        for (int length : new int[] {0, 1, 125, 400, 637}) {
            assertThat(DataPacketLayout.decode(full(), length)).isEmpty();
        }
        byte[] foreign = full();
        foreign[4] = 0;
        assertThat(DataPacketLayout.decode(foreign, 638)).isEmpty();
        byte[] vector = full();
        vector[43] = 9;
        assertThat(DataPacketLayout.decode(vector, 638)).isEmpty();
    }

    @Test
    void late_packets_are_discarded_and_restarts_are_not() {
        Sequence sequence = new Sequence();
        assertThat(sequence.accepts(250)).isTrue();
        assertThat(sequence.accepts(250)).isFalse();
        assertThat(sequence.accepts(240)).isFalse();
        assertThat(sequence.accepts(251)).isTrue();
        assertThat(sequence.accepts(0)).isTrue();
        assertThat(sequence.accepts(255)).isFalse();
        assertThat(sequence.accepts(100)).isTrue();
    }
}
