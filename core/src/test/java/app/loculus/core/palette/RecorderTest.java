package app.loculus.core.palette;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RecorderTest {

    private static final Attribute RED = new Attribute("ColorAdd_R");

    private static Contribution unit(int number, String type, double red, Chromaticity shown) {
        return new Contribution(
                UnitId.whole(new FixtureId(number)),
                String.valueOf(number),
                new ProfileId(type),
                Map.of(RED, AttributeValue.level(red)),
                Set.of(),
                Optional.ofNullable(shown));
    }

    private static Scope automatic(Kind kind, Contribution... contributions) {
        return Recorder.record(kind, Optional.empty(), List.of(contributions)).scope();
    }

    @Test
    void colour_beam_and_the_like_are_recorded_as_broadly_as_the_values_allow() {
        assertThat(automatic(Kind.COLOUR, unit(1, "a", 0.5, null), unit(2, "b", 0.5, null)))
                .isEqualTo(Scope.GLOBAL);
        assertThat(automatic(Kind.BEAM, unit(1, "a", 0.5, null), unit(2, "a", 0.5, null), unit(3, "b", 0.6, null)))
                .isEqualTo(Scope.PER_TYPE);
        assertThat(automatic(Kind.SHAPE, unit(1, "a", 0.5, null), unit(2, "a", 0.6, null)))
                .isEqualTo(Scope.PER_FIXTURE);
    }

    @ParameterizedTest
    @EnumSource(
            value = Kind.class,
            names = {"INTENSITY", "POSITION"})
    void intensity_and_position_are_recorded_per_fixture(Kind kind) {
        assertThat(automatic(kind, unit(1, "a", 0.5, null), unit(2, "a", 0.5, null)))
                .isEqualTo(Scope.PER_FIXTURE);
    }

    @Test
    void a_scope_that_the_values_do_not_support_is_refused_naming_attribute_and_units() {
        List<Contribution> differing =
                List.of(unit(1, "a", 0.5, null), unit(2, "a", 0.6, null), unit(3, "a", 0.5, null));
        for (Scope scope : List.of(Scope.GLOBAL, Scope.PER_TYPE)) {
            assertThatThrownBy(() -> Recorder.record(Kind.COLOUR, Optional.of(scope), differing))
                    .isInstanceOf(Refusal.class)
                    .hasMessage("ColorAdd_R differs between 1, 2, so it cannot be recorded " + scope.words() + ".");
        }
        assertThat(Recorder.record(Kind.COLOUR, Optional.of(Scope.PER_FIXTURE), differing)
                        .entries())
                .hasSize(3);
    }

    @Test
    void one_entry_serves_all_who_agree() {
        Recorded global = Recorder.record(
                Kind.COLOUR, Optional.empty(), List.of(unit(1, "a", 0.5, null), unit(2, "a", 0.5, null)));
        assertThat(global.entries())
                .singleElement()
                .satisfies(e -> assertThat(e.scope()).isEqualTo(new ScopeKey.Global()));
    }

    @Test
    void the_intent_is_what_all_show_and_nothing_when_they_differ() {
        Chromaticity one = new Chromaticity(.3, .3);
        Chromaticity near = new Chromaticity(.3005, .3003);
        Chromaticity far = new Chromaticity(.4, .3);
        assertThat(Recorder.record(
                                Kind.COLOUR, Optional.empty(), List.of(unit(1, "a", 0.5, one), unit(2, "b", 0.6, near)))
                        .intent())
                .contains(one);
        assertThat(Recorder.record(
                                Kind.COLOUR, Optional.empty(), List.of(unit(1, "a", 0.5, one), unit(2, "b", 0.6, far)))
                        .intent())
                .isEmpty();
        assertThat(Recorder.record(Kind.BEAM, Optional.empty(), List.of(unit(1, "a", 0.5, one)))
                        .intent())
                .isEmpty();
    }
}
