package app.loculus.core.palette;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RecorderTest {

    private static final Attribute RED = new Attribute("ColorAdd_R");
    private final Show show = Rig.everyKind();

    /** All emitters at one level, and the wash's white where it has one. */
    private Contribution unit(int number, double level, double white, Chromaticity shown) {
        Fixture fixture = show.patch().number(number);
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        show.patch().modeOf(fixture).parameters(0).keySet().stream()
                .filter(Attribute::isMix)
                .forEach(a -> values.put(a, AttributeValue.level(a.name().endsWith("W") ? white : level)));
        return contribution(fixture, values, shown);
    }

    private static Contribution contribution(
            Fixture fixture, Map<Attribute, AttributeValue> values, Chromaticity shown) {
        return new Contribution(
                UnitId.whole(fixture.id()),
                String.valueOf(fixture.number()),
                fixture.profile(),
                fixture.mode(),
                Map.of(),
                values,
                Set.of(),
                Map.of(),
                Optional.empty(),
                Optional.ofNullable(shown));
    }

    private Recorded record(Kind kind, Optional<Scope> asked, Contribution... contributions) {
        return record(kind, asked, List.of(contributions));
    }

    private Recorded record(Kind kind, Optional<Scope> asked, List<Contribution> contributions) {
        Palette none = new Palette(new PaletteId(1), kind, 1, "Test", Optional.empty(), List.of());
        return new Recorder(show.patch(), Shelf.EMPTY, new ColourAnswers(), kind, contributions, Optional.empty())
                .record(asked, r -> Joining.replaced(none, r, Joining.Intent.AS_FITS));
    }

    private Scope automatic(Contribution... contributions) {
        return record(Kind.COLOUR, Optional.empty(), contributions).scope();
    }

    @Test
    void colours_are_recorded_as_broadly_as_the_values_allow() {
        assertThat(automatic(unit(21, 0.5, 0, null), unit(22, 0.5, 0, null))).isEqualTo(Scope.GLOBAL);
        assertThat(automatic(unit(11, 0.5, 0, null), unit(12, 0.5, 0, null), unit(21, 0.6, 0, null)))
                .isEqualTo(Scope.PER_TYPE);
        assertThat(automatic(unit(21, 0.5, 0, null), unit(22, 0.6, 0, null))).isEqualTo(Scope.PER_FIXTURE);
    }

    @Test
    void unlike_mixes_that_agree_are_per_type_because_neither_would_follow_the_whole() {
        Recorded both = record(Kind.COLOUR, Optional.empty(), unit(11, 0.5, 0.6, null), unit(21, 0.5, 0, null));
        assertThat(both.scope()).isEqualTo(Scope.PER_TYPE);
        assertThat(both.reason()).isEqualTo("global would change 21");
        assertThat(automatic(unit(21, 0.5, 0, null), unit(31, 0.5, 0, null))).isEqualTo(Scope.PER_TYPE);
        assertThatThrownBy(() -> record(
                        Kind.COLOUR, Optional.of(Scope.GLOBAL), unit(11, 0.5, 0.6, null), unit(21, 0.5, 0, null)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("would not give 21 the same again");
    }

    @ParameterizedTest
    @EnumSource(
            value = Kind.class,
            names = {"INTENSITY", "POSITION"})
    void intensity_and_position_are_recorded_per_fixture(Kind kind) {
        Attribute attribute = kind == Kind.INTENSITY ? Attribute.DIMMER : Attribute.PAN;
        List<Contribution> all = List.of(11, 12).stream()
                .map(n -> contribution(show.patch().number(n), Map.of(attribute, AttributeValue.level(0.5)), null))
                .map(c -> new Contribution(
                        c.unit(),
                        c.label(),
                        c.type(),
                        c.mode(),
                        Map.of(attribute, kind),
                        c.values(),
                        Set.of(),
                        Map.of(),
                        Optional.empty(),
                        Optional.empty()))
                .toList();
        assertThat(record(kind, Optional.empty(), all).scope()).isEqualTo(Scope.PER_FIXTURE);
    }

    @Test
    void a_scope_that_the_values_do_not_support_is_refused_naming_attribute_and_units() {
        Contribution[] differing = {unit(21, 0.5, 0, null), unit(22, 0.6, 0, null), unit(23, 0.5, 0, null)};
        for (Scope scope : List.of(Scope.GLOBAL, Scope.PER_TYPE)) {
            assertThatThrownBy(() -> record(Kind.COLOUR, Optional.of(scope), differing))
                    .isInstanceOf(Refusal.class)
                    .hasMessageContaining(
                            "ColorAdd_R differs between 21, 22, so it cannot be recorded " + scope.words() + ".");
        }
        assertThat(record(Kind.COLOUR, Optional.of(Scope.PER_FIXTURE), differing)
                        .entries())
                .hasSize(9);
    }

    @Test
    void one_entry_serves_all_who_agree() {
        Recorded global = record(Kind.COLOUR, Optional.empty(), unit(21, 0.5, 0, null), unit(22, 0.5, 0, null));
        assertThat(global.entries()).hasSize(3).allMatch(e -> e.scope().equals(new ScopeKey.Global()));
        assertThat(global.entries()).filteredOn(e -> e.attribute().equals(RED)).hasSize(1);
    }

    @Test
    void the_intent_is_what_all_show_and_nothing_when_they_differ() {
        Chromaticity one = new Chromaticity(.3, .3);
        Chromaticity near = new Chromaticity(.3005, .3003);
        Chromaticity far = new Chromaticity(.4, .3);
        assertThat(record(Kind.COLOUR, Optional.empty(), unit(21, 0.5, 0, one), unit(22, 0.6, 0, near))
                        .intent())
                .contains(one);
        assertThat(record(Kind.COLOUR, Optional.empty(), unit(21, 0.5, 0, one), unit(22, 0.6, 0, far))
                        .intent())
                .isEmpty();
        assertThat(record(Kind.BEAM, Optional.empty(), unit(21, 0.5, 0, one)).intent())
                .isEmpty();
    }
}
