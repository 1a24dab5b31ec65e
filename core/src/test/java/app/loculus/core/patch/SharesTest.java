package app.loculus.core.patch;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A share was granted for those fixtures on those slots; whatever else comes to overlap is a new clash. */
class SharesTest {

    private static final String TWO = "patch 1 as \"Wash / extended\" at 1.1";

    private static boolean refused(Show show, String line) {
        Outcome outcome = Rig.say(show, line);
        return outcome.refused() && outcome.problems().get(0).code().equals("patch.clash") && outcome.show() == show;
    }

    @Test
    void sharing_where_nobody_is_lets_nobody_land_there_later() {
        Show show = Rig.show("patch 2 as \"Par / rgb\" at 1.2 share");
        assertThat(refused(show, "patch 3 as \"Par / rgb\" at 1.2")).isTrue();
        assertThat(refused(show, "patch 3 as \"Par / rgb\" at 1.4")).isTrue();
    }

    @Test
    void a_third_one_is_a_new_clash() {
        Show show = Rig.show(TWO, "patch 2 as \"Par / rgb\" at 1.5 share");
        assertThat(refused(show, "patch 3 as \"Par / rgb\" at 1.5")).isTrue();
        assertThat(Rig.after(show, "patch 3 as \"Par / rgb\" at 1.5 share")
                        .patch()
                        .clashes())
                .allMatch(Clash::shared);
    }

    @Test
    void moving_one_of_the_two_onto_other_slots_of_the_other_is_a_new_clash() {
        Show show = Rig.show(TWO, "patch 2 as \"Par / rgb\" at 1.10 share");
        assertThat(refused(show, "patch 2 at 1.9")).isTrue();
        assertThat(refused(show, "shift 2 by -1")).isTrue();
        assertThat(refused(show, "patch 1 at 1.2")).isTrue();
    }

    @Test
    void giving_one_of_them_its_own_address_again_changes_nothing() {
        Show show = Rig.show(TWO, "patch 2 as \"Par / rgb\" at 1.10 share");
        assertThat(Rig.after(show, "patch 2 at 1.10", "patch 1 at 1.1").patch().clashes())
                .singleElement()
                .matches(Clash::shared);
    }

    @Test
    void both_may_move_together() {
        Show show = Rig.show(TWO, "patch 2 as \"Par / rgb\" at 1.10 share");
        Show moved = Rig.after(show, "shift 1 + 2 by 100");
        assertThat(moved.patch().clashes()).singleElement().matches(Clash::shared);
        assertThat(moved.patch().clashes().get(0).span()).isEqualTo("1.110–1.112");
    }

    @Test
    void a_type_that_meets_further_slots_is_a_new_clash_and_one_that_meets_fewer_is_not() {
        Show show = Rig.show(
                "patch 1 as \"Par / rgb\" at 1.1",
                "patch 2 as \"Par / rgb\" at 1.3 share",
                "patch 3 as \"Spot / cmy\" at 2.1",
                "patch 4 as \"Par / rgb\" at 2.5 share");
        assertThat(refused(show, "change 1 to \"Wash / extended\"")).isTrue();
        assertThat(Rig.after(show, "change 3 to \"Beam / wheel\"").patch().clashes())
                .hasSize(1);
        assertThat(Rig.after(show, "change 1 to \"Wash / extended\" share")
                        .patch()
                        .clashes())
                .allMatch(Clash::shared);
    }

    @Test
    void taking_over_leaves_no_clash_among_those_that_change() {
        Show show = Rig.show("patch 1 thru 3 as \"Par / rgb\" at 1.1");
        assertThat(refused(show, "change 1 thru 2 to \"Wash / extended\" take over"))
                .isTrue();
        Show taken = Rig.after(show, "change 1 to \"Wash / extended\" take over");
        assertThat(taken.patch().clashes()).isEmpty();
        assertThat(taken.patch().number(2).patched()).isFalse();
    }

    @Test
    void taking_over_also_takes_from_who_shared() {
        Show show = Rig.show(TWO, "patch 2 as \"Par / rgb\" at 1.10 share");
        Show taken = Rig.after(show, "patch 1 at 1.1 take over");
        assertThat(taken.patch().number(2).patched()).isFalse();
    }

    /** Slots on which two fixtures are, by pair; worked out slot by slot. */
    private static Map<String, Set<Integer>> met(Patch patch) {
        Map<Integer, Set<Integer>> holders = new TreeMap<>();
        for (Fixture fixture : patch.fixtures()) {
            for (Claim claim : patch.claimsOf(fixture)) {
                for (int slot = 0; slot < claim.slots(); slot++) {
                    int at = claim.at().address().absolute() + slot;
                    holders.computeIfAbsent(at, none -> new TreeSet<>())
                            .add(fixture.id().value());
                }
            }
        }
        Map<String, Set<Integer>> met = new TreeMap<>();
        holders.forEach((slot, ids) -> ids.forEach(a -> ids.stream()
                .filter(b -> a < b)
                .forEach(b -> met.computeIfAbsent(a + " " + b, none -> new TreeSet<>())
                        .add(slot))));
        return met;
    }

    @ParameterizedTest
    @ValueSource(longs = {301, 302, 303, 304, 305, 306})
    void no_sequence_of_edits_leaves_a_clash_that_nobody_granted(long seed) {
        Random random = new Random(seed);
        List<String> types = List.of("Par / rgb", "Wash / extended", "Dimmer / 1-slot", "Spot / cmy");
        Show show =
                Rig.show("patch 1 thru 8 as \"Par / rgb\" at 1.1", "patch 9 thru 12 as \"Wash / extended\" at 1.40");
        for (int i = 0; i < 250; i++) {
            int number = 1 + random.nextInt(12);
            String at = "1." + (1 + random.nextInt(90));
            boolean granting = random.nextInt(4) == 0;
            String line = switch (random.nextInt(6)) {
                case 0 -> "change " + number + " to \"" + types.get(random.nextInt(types.size())) + "\"";
                case 1 ->
                    "change " + number + " thru " + (number + random.nextInt(3)) + " to \""
                            + types.get(random.nextInt(types.size())) + "\" take over";
                case 2 -> "swap " + number + " with " + (1 + random.nextInt(12));
                case 3 -> "patch " + number + " at " + at + " also";
                case 4 -> "patch " + number + " at " + at + " take over";
                default -> "patch " + number + " at " + at;
            };
            boolean share = granting && !line.endsWith("take over") && !line.startsWith("swap");
            Outcome outcome = Rig.say(show, line + (share ? " share" : ""));
            Map<String, Set<Integer>> before = met(show.patch());
            show = outcome.show();
            if (!share) {
                met(show.patch())
                        .forEach((pair, slots) -> assertThat(before.getOrDefault(pair, Set.of()))
                                .as("%s, after step of “%s”", pair, line)
                                .containsAll(slots));
            }
            assertThat(show.patch().clashes()).as(line).allMatch(Clash::shared);
        }
    }
}
