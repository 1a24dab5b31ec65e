package app.loculus.app.api.looks;

import app.loculus.app.api.PaletteFace;
import app.loculus.core.desk.EffectSteps;
import app.loculus.core.edit.effect.EffectWords;
import app.loculus.core.effect.Along;
import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.look.Look;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * An effect.
 *
 * @param number 0 for one that is set and not recorded
 * @param words what it does; @param line as the line writes it
 * @param rate rounds a minute
 * @param turns rounds it has turned now
 * @param used whether it moves those in the steps; else it would lay itself so over those in hand
 * @param steps at most 200 of them
 * @param able how many of those in hand have something of it; @param held how many are in hand
 * @param reach all, some or none of those in hand
 * @param dark how many in the steps give no light, and get none by it
 * @param units how many it moves by working values
 * @param looks what holds looks that use it, in words; the first six
 * @param moreLooks how many more
 */
record EffectView(
        int id,
        int number,
        String name,
        String words,
        String line,
        double rate,
        double turns,
        List<MovementView> movements,
        AlongView along,
        boolean used,
        List<StepView> steps,
        int able,
        int held,
        String reach,
        int dark,
        int units,
        List<String> looks,
        int moreLooks) {

    private static final int MOST_STEPS = 200;
    private static final int MOST_LOOKS = 6;
    private static final int SAMPLES = 96;

    /** @param units labels; @param offset in rounds */
    record StepView(List<String> units, double offset) {}

    /** @param way alike, spread or round; @param stops in shares of a round */
    record AlongView(
            String way, List<Double> stops, int times, int blocks, boolean mirrored, boolean backwards, String words) {}

    /** @param swatch empty where it shows no colour */
    record PaletteSpot(String kind, int number, String name, String swatch) {}

    /**
     * One thing that it does.
     *
     * @param kind wave, shape or run
     * @param form of a wave or a shape, in lower case
     * @param what the attribute as people call it; empty for what palettes give
     * @param between whether a wave goes between values; else around what lies below
     * @param low its ends, in unit; null where palettes are gone between
     * @param size from end to end, in unit; null where there is none in numbers
     * @param unit %, ° or m
     * @param duty and crossfade in percent
     * @param mark that a shape goes around, empty for what lies below
     * @param palettes that are gone through, or between
     * @param curve of a wave over one round, −1 to 1; of a random one at the first units
     * @param path of a shape over one round: across and along, −1 to 1
     */
    record MovementView(
            String kind,
            String form,
            String what,
            String words,
            boolean between,
            Double low,
            Double high,
            Double size,
            String unit,
            double duty,
            int seed,
            double crossfade,
            double turned,
            String mark,
            List<PaletteSpot> palettes,
            List<Double> curve,
            List<List<Double>> path) {}

    static EffectView of(Show show, Effect effect, Beats beats) {
        EffectSteps steps = EffectSteps.of(show, effect);
        List<Look> looks = EffectUsers.looks(show, effect.id());
        return new EffectView(
                effect.id().value(),
                effect.number().orElse(0),
                effect.name(),
                EffectWords.of(show, effect),
                EffectWords.line(show, effect),
                effect.rate(),
                beats.turns(effect.along(Along.ALIKE), first(effect.id()), 0),
                effect.movements().stream().map(m -> movement(show, m)).toList(),
                along(effect.along()),
                steps.used(),
                steps.steps().stream()
                        .limit(MOST_STEPS)
                        .map(s -> new StepView(s.units(), s.offset()))
                        .toList(),
                steps.able(),
                steps.held(),
                steps.able() == 0 ? "none" : steps.able() == steps.held() ? "all" : "some",
                steps.dark(),
                EffectUsers.units(show, effect.id()).size(),
                looks.stream()
                        .limit(MOST_LOOKS)
                        .map(l -> LookHolders.words(show, l))
                        .toList(),
                Math.max(0, looks.size() - MOST_LOOKS));
    }

    private static Use first(EffectId effect) {
        return new Use(effect, 0, 1, Optional.empty(), Optional.empty());
    }

    private static AlongView along(Along a) {
        return new AlongView(
                a.way().name().toLowerCase(Locale.ROOT),
                a.stops(),
                a.times(),
                a.blocks(),
                a.mirrored(),
                a.backwards(),
                a.words());
    }

    private static MovementView movement(Show show, Movement movement) {
        if (movement instanceof Movement.Wave w) {
            return wave(show, w);
        }
        if (movement instanceof Movement.Shape s) {
            return new MovementView(
                    "shape",
                    s.figure().word(),
                    "pan and tilt",
                    EffectWords.of(show, s),
                    false,
                    null,
                    null,
                    s.size(),
                    s.around().isPresent() ? "m" : "°",
                    50,
                    1,
                    0,
                    s.turned(),
                    s.around().flatMap(show::mark).map(Mark::name).orElse(""),
                    List.of(),
                    List.of(),
                    IntStream.rangeClosed(0, SAMPLES)
                            .mapToObj(i -> i / (double) SAMPLES)
                            .map(p -> List.of(s.across(p), s.along(p)))
                            .toList());
        }
        Movement.Run r = (Movement.Run) movement;
        return new MovementView(
                "run",
                "",
                "",
                EffectWords.of(show, r),
                true,
                null,
                null,
                null,
                "",
                50,
                1,
                r.crossfade().value() * 100,
                0,
                "",
                palettes(show, r.palettes()),
                List.of(),
                List.of());
    }

    private static MovementView wave(Show show, Movement.Wave w) {
        Double low = null;
        Double high = null;
        boolean degrees = w.span() instanceof Span.Around a && a.degrees();
        if (w.span() instanceof Span.Between b) {
            low = number(b.low());
            high = number(b.high());
            degrees = b.low() instanceof AttributeValue.Physical;
        }
        Double size = w.span() instanceof Span.Around a
                ? Double.valueOf(a.size())
                : low == null || high == null ? null : Double.valueOf(Math.abs(high - low));
        return new MovementView(
                "wave",
                w.form().word(),
                w.attribute().map(a -> EffectWords.pretty(show, a)).orElse(""),
                EffectWords.of(show, w),
                w.span() instanceof Span.Between,
                low,
                high,
                size,
                degrees ? "°" : "%",
                w.duty().value() * 100,
                w.seed(),
                0,
                0,
                "",
                palettes(show, w.palettes()),
                IntStream.rangeClosed(0, SAMPLES)
                        .mapToObj(i -> w.at(at(w, i), w.form() == Form.RANDOM ? i / 8 + 1 : 1, 0))
                        .toList(),
                List.of());
    }

    /** The end of the round still belongs to it. */
    private static double at(Movement.Wave w, int sample) {
        double phase = sample / (double) SAMPLES;
        return sample == SAMPLES ? Math.nextDown(1.0) : phase;
    }

    private static Double number(AttributeValue value) {
        return value instanceof AttributeValue.Level l
                ? Double.valueOf(l.fraction().value() * 100)
                : value instanceof AttributeValue.Physical p ? Double.valueOf(p.value()) : null;
    }

    private static List<PaletteSpot> palettes(Show show, List<PaletteId> ids) {
        return ids.stream()
                .flatMap(p -> show.palette(p).stream())
                .map(p -> spot(show, p))
                .toList();
    }

    private static PaletteSpot spot(Show show, Palette p) {
        List<String> colours = PaletteFace.of(show, p).colours();
        return new PaletteSpot(p.kind().word(), p.number(), p.name(), colours.isEmpty() ? "" : colours.get(0));
    }
}
