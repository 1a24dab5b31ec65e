package app.loculus.core.patch;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What every way of giving out addresses promises, over random patches. */
class LayoutLawsTest {

    private static final String[] TYPES = {
        "Dimmer / 1-slot", "Wash / extended", "Par / rgb", "Batten / cells", "Spot / cmy"
    };

    private static Show random(Random random, int fixtures) {
        Show show = Show.empty("Laws");
        for (int n = 1; n <= fixtures; n++) {
            show = Rig.after(
                    show,
                    "add " + n + " as \"" + TYPES[random.nextInt(TYPES.length)] + "\"",
                    "hang " + n + " on \"Bridge " + random.nextInt(4) + "\"");
        }
        return show;
    }

    private static List<Fixture> all(Show show) {
        return List.copyOf(show.patch().fixtures());
    }

    private static Address start(Random random) {
        return new Address(1 + random.nextInt(50), 1 + random.nextInt(512));
    }

    /** The claims a landing makes, in the order of fixtures and breaks. */
    private static List<Claim> claims(Show show, Landing landing) {
        List<Claim> claims = new ArrayList<>();
        for (Fixture f : all(show)) {
            List<Address> own = landing.addresses().get(f.id());
            List<Integer> slots = List.copyOf(show.patch().modeOf(f).footprint().values());
            assertThat(own).hasSameSizeAs(slots);
            for (int i = 0; i < own.size(); i++) {
                claims.add(new Claim(f, new PatchedAddress(i + 1, own.get(i), false), slots.get(i)));
            }
        }
        return claims;
    }

    private static void neverOverlapsNorStraddles(List<Claim> claims) {
        List<Claim> sorted = claims.stream()
                .sorted(Comparator.comparing(c -> c.at().address()))
                .toList();
        for (int i = 0; i < sorted.size(); i++) {
            assertThat(sorted.get(i).last()).isLessThanOrEqualTo(Address.SLOTS);
            if (i > 0) {
                assertThat(sorted.get(i).overlaps(sorted.get(i - 1))).isFalse();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void running_on_keeps_the_order_leaves_the_gap_and_crosses_only_where_it_must(long seed) {
        Random random = new Random(seed);
        Show show = random(random, 60);
        int gap = random.nextInt(4);
        Landing landing = Layout.RUNNING_ON.of(show.patch(), all(show), start(random), gap);
        List<Claim> claims = claims(show, landing);
        neverOverlapsNorStraddles(claims);
        Set<Address> crossings = new HashSet<>(landing.crossings());
        for (int i = 1; i < claims.size(); i++) {
            Claim before = claims.get(i - 1);
            Claim now = claims.get(i);
            if (now.universe() == before.universe()) {
                assertThat(now.first()).isEqualTo(before.last() + 1 + gap);
            } else {
                assertThat(now.universe()).isEqualTo(before.universe() + 1);
                assertThat(now.first()).isEqualTo(1);
                assertThat(before.last() + gap + now.slots()).isGreaterThan(Address.SLOTS);
                boolean endedExactly = before.last() + gap >= Address.SLOTS;
                assertThat(crossings.contains(now.at().address()) || endedExactly)
                        .isTrue();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void a_fresh_universe_holds_one_position_only(long seed) {
        Random random = new Random(seed);
        Show show = random(random, 60);
        Landing landing = new Layout.Fresh(Layout.By.POSITION).of(show.patch(), all(show), new Address(7, 1), 0);
        List<Claim> claims = claims(show, landing);
        neverOverlapsNorStraddles(claims);
        claims.stream()
                .collect(Collectors.groupingBy(Claim::universe))
                .values()
                .forEach(together -> assertThat(together)
                        .extracting(c -> c.fixture().position())
                        .containsOnly(together.get(0).fixture().position()));
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void shares_of_a_type_differ_by_at_most_one_and_longer_ones_come_first(long seed) {
        Random random = new Random(seed);
        Show show = random(random, 60);
        int universes = 2 + random.nextInt(4);
        Landing landing = new Layout.Over(universes).of(show.patch(), all(show), new Address(3, 1), 0);
        List<Claim> claims = claims(show, landing);
        neverOverlapsNorStraddles(claims);
        claims.stream()
                .collect(Collectors.groupingBy(c -> c.fixture().profile()))
                .values()
                .forEach(type -> {
                    List<Long> shares = IntStream.range(0, universes)
                            .mapToObj(u -> type.stream()
                                    .filter(c -> c.universe() == 3 + u)
                                    .count())
                            .toList();
                    assertThat(shares).isSortedAccordingTo(Comparator.reverseOrder());
                    assertThat(shares.get(0) - shares.get(universes - 1)).isLessThanOrEqualTo(1);
                });
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36})
    void the_next_gap_is_the_lowest_that_fits_and_agrees_with_the_slow_finder(long seed) {
        Random random = new Random(seed);
        Show show = random(random, 40);
        for (int n = 1; n <= 30; n++) {
            show = Rig.say(show, "patch " + n + " at 1." + (1 + random.nextInt(500)) + (n % 5 == 0 ? " share" : ""))
                    .show();
        }
        Occupancy occupied = new Occupancy(show.patch());
        GapFinder slow = new GapFinder(show.patch());
        for (int i = 0; i < 200; i++) {
            Address from = new Address(1 + random.nextInt(2), 1 + random.nextInt(512));
            int slots = 1 + random.nextInt(60);
            assertThat(occupied.nextGap(from, slots)).isEqualTo(slow.next(from, slots, Optional.empty()));
        }
        Show filled = Rig.after(show, "patch 31 thru 40 at next gap from 1.1");
        assertThat(filled.patch().clashes()).hasSameSizeAs(show.patch().clashes());
        assertThat(filled.patch().fixtures()).filteredOn(f -> f.number() > 30).allMatch(Fixture::patched);
    }

    @ParameterizedTest
    @ValueSource(longs = {41, 42, 43})
    void one_to_one_gives_every_number_the_slot_of_that_number(long seed) {
        Random random = new Random(seed);
        int offset = random.nextInt(300);
        Show show = Rig.show("add 1 thru 700 as \"Dimmer / 1-slot\"");
        Address from = Address.ofAbsolute(offset);
        Landing landing = new Layout.OneToOne().of(show.patch(), all(show), from, 0);
        for (Fixture f : all(show)) {
            assertThat(landing.addresses().get(f.id())).containsExactly(Address.ofAbsolute(offset + f.number() - 1));
        }
        neverOverlapsNorStraddles(claims(show, landing));
    }
}
