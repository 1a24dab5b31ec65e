package app.loculus.formats.rdm;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.device.Uid;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DiscoveryTest {

    private static final PlainBus.Does NOTHING = (command, pid, data) -> PlainBus.SILENCE;

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 25));
    }

    /** Some anywhere, some of few makers one after the other, as they leave a factory. */
    private static Set<Long> identities(Random random, int count) {
        return identities(random, count, 8);
    }

    /** @param inRows of ten so many run on from one to the next */
    private static Set<Long> identities(Random random, int count, int inRows) {
        Set<Long> all = new TreeSet<>();
        long maker = 0x4C00L + random.nextInt(9);
        long serial = random.nextInt();
        while (all.size() < count) {
            boolean row = random.nextInt(10) < inRows;
            serial++;
            all.add(row ? maker << 32 | serial & 0xFFFFFFFFL : random.nextLong() & 0xFFFFFFFFFFFFL);
            if (random.nextInt(40) == 0) {
                maker = 0x4C00L + random.nextInt(9);
                serial = random.nextInt();
            }
        }
        all.remove(0xFFFFFFFFFFFFL);
        return all;
    }

    private static Set<Long> found(PlainBus bus, List<Uid> known) {
        return Discovery.of(new RdmController(bus), known).devices().stream()
                .map(Uid::value)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void three_hundred_are_found_within_five_seconds_of_the_line(long seed) {
        for (int inRows : new int[] {0, 8, 10}) {
            PlainBus bus = new PlainBus(seed, 0, false);
            Set<Long> all = identities(new Random(seed), 300, inRows);
            all.forEach(u -> bus.hang(u, NOTHING));
            assertThat(found(bus, List.of())).isEqualTo(all);
            assertThat(bus.micros).as("%s questions", bus.asked).isLessThan(5_000_000);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void who_is_drowned_by_a_louder_one_and_who_is_disturbed_is_found_nevertheless(long seed) {
        for (boolean drowns : new boolean[] {false, true}) {
            PlainBus bus = new PlainBus(seed, 0.03, drowns);
            Set<Long> all = identities(new Random(seed), 40);
            all.forEach(u -> bus.hang(u, NOTHING));
            assertThat(found(bus, List.of())).isEqualTo(all);
        }
    }

    @Test
    void those_known_from_before_are_asked_one_by_one_and_only_news_is_searched() {
        Set<Long> all = identities(new Random(5), 300);
        List<Uid> known = all.stream().map(Uid::of).toList();
        PlainBus bus = new PlainBus(5, 0, false);
        all.stream().skip(3).forEach(u -> bus.hang(u, NOTHING));
        bus.hang(0x7FF100000001L, NOTHING);
        Set<Long> there = new TreeSet<>(all.stream().skip(3).toList());
        there.add(0x7FF100000001L);
        assertThat(found(bus, known)).isEqualTo(there);
        assertThat(bus.micros).isLessThan(1_300_000);
    }

    @Test
    void the_first_and_the_last_identity_and_nobody_at_all_are_found() {
        PlainBus bus = new PlainBus(1, 0, false);
        assertThat(found(bus, List.of())).isEmpty();
        assertThat(bus.asked).isEqualTo(2);
        bus.hang(0, NOTHING);
        bus.hang(1, NOTHING);
        bus.hang(Uid.LAST.value(), NOTHING);
        bus.hang(Uid.LAST.value() - 1, NOTHING);
        assertThat(found(bus, List.of())).containsExactly(0L, 1L, Uid.LAST.value() - 1, Uid.LAST.value());
    }

    @Test
    void what_is_heard_and_will_not_be_muted_is_told_as_unclear_and_ends() {
        RdmLine near = new RdmLine() {
            @Override
            public Heard say(byte[] octets) {
                boolean branch = octets[20] == 0x10 && octets[22] == 1;
                boolean within = branch
                        && RdmLayout.uid(octets, 24).value() <= 77
                        && RdmLayout.uid(octets, 30).value() >= 77;
                return new Heard(within ? new byte[] {1, 2, 3} : new byte[0], 1);
            }

            @Override
            public void rest(long micros) {}
        };
        Discovery.Found found = Discovery.of(new RdmController(near), List.of());
        assertThat(found.devices()).isEmpty();
        assertThat(found.unclear()).containsExactly(Uid.of(77));
    }
}
