package app.loculus.formats.e131;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** Data that waits for its synchronisation packet. */
class SynchronisationTest {

    private static final long SECOND = 1_000_000_000L;
    private static final UUID DESK = new UUID(0x0011223344556677L, 0x8899AABBCCDDEEFFL);

    private final Synchronisation sync = new Synchronisation();
    private final UniverseSources sources = new UniverseSources();
    private int sequence;

    private static DataPacket packet(int sequence, int options, int sync, int level) {
        return new DataPacket(DESK, "Desk", 100, sequence, options, sync, 1, 0, new byte[] {(byte) level});
    }

    private boolean data(int options, int address, int level, long now) {
        DataPacket packet = packet(sequence++, options, address, level);
        return sources.take(packet, "x", sync.holds(packet, now), now);
    }

    private boolean beat(int number, int address, long now) {
        return sync.take(new SyncPacket(DESK, number, address), now) && sources.release(DESK, address, now);
    }

    private int level(long now) {
        byte[] slots = sources.slots(now);
        return slots.length == 0 ? -1 : slots[0] & 0xFF;
    }

    @Test
    void a_synchronisation_packet_lies_where_the_standard_says() {
        byte[] golden = HexFormat.of()
                .parseHex("00100000" + "4153432d45312e3137000000" + "7021" + "00000008"
                        + "00112233445566778899aabbccddeeff" + "700b" + "00000001" + "05" + "1f40" + "0000");
        assertThat(new SyncPacket(DESK, 5, 8000).encode()).isEqualTo(golden).hasSize(49);
        assertThat(SyncPacket.decode(golden, golden.length)).contains(new SyncPacket(DESK, 5, 8000));
        assertThat(SyncPacket.decode(golden, 48)).isEmpty();
        assertThat(DataPacketLayout.decode(golden, golden.length)).isEmpty();
        assertThat(UniverseDiscovery.decode(golden, golden.length)).isEmpty();
    }

    @Test
    void the_address_lies_in_octets_109_and_110_of_the_data() {
        byte[] bytes = DataPacketLayout.encode(packet(1, DataPacket.FORCE_SYNCHRONISATION, 8000, 9));
        assertThat(bytes[109]).isEqualTo((byte) 0x1F);
        assertThat(bytes[110]).isEqualTo((byte) 0x40);
        assertThat(bytes[112]).isEqualTo((byte) 0x20);
        assertThat(DataPacketLayout.decode(bytes, bytes.length).orElseThrow().sync())
                .isEqualTo(8000);
    }

    @Test
    void before_anybody_synchronises_data_counts_at_once() {
        assertThat(data(0, 8000, 10, 0)).isTrue();
        assertThat(level(0)).isEqualTo(10);
    }

    @Test
    void data_waits_for_its_own_packet() {
        data(0, 8000, 10, 0);
        beat(0, 8000, 1);
        assertThat(data(0, 8000, 20, 2)).isFalse();
        assertThat(level(2)).isEqualTo(10);
        assertThat(beat(1, 7000, 3)).as("another address").isFalse();
        assertThat(level(3)).isEqualTo(10);
        assertThat(beat(1, 8000, 4)).isTrue();
        assertThat(level(4)).isEqualTo(20);
        assertThat(data(0, 0, 30, 5)).as("no address").isTrue();
    }

    @Test
    void the_latest_of_several_counts() {
        beat(0, 8000, 0);
        data(0, 8000, 10, 1);
        data(0, 8000, 20, 2);
        beat(1, 8000, 3);
        assertThat(level(3)).isEqualTo(20);
        assertThat(beat(2, 8000, 4)).as("nothing waits any more").isFalse();
    }

    @Test
    void a_sender_that_only_waits_is_not_lost() {
        data(0, 8000, 10, 0);
        beat(0, 8000, 0);
        data(0, 8000, 20, 2 * SECOND);
        assertThat(level(4 * SECOND)).isEqualTo(10);
    }

    @Test
    void without_synchronisation_it_goes_on_or_stands_as_the_data_says() {
        data(0, 8000, 10, 0);
        beat(0, 8000, 0);
        data(0, 8000, 20, 3 * SECOND);
        assertThat(level(3 * SECOND)).as("stands").isNotEqualTo(20);
        data(DataPacket.FORCE_SYNCHRONISATION, 8000, 30, 3 * SECOND);
        assertThat(level(3 * SECOND)).as("goes on").isEqualTo(30);
    }

    @Test
    void a_packet_that_came_late_releases_nothing() {
        beat(9, 8000, 0);
        data(0, 8000, 10, 1);
        assertThat(beat(8, 8000, 2)).isFalse();
        assertThat(beat(10, 8000, 3)).isTrue();
    }

    @Test
    void what_ends_no_longer_waits() {
        beat(0, 8000, 0);
        data(0, 8000, 10, 1);
        data(DataPacket.STREAM_TERMINATED, 8000, 0, 2);
        assertThat(beat(1, 8000, 3)).isFalse();
        assertThat(level(3)).isEqualTo(-1);
    }
}
