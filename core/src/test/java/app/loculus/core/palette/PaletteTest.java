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
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PaletteTest {

    private static final Attribute RED = new Attribute("ColorAdd_R");
    private static final UnitId ONE = UnitId.whole(new FixtureId(1));
    private static final UnitId TWO = UnitId.whole(new FixtureId(2));

    private static Entry entry(ScopeKey scope, double level) {
        return new Entry(scope, RED, AttributeValue.level(level), false);
    }

    private static Palette palette(Optional<Chromaticity> intent, Entry... entries) {
        return new Palette(new PaletteId(1), Kind.COLOUR, 7, "Test", intent, List.of(entries));
    }

    private static Recorded recorded(Entry... entries) {
        return new Recorded(Scope.PER_FIXTURE, Optional.of(new Chromaticity(.3, .3)), List.of(entries));
    }

    @Test
    void merging_lets_new_entries_win_and_others_stay() {
        Palette before =
                palette(Optional.empty(), entry(new ScopeKey.Global(), 0.1), entry(new ScopeKey.Unit(ONE), 0.2));
        Palette after = before.merged(recorded(entry(new ScopeKey.Unit(ONE), 0.9), entry(new ScopeKey.Unit(TWO), 0.5)));
        assertThat(after.entries()).hasSize(3);
        assertThat(after.entries(new ScopeKey.Unit(ONE)).get(RED).value()).isEqualTo(AttributeValue.level(0.9));
        assertThat(after.entries(new ScopeKey.Global()).get(RED).value()).isEqualTo(AttributeValue.level(0.1));
        assertThat(after.intent()).contains(new Chromaticity(.3, .3));
    }

    @Test
    void merging_keeps_what_the_palette_stood_for() {
        Chromaticity intent = new Chromaticity(.2, .2);
        assertThat(palette(Optional.of(intent)).merged(recorded()).intent()).contains(intent);
        assertThat(palette(Optional.of(intent)).replaced(recorded()).intent()).contains(new Chromaticity(.3, .3));
    }

    @Test
    void replacing_leaves_nothing_of_before() {
        Palette after = palette(Optional.empty(), entry(new ScopeKey.Global(), 0.1))
                .replaced(recorded(entry(new ScopeKey.Unit(ONE), 0.9)));
        assertThat(after.entries()).hasSize(1);
        assertThat(after.name()).isEqualTo("Test");
    }

    @Test
    void scope_is_the_narrowest_it_has() {
        Palette mixed = palette(
                Optional.empty(), entry(new ScopeKey.Global(), 0.1), entry(new ScopeKey.Type(new ProfileId("a")), 0.2));
        assertThat(mixed.narrowest()).isEqualTo(Scope.PER_TYPE);
        assertThat(mixed.mixedScopes()).isTrue();
        assertThat(palette(Optional.empty()).narrowest()).isEqualTo(Scope.GLOBAL);
    }

    @Test
    void numbers_run_from_1_to_9999() {
        assertThatThrownBy(() -> new Palette(new PaletteId(1), Kind.BEAM, 0, "x", Optional.empty(), List.of()))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Palette(new PaletteId(1), Kind.BEAM, 10_000, "x", Optional.empty(), List.of()))
                .isInstanceOf(Refusal.class);
    }
}
