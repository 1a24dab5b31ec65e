package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.check.ProfileCheck;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ProfileCheckTest {

    private static Channel channel(String attribute, int offset, Optional<ModeMaster> master, NamedRange... ranges) {
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
                master,
                List.of(ranges));
        return new Channel("Head_" + attribute, 1, List.of(offset), 0, List.of(f), 0, OptionalLong.empty());
    }

    private static NamedRange range(String name, int from, int to) {
        return new NamedRange(name, from, to, 0, 1, 0);
    }

    private static List<String> check(Channel... channels) {
        Mode mode = new Mode("m", List.of(channels), 0, Rig.LAMP, Map.of(), Map.of());
        Profile profile =
                new Profile(new ProfileId("x"), "Halden", "X", List.of(), List.of(), List.of(mode), List.of(), "");
        return ProfileCheck.of(profile).stream().map(Problem::words).toList();
    }

    static Stream<Profile> sound() {
        return Rig.ALL.all().stream();
    }

    @ParameterizedTest
    @MethodSource("sound")
    void a_sound_profile_has_no_problems(Profile profile) {
        assertThat(ProfileCheck.of(profile))
                .filteredOn(p -> !p.code().equals("profile.range"))
                .isEmpty();
    }

    @Test
    void overlapping_offsets_and_gaps_are_named() {
        assertThat(check(
                        channel("Dimmer", 1, Optional.empty()),
                        channel("Iris", 1, Optional.empty()),
                        channel("Zoom", 4, Optional.empty())))
                .containsExactly("Slot 1 belongs to Dimmer and to Iris.", "Slots 2 to 3 of its 4 are used by nothing.");
    }

    @Test
    void ranges_that_overlap_or_leave_holes_are_named() {
        assertThat(check(channel(
                        "Dimmer", 1, Optional.empty(), range("a", 0, 99), range("b", 90, 150), range("c", 160, 254))))
                .containsExactly(
                        "Range “b” begins at 90, inside the one before it, which ends at 99.",
                        "Values 151 to 159 have no range.",
                        "Values 255 to 255 have no range.");
    }

    @Test
    void a_mode_master_that_points_nowhere_and_a_fixture_without_light_are_named() {
        assertThat(check(channel("Iris", 1, Optional.of(new ModeMaster("Head_Nothing", 0, 255)))))
                .containsExactly(
                        "It needs “Head_Nothing”, which is no channel of this mode.",
                        "It has neither a dimmer nor emitters, so no intensity can be set.");
    }

    @Test
    void families_are_told_from_attributes() {
        assertThat(Stream.of(Rig.DIMMER, Rig.WASH, Rig.PAR, Rig.BEAM).map(Family::of))
                .containsExactly(Family.DIMMER, Family.MOVING_HEAD, Family.COLOUR_MIXING, Family.COLOUR_WHEEL);
    }
}
