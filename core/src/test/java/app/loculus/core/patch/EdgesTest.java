package app.loculus.core.patch;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The patch at its edges: the last universe, the first fixture, an address twice, a mode of no slots. */
class EdgesTest {

    private static final Address LAST = new Address(Address.LAST_UNIVERSE, 1);

    private static List<String> warnings(Outcome outcome) {
        return outcome.problems().stream().map(Problem::words).toList();
    }

    @Test
    void the_last_universe_is_searched_too() {
        Show show = Rig.show("patch 1 thru 2 as \"Wash / extended\" at 63999.1");
        GapFinder gaps = new GapFinder(show.patch());
        assertThat(gaps.next(LAST, 12, Optional.empty())).contains(new Address(63999, 25));
        assertThat(gaps.next(new Address(63998, 505), 12, Optional.empty())).contains(new Address(63999, 25));
        assertThat(gaps.next(LAST, 489, Optional.empty())).isEmpty();
        Occupancy occupied = new Occupancy(show.patch());
        assertThat(occupied.nextGap(LAST, 12)).contains(new Address(63999, 25));
        assertThat(occupied.nextGap(LAST, 489)).isEmpty();
        assertThat(occupied.nextGap(LAST, 513)).isEmpty();
    }

    @Test
    void a_first_fixture_that_is_carried_over_is_told_like_every_other() {
        Outcome outcome = Rig.say(Show.empty("x"), "patch 1 as \"Wash / extended\" at 1.510");
        assertThat(outcome.words())
                .containsExactly(
                        "1 × 12 slots · 2.1–2.12",
                        "Runs on into universe 2: a footprint never straddles two universes.");
    }

    @Test
    void adding_an_address_that_is_there_already_adds_nothing_and_says_so() {
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.1", "patch 1 at 2.1 also");
        Outcome again = Rig.say(show, "patch 1 at 2.1 also");
        assertThat(again.show().patch().number(1).addresses()).hasSize(2);
        assertThat(warnings(again)).containsExactly("Fixture 1 has that address already.");
        assertThat(again.words()).containsExactly("Nothing changes");
    }

    @Test
    void adding_an_address_again_to_share_it_grants_the_share() {
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.1");
        Show shared = Rig.after(show, "patch 1 at 1.1 also share");
        assertThat(shared.patch().number(1).addresses())
                .containsExactly(new PatchedAddress(1, Address.parse("1.1"), true));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " next gap", " by type", " by position", " over 2 universes", " one to one"})
    void a_mode_of_no_slots_has_no_address_whatever_the_layout(String layout) {
        LineReader reader = new LineReader(new Profiles(List.of(Rig.profile("Ghost", Rig.mode("none", 0)))));
        String at = switch (layout) {
            case " next gap" -> " at next gap";
            case " one to one" -> " one to one at 1.1";
            default -> " at 1.1" + layout;
        };
        Command.Edit read = (Command.Edit) reader.read("patch 1 as \"Ghost / none\"" + at);
        Outcome outcome = read.edit().apply(Show.empty("x"));
        assertThat(outcome.refused()).isTrue();
        assertThat(warnings(outcome)).containsExactly("Fixture 1 has no slots in “none”, so it has no address.");
        Command.Edit without = (Command.Edit) reader.read("add 1 as \"Ghost / none\"");
        assertThat(without.edit().apply(Show.empty("x")).show().patch().size()).isEqualTo(1);
    }

    @Test
    void what_nothing_in_hand_has_is_said_the_right_way_round() {
        Show show = Rig.show("patch 1 as \"Dimmer / 1-slot\" at 1.1", "1");
        assertThat(warnings(Rig.say(show, "zoom at 20"))).containsExactly("Nothing selected has zoom.");
    }
}
