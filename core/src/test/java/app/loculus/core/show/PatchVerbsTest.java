package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PatchVerbsTest {

    private static final String PARS = "patch 1 thru 4 as \"Par / rgb\" at 1.1 gap 2";

    private static String at(Show show, int number) {
        return show.patch().number(number).addresses().stream()
                .map(PatchedAddress::address)
                .map(Address::toString)
                .reduce("", (a, b) -> a.isEmpty() ? b : a + " " + b);
    }

    private static String refusal(Show show, String line) {
        Outcome outcome = Rig.say(show, line);
        assertThat(outcome.refused()).as(line).isTrue();
        assertThat(outcome.show()).isSameAs(show);
        return outcome.problems().get(0).words();
    }

    @Test
    void one_to_one_touches_only_fixtures_that_exist() {
        Show show = Rig.show("add 3 + 7 as \"Dimmer / 1-slot\"");
        Outcome outcome = Rig.say(show, "patch 1 thru 10 one to one at 2.101");
        assertThat(outcome.show().patch().size()).isEqualTo(2);
        assertThat(at(outcome.show(), 3)).isEqualTo("2.103");
        assertThat(at(outcome.show(), 7)).isEqualTo("2.107");
        assertThat(outcome.problems().get(0).words()).startsWith("8 numbers without a fixture stay so");
    }

    @Test
    void one_to_one_creates_when_it_is_asked_to_and_goes_on_in_the_next_universe() {
        Show show = Rig.show("patch 511 thru 514 one to one as \"Dimmer / 1-slot\"");
        assertThat(at(show, 512)).isEqualTo("1.512");
        assertThat(at(show, 513)).isEqualTo("2.1");
    }

    @Test
    void one_to_one_refuses_what_would_straddle_and_what_is_not_there() {
        assertThat(refusal(Rig.show("add 511 as \"Par / rgb\""), "patch 511 one to one"))
                .isEqualTo("Fixture 511 would get 1.511, but it needs 3 slots and 2 are left in that universe.");
        assertThat(refusal(Rig.show(), "patch 1 thru 5 one to one")).contains("None of these numbers");
    }

    @Test
    void each_position_begins_on_a_universe_of_its_own() {
        Show show = Rig.show(
                "add 1 thru 4 as \"Par / rgb\"",
                "hang 1 + 3 on \"Bridge 1\"",
                "hang 2 + 4 on \"Bridge 2\"",
                "patch 1 thru 4 at 5.1 by position");
        assertThat(List.of(at(show, 1), at(show, 3), at(show, 2), at(show, 4)))
                .containsExactly("5.1", "5.4", "6.1", "6.4");
    }

    @Test
    void each_type_is_shared_out_over_universes_longer_shares_first() {
        Show show = Rig.show("patch 1 thru 7 as \"Par / rgb\" at 3.11 over 3 universes");
        assertThat(IntStream.rangeClosed(1, 7).mapToObj(n -> at(show, n)).toList())
                .containsExactly("3.11", "3.14", "3.17", "4.11", "4.14", "5.11", "5.14");
        assertThat(refusal(Rig.show(), "patch 1 thru 90 as \"Wash / extended\" at 1.1 over 2 universes"))
                .isEqualTo("45 fixtures do not fit into universe 1 from slot 1 on.");
    }

    @Test
    void renumbering_keeps_everything_that_refers_to_a_fixture() {
        Show show = Rig.show(PARS, "1 thru 4 at 50", "record group \"Pars\"", "renumber 1 thru 4 from 11 by 10");
        assertThat(show.patch().fixtures().stream().map(Fixture::number)).containsExactly(11, 21, 31, 41);
        assertThat(show.units(show.groups().get(0)).units()).hasSize(4);
        assertThat(at(show, 21)).isEqualTo("1.6");
        assertThat(show.programmer().values()).hasSize(4);
    }

    @Test
    void renumbering_may_overlap_itself_but_not_others() {
        Show shifted = Rig.show(PARS, "renumber 1 thru 4 from 2");
        assertThat(at(shifted, 2)).isEqualTo("1.1");
        assertThat(refusal(Rig.show(PARS), "renumber 1 + 2 from 3")).isEqualTo("Number 3 is “Par 3” already.");
    }

    @Test
    void two_fixtures_swap_addresses() {
        Show show = Rig.show(PARS, "swap 1 with 4");
        assertThat(at(show, 1)).isEqualTo("1.16");
        assertThat(at(show, 4)).isEqualTo("1.1");
    }

    @Test
    void a_swap_that_would_run_into_a_neighbour_is_refused() {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.101", "patch 2 + 3 as \"Par / rgb\" at 1.1");
        assertThat(refusal(show, "swap 1 with 2")).contains("Fixture 1 would need 1.1–1.12, but 3");
    }

    @Test
    void a_block_shifts_with_its_distances() {
        Show show = Rig.show(PARS, "shift 2 thru 3 to 2.100");
        assertThat(at(show, 2)).isEqualTo("2.100");
        assertThat(at(show, 3)).isEqualTo("2.105");
        assertThat(at(Rig.after(show, "shift 2 thru 3 by -99"), 3)).isEqualTo("2.6");
    }

    @Test
    void a_block_that_cannot_land_says_where_it_could() {
        Show show = Rig.show(PARS, "patch 9 as \"Wash / extended\" at 1.40");
        Outcome refused = Rig.say(show, "shift 1 thru 2 to 1.35");
        assertThat(refused.problems().get(0).words()).contains("Fixture 2 would need 1.40–1.42");
        String way = refused.problems().get(0).waysOut().get(0).line().orElseThrow();
        assertThat(way).isEqualTo("shift 1 + 2 to 1.52".replace("1 + 2", "1 thru 2"));
        assertThat(at(Rig.after(show, way), 2)).isEqualTo("1.57");
        assertThat(refusal(show, "shift 4 by 496")).isEqualTo("Fixture 4 needs 3 slots; 1.512 leaves 1.");
        assertThat(refusal(show, "shift 1 by -5")).isEqualTo("1.1 cannot move down by 5 slots.");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void compacting_closes_gaps_and_keeps_the_order(long seed) {
        Random random = new Random(seed);
        Show show = Show.empty("Test");
        for (int n = 1; n <= 25; n++) {
            String type = random.nextBoolean() ? "Par / rgb" : "Wash / extended";
            show = Rig.say(
                            show,
                            "patch " + n + " as \"" + type + "\" at 1." + (1 + random.nextInt(500))
                                    + (random.nextInt(5) == 0 ? " share" : ""))
                    .show();
        }
        Show after = Rig.after(show, "compact universe 1");
        assertThat(order(after)).isEqualTo(order(show));
        assertThat(after.patch().clashes()).hasSameSizeAs(show.patch().clashes());
        int end = 0;
        for (Claim claim : after.patch().claims().get(1)) {
            assertThat(claim.first()).isLessThanOrEqualTo(end + 1);
            end = Math.max(end, claim.last());
        }
        assertThat(Rig.after(after, "compact universe 1")).isEqualTo(after);
    }

    private static List<Integer> order(Show show) {
        return show.patch().claims().get(1).stream()
                .map(c -> c.fixture().number())
                .toList();
    }

    @Test
    void several_columns_are_revised_together_and_places_may_be_exchanged() {
        Show show = Rig.show(PARS);
        var one = ReviseFixtures.Revision.of(1);
        List<ReviseFixtures.Revision> rows = List.of(
                new ReviseFixtures.Revision(
                        1,
                        Optional.empty(),
                        Optional.of("Left"),
                        Optional.empty(),
                        Optional.of(Starts.at(new Address(1, 6))),
                        Optional.of("Bridge 1"),
                        Optional.empty(),
                        Optional.of("new lamp")),
                new ReviseFixtures.Revision(
                        2,
                        Optional.of(3),
                        one.name(),
                        one.type(),
                        Optional.of(Starts.at(new Address(1, 1))),
                        one.position(),
                        one.purpose(),
                        one.notes()),
                new ReviseFixtures.Revision(
                        77,
                        Optional.empty(),
                        one.name(),
                        Optional.of(Rig.ALL.type("Dimmer")),
                        one.starts(),
                        one.position(),
                        one.purpose(),
                        one.notes()));
        Outcome outcome =
                new ReviseFixtures(rows, List.of(show.patch().number(3).id())).apply(show);
        assertThat(outcome.problems()).isEmpty();
        assertThat(at(outcome.show(), 1)).isEqualTo("1.6");
        assertThat(at(outcome.show(), 3)).isEqualTo("1.1");
        assertThat(outcome.show().patch().number(1).name()).isEqualTo("Left");
        assertThat(outcome.show().patch().number(1).notes()).isEqualTo("new lamp");
        assertThat(outcome.show().patch().number(77).patched()).isFalse();
        assertThat(outcome.show().patch().numbered(2)).isEmpty();
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(show);
    }

    @Test
    void universes_are_named_switched_and_sent_somewhere() {
        Show show = Rig.show(
                PARS,
                "universe 1 name \"Bridges\" priority 120",
                "universe 1 to unicast \"192.0.2.7\" as \"Node left\"",
                "universe 2 thru 3 off");
        assertThat(Universes.at(show, 1).toString())
                .isEqualTo("Universe 1 “Bridges”: on, number 1, priority 120, unicast to “Node left” (192.0.2.7)");
        assertThat(Universes.at(show, 3).on()).isFalse();
        assertThat(Universes.of(Rig.after(show, "universe 2 on"))).hasSize(2);
    }

    @Test
    void two_universes_under_one_number_are_refused_in_words() {
        Show show = Rig.show(PARS, "patch 9 as \"Par / rgb\" at 2.1");
        Outcome outcome = Rig.say(show, "universe 2 number 1");
        assertThat(outcome.problems().get(0).words())
                .isEqualTo("Universes 1 and 2 would both go out as number 1; receivers would mix them up.");
        assertThat(outcome.problems().get(0).waysOut().get(0).words()).isEqualTo("Number 3 is free.");
        assertThat(refusal(show, "universe 1 priority 201")).contains("outside 0 to 200");
        assertThat(refusal(show, "universe 1 to unicast \"192.0.2.7\" as \"\"")).contains("has no name yet");
    }

    @Test
    void marks_from_bringing_up_stay_with_the_fixture() {
        Show show = Rig.show(PARS, "mark 2 wrong \"3 lights up\"", "mark 1 answered");
        assertThat(show.patch().number(2).bringUp().note()).isEqualTo("3 lights up");
        assertThat(show.patch().number(1).bringUp().answer().word()).isEqualTo("answered");
        assertThat(Rig.after(show, "mark 2 not tried")
                        .patch()
                        .number(2)
                        .bringUp()
                        .tried())
                .isFalse();
    }
}
