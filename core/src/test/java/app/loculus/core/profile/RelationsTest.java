package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.check.ProfileDifference;
import app.loculus.core.profile.facts.BeamFacts;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

class RelationsTest {

    private static Channel channel(String attribute, int cell, Integer... offsets) {
        ChannelFunction f = new ChannelFunction(
                attribute,
                new Attribute(attribute),
                0,
                255,
                0,
                1,
                0,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
        return new Channel(
                "Head_" + attribute + (cell > 0 ? "#" + cell : ""),
                1,
                List.of(offsets),
                cell,
                List.of(f),
                0,
                OptionalLong.empty());
    }

    private static Mode mode(int cells, List<Relation> relations, Channel... channels) {
        Map<Attribute, Tristimulus> emitters = Map.of(new Attribute("ColorAdd_R"), new Tristimulus(1, 1, 1));
        return new Mode(
                "m", List.of(channels), Cells.flat(cells), Rig.LAMP, emitters, Map.of(), BeamFacts.UNKNOWN, relations);
    }

    @Test
    void a_virtual_dimmer_of_the_whole_fixture_dims_every_cell() {
        Mode mode = mode(2, List.of(), channel("Dimmer", 0), channel("ColorAdd_R", 1, 1), channel("ColorAdd_R", 2, 2));
        assertThat(mode.dimmersOf(1)).contains(0);
        assertThat(mode.dimmersOf(2)).contains(0);
    }

    @Test
    void a_relation_says_what_a_virtual_channel_acts_on_and_on_nothing_else() {
        List<Relation> relations = List.of(new Relation("r", "Head_Dimmer", "Head_Iris", Relation.Type.MULTIPLY));
        Mode mode = mode(0, relations, channel("Dimmer", 0), channel("Iris", 0, 1), channel("ColorAdd_R", 0, 2));
        assertThat(mode.dimmersOf(1)).containsExactly(0);
        assertThat(mode.dimmersOf(2)).isEmpty();
    }

    @Test
    void profiles_that_differ_are_told_apart_in_words() {
        Mode older = mode(0, List.of(), channel("Dimmer", 0, 1), channel("Iris", 0, 2));
        Mode newer = mode(0, List.of(), channel("Dimmer", 0, 2), channel("Zoom", 0, 1), channel("Frost1", 0, 3));
        assertThat(ProfileDifference.words(profile("a", older), profile("b", newer)))
                .containsExactly(
                        "Mode “m”: 2 slots became 3",
                        "Mode “m”: Dimmer moved from slot 1 to 2",
                        "Mode “m”: Zoom is new",
                        "Mode “m”: Frost1 is new",
                        "Mode “m”: Iris is gone");
        assertThat(ProfileDifference.words(profile("a", older), profile("b", older)))
                .containsExactly("The same slots and values; the description differs");
    }

    private static Profile profile(String id, Mode mode) {
        return new Profile(new ProfileId(id), "Halden", "Head", List.of(), List.of(), List.of(mode), List.of(), "");
    }
}
