package app.loculus.core.chart;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.check.ProfileCheck;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CloningTest {

    static Stream<Profile> kinds() {
        return Rig.ALL.all().stream();
    }

    private static List<String> channels(Mode mode) {
        return mode.channels().stream()
                .filter(c -> !c.virtual())
                .map(c -> c.attribute() + " " + c.offsets() + " cell " + c.cell())
                .sorted()
                .toList();
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void a_draft_of_a_profile_builds_the_same_slots_again(Profile profile) {
        ProfileDraft draft = Cloning.of(profile).draft();
        Profile again = DraftBuilder.build(draft);
        assertThat(again.modes()).hasSameSizeAs(profile.modes());
        profile.modes().forEach(m -> assertThat(channels(again.mode(m.name()))).isEqualTo(channels(m)));
        assertThat(ProfileCheck.of(again)).noneMatch(p -> p.code().equals("profile.overlap"));
    }

    @Test
    void a_channel_that_needs_a_mode_channel_still_does() {
        Mode panel = DraftBuilder.build(Cloning.of(Rig.PANEL).draft()).modes().get(0);
        Channel red =
                panel.channelOf(panel.parameter(0, new Attribute("ColorAdd_R")).orElseThrow());
        assertThat(red.functions().get(0).master()).isPresent();
        assertThat(panel.masterOf(0, red.functions().get(0).master().orElseThrow()))
                .isNotNegative();
    }

    @Test
    void wheel_slots_keep_their_names_and_colours() {
        Profile spot = DraftBuilder.build(Cloning.of(Rig.SPOT).draft());
        assertThat(spot.wheels()).hasSize(1);
        assertThat(spot.wheels().get(0).slots())
                .extracting(s -> s.name() + " " + s.colour().isPresent())
                .containsExactlyElementsOf(Rig.SPOT.wheels().get(0).slots().stream()
                        .map(s -> s.name() + " " + s.colour().isPresent())
                        .toList());
    }
}
