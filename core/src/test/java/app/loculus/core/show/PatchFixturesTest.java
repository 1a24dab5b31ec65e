package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PatchFixturesTest {

    private static List<String> addresses(Show show, int number) {
        return show.patch().number(number).addresses().stream()
                .map(PatchedAddress::address)
                .map(Object::toString)
                .toList();
    }

    @Test
    void a_range_runs_on_in_the_order_it_was_typed() {
        Show show = Rig.show("patch 5 thru 3 as \"Par / rgb\" at 1.507");
        assertThat(addresses(show, 5)).containsExactly("1.507");
        assertThat(addresses(show, 4)).containsExactly("1.510");
        assertThat(addresses(show, 3)).containsExactly("2.1");
    }

    @Test
    void moving_keeps_values_and_also_adds() {
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.1", "1 at 50", "patch 1 at 3.1");
        assertThat(addresses(show, 1)).containsExactly("3.1");
        assertThat(show.programmer().values()).hasSize(1);
        assertThat(addresses(Rig.after(show, "patch 1 at 3.101 also"), 1)).containsExactly("3.1", "3.101");
    }

    private static Problem clash() {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.10");
        return Rig.say(show, "patch 2 as \"Par / rgb\" at 1.9").problems().get(0);
    }

    @Test
    void a_clash_is_refused_with_three_ways_out() {
        Problem problem = clash();
        assertThat(problem.words()).isEqualTo("Fixture 2 would need 1.9–1.11, but 1 “Wash 1” holds 1.10–1.21.");
        assertThat(problem.waysOut().stream().map(WayOut::words))
                .containsExactly("Move to 1.22", "Share the slots", "Take the address over");
        assertThat(problem.place().from()).isEqualTo("patch 2 as \"Par / rgb\" at ".length());
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2})
    void every_way_out_is_a_line_that_works(int way) {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.10");
        Show after = Rig.after(show, clash().waysOut().get(way).line().orElseThrow());
        assertThat(after.patch().number(2).patched()).isTrue();
        assertThat(after.patch().clashes()).hasSize(way == 1 ? 1 : 0);
        assertThat(after.patch().number(1).patched()).isEqualTo(way != 2);
    }

    @Test
    void taking_over_names_who_loses_the_address() {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.10");
        Outcome outcome = Rig.say(show, "patch 2 as \"Par / rgb\" at 1.9 take over");
        assertThat(outcome.problems().get(0).words()).isEqualTo("Fixture 1 loses that address and is unpatched.");
    }

    @Test
    void a_fixture_that_exists_as_something_else_is_not_overwritten() {
        Show show = Rig.show("add 7 as \"Dimmer / 1-slot\"");
        Outcome outcome = Rig.say(show, "patch 7 as \"Par / rgb\" at 1.1");
        assertThat(outcome.problems().get(0).words()).isEqualTo("Fixture 7 exists already, as Dimmer / 1-slot.");
    }

    @Test
    void deleting_says_what_drops_out_and_unpatching_keeps_it() {
        Show show = Rig.show(
                "patch 1 thru 3 as \"Par / rgb\" at 1.1",
                "1 thru 3 at 50",
                "record group 4 \"Pars\"",
                "record intensity 2 \"Half\"");
        Outcome outcome = Rig.say(show, "delete 2");
        assertThat(outcome.words().get(0)).contains("group 4 “Pars”").contains("intensity 2 “Half” (1 values)");
        assertThat(outcome.show().hand().selection().size()).isEqualTo(2);
        Show unpatched = Rig.after(show, "unpatch 2");
        assertThat(unpatched.patch().number(2).patched()).isFalse();
        assertThat(unpatched.groups()).isEqualTo(show.groups());
    }

    @Test
    void places_are_spread_evenly() {
        Show show = Rig.show("add 1 thru 3 as \"Par / rgb\"", "place 1 thru 3 at -4,2,6 thru 4,2,6");
        assertThat(show.patch().fixtures().stream()
                        .map(Fixture::pose)
                        .map(p -> p.orElseThrow().place().x()))
                .containsExactly(-4.0, 0.0, 4.0);
        assertThat(Rig.say(show, "place 1 at 900,0,0").refused()).isTrue();
    }
}
