package app.loculus.formats.e131;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class UniverseSourcesTest {

    private static final UUID ONE = new UUID(0, 1);
    private static final UUID OTHER = new UUID(0, 2);
    private static final long SECOND = 1_000_000_000L;

    private static DataPacket packet(UUID cid, int priority, int sequence, int options, int... slots) {
        byte[] octets = new byte[slots.length];
        for (int i = 0; i < slots.length; i++) {
            octets[i] = (byte) slots[i];
        }
        return new DataPacket(cid, "desk " + cid.getLeastSignificantBits(), priority, sequence, options, 1, 0, octets);
    }

    @Test
    void the_higher_priority_counts_until_it_ends_or_is_lost() {
        UniverseSources sources = new UniverseSources();
        assertThat(sources.take(packet(ONE, 100, 0, 0, 10, 20), "a", 0)).isTrue();
        assertThat(sources.take(packet(OTHER, 150, 7, 0, 1, 2), "b", 1)).isTrue();
        assertThat(sources.slots(2)).containsExactly(1, 2);
        assertThat(sources.take(packet(ONE, 100, 1, 0, 99, 99), "a", 2))
                .as("it does not count")
                .isFalse();
        assertThat(sources.senders(2))
                .containsExactlyInAnyOrder(
                        new UniverseSources.Sender(ONE, "desk 1", 100, "a"),
                        new UniverseSources.Sender(OTHER, "desk 2", 150, "b"));
        assertThat(sources.take(packet(OTHER, 150, 8, DataPacket.STREAM_TERMINATED), "b", 3))
                .isTrue();
        assertThat(sources.slots(3)).containsExactly(99, 99);
        assertThat(sources.slots(4 * SECOND)).isEmpty();
        assertThat(sources.senders(4 * SECOND)).isEmpty();
    }

    @Test
    void equal_ones_are_mixed_by_the_higher_level_and_previews_and_late_packets_count_for_nothing() {
        UniverseSources sources = new UniverseSources();
        sources.take(packet(ONE, 100, 5, 0, 10, 200), "a", 0);
        sources.take(packet(OTHER, 100, 5, 0, 255), "b", 0);
        assertThat(sources.slots(1)[0] & 0xFF).isEqualTo(255);
        assertThat(sources.slots(1)[1] & 0xFF).isEqualTo(200);
        assertThat(sources.take(packet(ONE, 100, 4, 0, 1, 1), "a", 1)).isFalse();
        assertThat(sources.take(packet(ONE, 100, 6, DataPacket.PREVIEW_DATA, 1, 1), "a", 1))
                .isFalse();
        assertThat(sources.slots(1)[1] & 0xFF).isEqualTo(200);
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 40));
    }

    /** Against a plain list of what everybody sent last. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatever_comes_counts_as_by_the_plain_rule(long seed) {
        Random random = new Random(seed);
        UniverseSources sources = new UniverseSources();
        Map<UUID, DataPacket> last = new HashMap<>();
        Map<UUID, Long> heard = new HashMap<>();
        Map<UUID, Integer> sequence = new HashMap<>();
        long now = 0;
        byte[] before = new byte[0];
        for (int i = 0; i < 400; i++) {
            now += random.nextInt(9) == 0 ? 2 * SECOND : SECOND / 40;
            UUID cid = new UUID(0, random.nextInt(3));
            int next = sequence.merge(cid, 1, Integer::sum) & 0xFF;
            boolean ends = random.nextInt(15) == 0;
            int[] slots = random.ints(1 + random.nextInt(6), 0, 256).toArray();
            DataPacket p = packet(cid, 98 + random.nextInt(4), next, ends ? DataPacket.STREAM_TERMINATED : 0, slots);
            boolean changed = sources.take(p, "x", now);
            if (ends) {
                last.remove(cid);
            } else {
                last.put(cid, p);
                heard.put(cid, now);
            }
            long at = now;
            List<DataPacket> alive = new ArrayList<>(last.values());
            alive.removeIf(a -> at - heard.get(a.cid()) > 2 * SECOND + SECOND / 2);
            int top = alive.stream().mapToInt(DataPacket::priority).max().orElse(-1);
            alive.removeIf(a -> a.priority() < top);
            byte[] counts = sources.slots(now);
            for (int s = 0; s < 6; s++) {
                int slot = s;
                int expected = alive.stream()
                        .mapToInt(a -> slot < a.slots().length ? a.slots()[slot] & 0xFF : 0)
                        .max()
                        .orElse(0);
                assertThat(s < counts.length ? counts[s] & 0xFF : 0)
                        .as("packet %s, slot %s", i, s)
                        .isEqualTo(expected);
            }
            assertThat(counts.length == 0).isEqualTo(alive.isEmpty());
            if (!java.util.Arrays.equals(before, counts)) {
                assertThat(changed).as("what changes is told").isTrue();
            }
            before = counts;
        }
    }
}
