package app.loculus.app.api.looks;

import app.loculus.app.api.PaletteFace;
import app.loculus.core.edit.effect.TryEffect;
import app.loculus.core.edit.starter.StarterEffects;
import app.loculus.core.effect.Effect;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.palette.Aimed;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.play.Playing;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What an effect looks like on a plan before it is kept, on some of those who can do it.
 *
 * @param lights who, and where they hang
 * @param frames moments of one round, each with one shine for each light
 */
record EffectTrial(List<Light> lights, List<List<Shine>> frames) {

    private static final int MOST_LIGHTS = 24;
    private static final int MOMENTS = 24;
    private static final double MINUTE = 60_000_000;

    /** Metres to the audience's right, and upstage. */
    record Light(String number, double x, double y) {}

    /** @param level 0 to 1; @param colour as screens show it; @param x where the beam lands, null where that is not known */
    record Shine(double level, String colour, Double x, Double y) {}

    static EffectTrial of(Show show, Effect effect) {
        List<UnitId> units = StarterEffects.able(show, effect).stream()
                .filter(u -> show.patch().get(u.fixture()).pose().isPresent())
                .limit(MOST_LIGHTS)
                .toList();
        if (units.isEmpty()) {
            return new EffectTrial(List.of(), List.of());
        }
        // It may be there already under this number.
        Effect alone = effect.as(effect.id(), Optional.empty(), "");
        Outcome tried = new TryEffect(alone, units).apply(show);
        List<List<Shine>> frames = new ArrayList<>();
        for (int i = 0; i < MOMENTS && !tried.refused(); i++) {
            long micros = Math.round(i / (double) MOMENTS * MINUTE / Math.max(.1, effect.rate()));
            Show now = tried.show().playing(List.of(Playing.NOTHING.layer(micros)));
            frames.add(units.stream().map(u -> shine(now, u)).toList());
        }
        return new EffectTrial(units.stream().map(u -> light(show, u)).toList(), frames);
    }

    private static Light light(Show show, UnitId unit) {
        Vector3 at = show.patch().get(unit.fixture()).pose().orElseThrow().place();
        return new Light(show.label(unit), at.x(), at.y());
    }

    private static Shine shine(Show show, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        List<Resolved> channels = show.resolver().resolve(fixture);
        String colour = IntStream.rangeClosed(0, mode.cells())
                .filter(cell -> !mode.colours(cell).none())
                .boxed()
                .findFirst()
                .flatMap(cell ->
                        new ShownColour(mode, cell, c -> channels.get(c).place().dmx()).light())
                .flatMap(l -> l.chromaticity())
                .map(PaletteFace::hex)
                .orElse("#ffe6c0");
        Optional<Vector3> landing = Aimed.reach(mode, 0)
                .flatMap(r -> fixture.pose()
                        .flatMap(p -> p.landing(
                                degrees(mode, channels, Attribute.PAN), degrees(mode, channels, Attribute.TILT))));
        return new Shine(
                show.lights().level(unit),
                colour,
                landing.map(Vector3::x).orElse(null),
                landing.map(Vector3::y).orElse(null));
    }

    private static double degrees(Mode mode, List<Resolved> channels, Attribute attribute) {
        return mode.parameter(0, attribute)
                .map(p -> channels.get(p.channel()).place())
                .map(place -> place.function().physicalOf(place.fraction()))
                .orElse(0.0);
    }
}
