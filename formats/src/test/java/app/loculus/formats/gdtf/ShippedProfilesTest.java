package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What every profile that ships has to keep. */
class ShippedProfilesTest {

    static Stream<Mode> modes() {
        return ShippedProfiles.all().all().stream().flatMap(p -> p.modes().stream());
    }

    static List<Profile> profiles() {
        return ShippedProfiles.all().all();
    }

    @ParameterizedTest
    @MethodSource("modes")
    void no_slot_belongs_to_two_channels_and_none_is_left_out(Mode mode) {
        Map<Integer, Set<Integer>> taken = new HashMap<>();
        for (Channel channel : mode.channels()) {
            for (int offset : channel.offsets()) {
                boolean free = taken.computeIfAbsent(channel.breakNumber(), b -> new HashSet<>())
                        .add(offset);
                assertThat(free).as("%s slot %d", mode.name(), offset).isTrue();
            }
        }
        mode.footprint()
                .forEach((number, slots) -> assertThat(taken.get(number)).hasSize(slots));
    }

    @ParameterizedTest
    @MethodSource("modes")
    void home_and_highlight_lie_inside_the_channel(Mode mode) {
        for (Channel channel : mode.channels()) {
            assertThat(channel.home())
                    .as(channel.key())
                    .isBetween(0L, channel.resolution().max());
            channel.highlight()
                    .ifPresent(h -> assertThat(h)
                            .as(channel.key())
                            .isBetween(0L, channel.resolution().max()));
        }
    }

    @ParameterizedTest
    @MethodSource("modes")
    void functions_and_named_ranges_neither_overlap_nor_leave_their_bounds(Mode mode) {
        for (Channel channel : mode.channels()) {
            long next = 0;
            for (ChannelFunction function : channel.functions()) {
                assertThat(function.from()).as(channel.key()).isEqualTo(next);
                next = function.to() + 1;
                long free = function.from();
                for (NamedRange range : function.ranges()) {
                    assertThat(range.from())
                            .as("%s %s", channel.key(), range.name())
                            .isGreaterThanOrEqualTo(free);
                    assertThat(range.to()).isBetween(range.from(), function.to());
                    free = range.to() + 1;
                }
            }
            assertThat(next).as(channel.key()).isEqualTo(channel.resolution().max() + 1);
        }
    }

    @ParameterizedTest
    @MethodSource("modes")
    void everything_that_gives_light_is_dark_at_home(Mode mode) {
        for (Channel channel : mode.channels()) {
            boolean underAMaster =
                    channel.cell() > 0 && mode.parameter(0, Attribute.DIMMER).isPresent();
            if (channel.attribute().equals(Attribute.DIMMER) && !underAMaster) {
                assertThat(channel.home()).as(mode.name()).isZero();
            }
        }
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void every_wheel_slot_can_be_reached_and_every_attribute_is_declared(Profile profile) {
        assertThat(profile.warnings()).extracting(Problem::words).isEmpty();
        Set<Attribute> declared = new HashSet<>(
                profile.attributes().stream().map(a -> a.attribute()).toList());
        for (Mode mode : profile.modes()) {
            assertThat(declared)
                    .as("virtual dimmers need no declaration")
                    .containsAll(mode.attributes().stream()
                            .filter(a -> !a.equals(Attribute.DIMMER))
                            .toList());
            for (Channel channel : mode.channels()) {
                channel.homeFunction().wheel().ifPresent(name -> {
                    int slots = profile.wheel(name).orElseThrow().slots().size();
                    for (int slot = 1; slot <= slots; slot++) {
                        assertThat(channel.homeFunction().rangeOfSlot(slot))
                                .as("%s slot %d of %s", profile, slot, name)
                                .isPresent();
                    }
                });
            }
        }
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void reading_the_same_text_again_gives_an_equal_profile_and_another_text_another(Profile profile) {
        assertThat(DescriptionReader.read(profile.source())).isEqualTo(profile);
        assertThat(DescriptionReader.read(profile.source().replace("Revisions", "Revisions ")))
                .isNotEqualTo(profile);
    }
}
