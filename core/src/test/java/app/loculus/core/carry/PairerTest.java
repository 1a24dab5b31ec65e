package app.loculus.core.carry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PairerTest {

    private static final Show OWN = hung(Rig.show(
            "patch 101 thru 104 as \"Wash / extended\" at 1.1", "patch 201 thru 202 as \"Spot / cmy\" at 2.1"));

    /** Washes on the bridge, all else on the floor. */
    private static Show hung(Show show) {
        List<Change<?, ?>> changes = new ArrayList<>();
        show.patch()
                .fixtures()
                .forEach(f -> changes.add(new Change<>(
                        PartKinds.FIXTURES,
                        f.id(),
                        Optional.of(f),
                        Optional.of(f.described(f.profile().equals(Rig.WASH.id()) ? "Bridge" : "floor", "")))));
        return show.with(new Delta(changes));
    }

    private static List<String> pairs(Show from, Show to, Pairer.Said... said) {
        Patch was = from.patch();
        Patch is = to.patch();
        return Pairer.of(was, is, List.of(said)).pairs().stream()
                .map(p -> was.get(p.was()).number() + ">" + is.get(p.is()).number() + " " + p.by())
                .toList();
    }

    @Test
    void the_same_number_goes_before_the_same_position() {
        assertThat(pairs(OWN, OWN))
                .containsExactly(
                        "101>101 NUMBER",
                        "102>102 NUMBER",
                        "103>103 NUMBER",
                        "104>104 NUMBER",
                        "201>201 NUMBER",
                        "202>202 NUMBER");
    }

    @Test
    void others_are_shared_out_evenly_along_one_position() {
        Show more = hung(Rig.show("patch 1 thru 8 as \"Wash / extended\" at 1.1", "patch 9 as \"Spot / cmy\" at 2.1"));
        assertThat(pairs(OWN, more))
                .containsExactly(
                        "101>1 PLACE",
                        "101>2 PLACE",
                        "102>3 PLACE",
                        "102>4 PLACE",
                        "103>5 PLACE",
                        "103>6 PLACE",
                        "104>7 PLACE",
                        "104>8 PLACE",
                        "201>9 PLACE",
                        "202>9 PLACE");
    }

    @Test
    void nothing_that_lights_is_left_without_one() {
        Show few = Rig.show("patch 1 as \"Dimmer / 1-slot\" at 1.1");
        assertThat(pairs(OWN, few)).hasSize(6).allMatch(p -> p.contains(">1 "));
    }

    @Test
    void what_was_said_goes_before_all_and_may_be_nothing() {
        assertThat(pairs(
                        OWN,
                        OWN,
                        new Pairer.Said(List.of(101, 102), List.of(104)),
                        new Pairer.Said(List.of(201), List.of())))
                .contains("101>104 HAND", "102>104 HAND", "202>202 NUMBER")
                .noneMatch(p -> p.startsWith("201"));
    }

    @Test
    void a_number_that_is_not_there_is_said() {
        assertThatThrownBy(() -> pairs(OWN, OWN, new Pairer.Said(List.of(7), List.of(101))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("There is no fixture 7 in the show.");
    }
}
