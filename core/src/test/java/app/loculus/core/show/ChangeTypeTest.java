package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ChangeTypeTest {

    private static String words(Outcome outcome) {
        return String.join(" | ", outcome.words()) + " | "
                + outcome.problems().stream().map(Problem::words).collect(Collectors.joining(" | "));
    }

    @Test
    void values_whose_attribute_exists_carry_over_and_others_are_named() {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.1", "1 at 50 pan at 30 zoom at 20");
        Outcome outcome = Rig.say(show, "change 1 to \"Spot / cmy\"");
        UnitId unit = UnitId.whole(show.patch().number(1).id());
        assertThat(outcome.show().programmer().of(unit).byAttribute().keySet()).containsExactly(Attribute.DIMMER);
        assertThat(words(outcome)).contains("12 → 5 slots", "1 working value carries over", "Pan", "Zoom");
        assertThat(outcome.show().patch().number(1).addresses())
                .isEqualTo(show.patch().number(1).addresses());
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(show);
    }

    @Test
    void running_into_the_neighbour_is_refused_with_ways_that_work() {
        Show show = Rig.show("patch 1 + 2 as \"Par / rgb\" at 1.1");
        Problem clash =
                Rig.say(show, "change 1 to \"Wash / extended\"").problems().get(0);
        assertThat(clash.words()).isEqualTo("Fixture 1 would need 1.1–1.12, but 2 “Par 2” holds 1.4–1.6.");
        List<String> lines =
                clash.waysOut().stream().map(w -> w.line().orElseThrow()).toList();
        assertThat(clash.waysOut().stream().map(WayOut::words))
                .containsExactly("Move to 1.7", "Share the slots", "Take the addresses over");
        assertThat(Rig.after(show, lines.get(0)).patch().clashes()).isEmpty();
        assertThat(Rig.after(show, lines.get(1)).patch().clashes()).hasSize(1);
        assertThat(Rig.after(show, lines.get(2)).patch().number(2).patched()).isFalse();
    }

    @Test
    void a_footprint_that_no_longer_fits_the_universe_is_refused() {
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.505");
        Problem refused =
                Rig.say(show, "change 1 to \"Wash / extended\"").problems().get(0);
        assertThat(refused.words()).isEqualTo("Fixture 1 needs 12 slots; 1.505 leaves 8.");
        assertThat(refused.waysOut().get(0).words()).isEqualTo("Move to 2.1");
    }

    @Test
    void per_type_values_are_carried_to_the_new_type() {
        Show show = Rig.show(
                "patch 1 as \"Par / rgb\" at 1.1",
                "1 red at 60 green at 20",
                "record colour \"Rust\" per type",
                "clear all",
                "change 1 to \"Wash / extended\"",
                "1 colour 1");
        UnitId unit = UnitId.whole(show.patch().number(1).id());
        assertThat(show.resolver().giver().give(show.palettes().get(0), unit).values())
                .containsKey(new Attribute("ColorAdd_R"));
        assertThat(show.profiles().all()).hasSize(1);
    }

    @Test
    void cells_that_no_longer_exist_leave_groups_and_hand() {
        Show show = Rig.show("patch 1 as \"Batten / cells\" at 1.1", "1.1 thru 1.4", "record group \"Cells\"");
        Outcome outcome = Rig.say(show, "change 1 to \"Par / rgb\"");
        assertThat(words(outcome)).contains("Cells that no longer exist leave group 1 “Cells”");
        assertThat(outcome.show().units(outcome.show().groups().get(0)).units()).isEmpty();
        assertThat(outcome.show().hand().selection().isEmpty()).isTrue();
    }
}
