package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.desk.Carried;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RealignTest {

    /** Four washes over a stage; position 1 at a mark, 2 on a spot of the floor with values of its own. */
    private static Show focused(String... more) {
        return Rig.after(
                Rig.after(
                        Rig.everyKind(),
                        "place 11 thru 14 at -4,2,6 thru 4,2,6",
                        "mark \"Slip foot\" at 0, 3, 0",
                        "11 thru 14 aim at mark \"Slip foot\"",
                        "record position 1 at mark \"Slip foot\"",
                        "11 thru 14 aim at 1, 4, 0",
                        "record position 2 \"Spot\"",
                        "clear all"),
                more);
    }

    private static Palette position(Show show, int number) {
        return show.palette(Kind.POSITION, number).orElseThrow();
    }

    private static Mark mark(Show show, String name) {
        return MarkFinder.find(show, name).orElseThrow();
    }

    private static double degrees(Show show, int palette, int fixture, Attribute attribute) {
        Given given = show.resolver()
                .giver()
                .give(
                        position(show, palette),
                        UnitId.whole(show.patch().number(fixture).id()));
        return ((AttributeValue.Physical) given.values().get(attribute)).value();
    }

    /** Metres by which a head passes a point with a palette. */
    private static double miss(Show show, int palette, int fixture, Vector3 at) {
        Pose pose = show.patch().number(fixture).pose().orElseThrow();
        Vector3 beam = pose.beam(
                degrees(show, palette, fixture, Attribute.PAN), degrees(show, palette, fixture, Attribute.TILT));
        Vector3 to = at.minus(pose.place());
        return to.minus(beam.times(to.dot(beam))).length();
    }

    private static void allHit(Show show, int palette, Vector3 at) {
        for (int head = 11; head <= 14; head++) {
            assertThat(miss(show, palette, head, at)).as("head " + head).isCloseTo(0, within(1e-3));
        }
    }

    @Test
    void what_is_lit_was_moved_and_marks_and_heads_follow() {
        String up = "realign 0,0,0 to 0,1,0.4 + 4,0,0 to 4,1,0.4 + 0,4,0 to 0,5,0.4";
        Outcome moved = Rig.say(focused("11 thru 13 position 1"), up);
        assertThat(moved.words())
                .containsExactly(
                        "What is lit moved by 0, 1, 0.4 m",
                        "Mark “Slip foot”: 0, 3, 0 → 0, 4, 0.4",
                        "position 1 “Slip foot” stands there; 3 heads in use move",
                        "position 2 “Spot”: 4 heads re-aimed");
        assertThat(moved.problems()).isEmpty();
        allHit(moved.show(), 1, new Vector3(0, 4, 0.4));
        allHit(moved.show(), 2, new Vector3(1, 5, 0.4));
        Show quarter = Rig.after(focused(), "realign 0,0,0 to 0,0,0 + 1,0,0 to 0,1,0");
        allHit(quarter, 2, new Vector3(-4, 1, 0));
    }

    @Test
    void the_lights_were_moved_and_hit_the_same_spots() {
        Show show = focused();
        Outcome moved = Rig.say(show, "realign lights 0,0,6 to 0.5,1,5.5 + 4,0,6 to 4.5,1.2,5.5");
        assertThat(moved.words().get(0)).startsWith("The lights moved by 0.5, 1.1, -0.5 m and turned by 2.86°");
        assertThat(moved.words()).contains("4 fixtures hang elsewhere", "position 2 “Spot”: 4 heads re-aimed");
        allHit(moved.show(), 1, new Vector3(0, 3, 0));
        allHit(moved.show(), 2, new Vector3(1, 4, 0));
        assertThat(moved.show().marks()).isEqualTo(show.marks());
        Show one = Rig.after(show, "realign lights 12 0,0,6 to 0,0,5");
        assertThat(one.patch().number(12).pose().orElseThrow().place().z()).isCloseTo(5, within(1e-9));
        assertThat(one.patch().number(11)).isEqualTo(show.patch().number(11));
        allHit(one, 2, new Vector3(1, 4, 0));
    }

    @Test
    void only_what_is_named_follows_and_a_mark_is_known_where_it_stands() {
        Show show = focused("mark \"Gallery\" at 5, 5, 3", "record position 3 at mark \"Gallery\"");
        Show raw = Rig.after(show, "realign position 2 0,0,0 to 1,0,0");
        allHit(raw, 2, new Vector3(2, 4, 0));
        assertThat(raw.marks()).isEqualTo(show.marks());
        Show mark = Rig.after(show, "realign mark \"Gallery\" \"Slip foot\" to 0, 3, 1");
        assertThat(mark(mark, "Slip foot")).isEqualTo(mark(show, "Slip foot"));
        assertThat(mark(mark, "Gallery").at()).isEqualTo(new Vector3(5, 5, 4));
        allHit(mark, 2, new Vector3(1, 4, 0));
        Show stood = Rig.after(show, "realign position 3 0,0,0 to 1,0,0");
        assertThat(mark(stood, "Gallery").at()).isEqualTo(new Vector3(6, 5, 3));
    }

    @Test
    void what_cannot_follow_is_named_and_points_that_tell_nothing_are_refused() {
        Show up = focused("14 pan at 0 tilt at 120", "record position 2 merge", "clear all");
        Outcome moved = Rig.say(up, "realign 0,0,0 to 0,0,1");
        assertThat(moved.problems().get(0).words()).isEqualTo("14 hit no spot that could follow, and stay.");
        assertThat(degrees(moved.show(), 2, 14, Attribute.TILT)).isCloseTo(120, within(1e-9));
        Outcome far = Rig.say(focused(), "realign 0,0,0 to 0,0,20");
        assertThat(far.problems()).extracting(p -> p.code()).contains("realign.reach");
        assertThat(Rig.say(focused(), "realign 0,0,0 to 0,1,0 + 1,0,0 to 1,1,0 + 2,0,0 to 2,1,0")
                        .problems()
                        .get(0)
                        .code())
                .isEqualTo("realign.points");
        assertThat(Rig.say(focused(), "realign 0,0,0 to 0,0,0 + 4,0,0 to 4,0,0")
                        .problems()
                        .get(0)
                        .words())
                .isEqualTo("The points are where they were.");
        Outcome bent = Rig.say(focused(), "realign 0,0,0 to 0,0,0 + 4,0,0 to 5,0,0 + 0,4,0 to 0,4,0");
        assertThat(bent.problems()).extracting(p -> p.code()).contains("realign.fit");
        assertThat(Rig.say(Rig.everyKind(), "realign 0,0,0 to 0,0,1")
                        .problems()
                        .get(0)
                        .code())
                .isEqualTo("realign.nothing");
    }

    @ParameterizedTest
    @ValueSource(strings = {"1,0.5,0.3", "-2,1,0", "0,0,1.1"})
    void there_and_back_again_is_where_it_was(String to) {
        Show show = focused();
        for (String what : new String[] {"realign ", "realign lights "}) {
            Show back = Rig.after(show, what + "0,0,0 to " + to, what + to + " to 0,0,0");
            for (int head = 11; head <= 14; head++) {
                for (Attribute attribute : new Attribute[] {Attribute.PAN, Attribute.TILT}) {
                    assertThat(degrees(back, 2, head, attribute))
                            .isCloseTo(degrees(show, 2, head, attribute), within(1e-6));
                }
            }
        }
    }

    @Test
    void what_is_carried_is_told_so_that_it_can_be_drawn() {
        List<Carried> stage = Carried.of(Rig.say(focused(), "realign 0,0,0 to 0,1,0"));
        assertThat(stage).extracting(Carried::what).containsExactly("mark", "beam", "beam", "beam", "beam");
        assertThat(stage.get(0))
                .isEqualTo(new Carried("mark", "Slip foot", new Vector3(0, 3, 0), new Vector3(0, 4, 0)));
        assertThat(stage.get(1).name()).isEqualTo("2 Spot · 11");
        assertThat(stage.get(1).from().minus(new Vector3(1, 4, 0)).length()).isCloseTo(0, within(1e-3));
        assertThat(stage.get(1).to().minus(new Vector3(1, 5, 0)).length()).isCloseTo(0, within(1e-3));
        List<Carried> lights = Carried.of(Rig.say(focused(), "realign lights 11 0,0,6 to 0,0,5"));
        assertThat(lights.get(0)).isEqualTo(new Carried("light", "11", new Vector3(-4, 2, 6), new Vector3(-4, 2, 5)));
        assertThat(lights.stream().filter(c -> c.what().equals("beam")))
                .as("the spots on the floor stay")
                .allMatch(c -> c.to().minus(c.from()).length() < 1e-3);
    }
}
