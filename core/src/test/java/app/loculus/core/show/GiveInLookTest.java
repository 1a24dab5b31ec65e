package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.look.Look;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A palette given in a look without taking anything selected, and a profile taken from the library again. */
class GiveInLookTest {

    private static Show show() {
        return Rig.after(
                Rig.awkward(),
                "all colour xy 0.5, 0.4",
                "record colour 1 \"Ember\"",
                "clear all",
                "all colour xy 0.25, 0.3",
                "record colour 2 \"Sea\"",
                "clear all",
                "1 + 2 pan at -40 thru 40 tilt at 20",
                "record position 3 \"Slip\"",
                "clear all",
                "all at 60 colour 1",
                "record cue 1 \"One\"",
                "clear all");
    }

    private static Look held(Show show) {
        return show.look(show.cues(show.lists().get(0).id()).get(0).look());
    }

    /** As if they had been set and merged by hand, over every kind of fixture. */
    @ParameterizedTest
    @ValueSource(strings = {"all colour 2", "all position 3", "1 colour 2", "11 + 12 colour 2"})
    void it_is_what_merging_by_hand_makes_and_leaves_the_hand_alone(String what) {
        Show show = Rig.after(show(), "1 at 20");
        Outcome given = Rig.say(show, "give " + what + " in cue 1 of list 1");
        assertThat(given.problems()).noneMatch(p -> p.refuses());
        Show byHand = Rig.after(show(), what, "record cue 1 merge");
        assertThat(held(given.show()).values()).isEqualTo(held(byHand).values());
        assertThat(given.show().programmer()).isEqualTo(show.programmer());
        assertThat(given.words().get(0)).startsWith("Gives ").contains("in cue 1 “One” of list 1 “Main”: ");
        assertThat(given.show().with(given.delta().reversed())).isEqualTo(show);
    }

    @Test
    void nobody_who_follows_is_refused_in_words() {
        Show show = Rig.after(show(), "patch 91 as \"Dimmer / 1-slot\" at 8.1");
        Outcome refused = Rig.say(show, "give 91 position 3 in cue 1");
        assertThat(refused.refused()).isTrue();
        assertThat(refused.problems().get(0).words()).startsWith("None of these follows position 3 “Slip”");
        assertThat(Rig.say(show, "give 91 position 3 in cue 7")
                        .problems()
                        .get(0)
                        .words())
                .isEqualTo("There is no cue 7 in list 1 “Main”.");
    }

    @Test
    void only_the_starter_groups_that_are_named_are_recorded() {
        Show show = Rig.after(Rig.everyKind(), "starter groups \"Wash\" + \"Par\"");
        assertThat(show.groups()).extracting(g -> g.name()).containsExactly("Wash", "Par");
    }

    @Test
    void a_profile_is_taken_from_the_library_again() {
        Profile held = Rig.PAR;
        Profile other = new Profile(
                new ProfileId("par-2"),
                held.maker(),
                held.name(),
                held.attributes(),
                held.wheels(),
                held.modes(),
                List.of(),
                "");
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.1");
        LineReader lines = new LineReader(new Profiles(List.of(other)));
        Outcome renewed =
                ((Command.Edit) lines.read("renew profile \"Par\"")).edit().apply(show);
        assertThat(renewed.problems()).noneMatch(p -> p.refuses());
        assertThat(renewed.show().patch().number(1).profile()).isEqualTo(other.id());
        assertThat(Rig.say(show, "renew profile \"Par\"").problems().get(0).words())
                .isEqualTo("The show holds the library's “Testmaker Par” already.");
    }
}
