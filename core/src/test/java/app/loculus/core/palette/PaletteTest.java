package app.loculus.core.palette;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
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

    private static Recorded recorded(boolean asked, Chromaticity colour, Entry... entries) {
        return new Recorded(Scope.PER_FIXTURE, "", Optional.of(colour), asked, List.of(entries));
    }

    private static Palette merged(Palette before, Recorded recorded) {
        return Joining.merged(new Patch(Profiles.NONE, List.of()), before, recorded, List.of(), Joining.Intent.AS_FITS);
    }

    private static final Chromaticity STOOD = new Chromaticity(.2, .2);
    private static final Chromaticity FAR = new Chromaticity(.3, .3);
    private static final Chromaticity NEAR = new Chromaticity(.202, .201);

    @Test
    void merging_lets_new_entries_win_and_others_stay() {
        Palette before =
                palette(Optional.empty(), entry(new ScopeKey.Global(), 0.1), entry(new ScopeKey.Unit(ONE), 0.2));
        Palette after = merged(
                before, recorded(false, FAR, entry(new ScopeKey.Unit(ONE), 0.9), entry(new ScopeKey.Unit(TWO), 0.5)));
        assertThat(after.entries()).hasSize(3);
        assertThat(after.entries(new ScopeKey.Unit(ONE)).get(RED).value()).isEqualTo(AttributeValue.level(0.9));
        assertThat(after.entries(new ScopeKey.Global()).get(RED).value()).isEqualTo(AttributeValue.level(0.1));
        assertThat(after.intent()).contains(FAR);
    }

    @Test
    void merging_is_idempotent() {
        Palette before = palette(Optional.of(STOOD), entry(new ScopeKey.Global(), 0.1));
        Recorded more = recorded(false, FAR, entry(new ScopeKey.Unit(ONE), 0.9));
        Palette once = merged(before, more);
        assertThat(merged(once, more)).isEqualTo(once);
    }

    @Test
    void a_type_matched_by_eye_leaves_what_the_palette_stands_for() {
        Palette before = palette(Optional.of(STOOD), entry(new ScopeKey.Global(), 0.1));
        Recorded another = recorded(true, FAR, entry(new ScopeKey.Unit(ONE), 0.9));
        assertThat(merged(before, another).intent()).contains(STOOD);
        assertThat(Joining.merged(new Patch(Profiles.NONE, List.of()), before, another, List.of(), Joining.Intent.NEW)
                        .intent())
                .contains(FAR);
    }

    @Test
    void it_stands_for_the_new_colour_when_none_of_the_old_one_is_left() {
        Palette before = palette(Optional.of(STOOD), entry(new ScopeKey.Global(), 0.1));
        Entry global = entry(new ScopeKey.Global(), 0.9);
        assertThat(merged(before, recorded(true, NEAR, global)).intent())
                .as("asked for")
                .contains(NEAR);
        assertThat(merged(before, recorded(false, FAR, global)).intent())
                .as("far off")
                .contains(FAR);
        assertThat(merged(before, recorded(false, NEAR, global)).intent())
                .as("by eye")
                .contains(STOOD);
        assertThat(Joining.merged(
                                new Patch(Profiles.NONE, List.of()),
                                before,
                                recorded(true, FAR, global),
                                List.of(),
                                Joining.Intent.KEEP)
                        .intent())
                .contains(STOOD);
    }

    @Test
    void a_palette_of_an_intent_alone_goes_on_standing_for_it() {
        Palette before = palette(Optional.of(STOOD));
        assertThat(merged(before, recorded(true, FAR, entry(new ScopeKey.Unit(ONE), 0.9)))
                        .intent())
                .contains(STOOD);
    }

    @Test
    void replacing_leaves_nothing_of_before() {
        Palette after = Joining.replaced(
                palette(Optional.of(STOOD), entry(new ScopeKey.Global(), 0.1)),
                recorded(false, FAR, entry(new ScopeKey.Unit(ONE), 0.9)),
                Joining.Intent.AS_FITS);
        assertThat(after.entries()).hasSize(1);
        assertThat(after.name()).isEqualTo("Test");
        assertThat(after.intent()).contains(FAR);
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
