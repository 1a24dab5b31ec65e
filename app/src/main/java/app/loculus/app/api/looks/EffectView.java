package app.loculus.app.api.looks;

import app.loculus.app.api.PaletteFace;
import app.loculus.core.desk.EffectSteps;
import app.loculus.core.edit.effect.EffectFinder;
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
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * An effect.
 *
 * @param number 0 for one that is set and not recorded
 * @param words what it does; @param line as the line writes it
 * @param rate cycles a minute
 * @param reached whether the line can change it: by its number, or because it moves the selected
 * @param used whether it moves those in the steps; else it would lay itself so over the selected
 * @param steps those that are drawn: at most 100, evenly taken of all there are
 * @param allSteps how many there are; @param allUnits how many units they are
 * @param ownSteps how many of all turn at a rate or go to a size of their own
 * @param able how many of the selected have something of it; @param held how many are selected
 * @param reach all, some or none of the selected
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
        List<MovementView> movements,
        AlongView along,
        boolean reached,
        boolean used,
        List<StepView> steps,
        int allSteps,
        int allUnits,
        int ownSteps,
        int able,
        int held,
        String reach,
        int dark,
        int units,
        List<String> looks,
        int moreLooks) {

    private static final int MOST_STEPS = 100;
    private static final int MOST_LOOKS = 6;
    private static final int SAMPLES = 96;

    /** Rounds told ahead of what moves by chance. */
    private static final int CHANCES = 24;

    /**
     * One step, or one unit of it where something moves by chance.
     *
     * @param units labels; @param offset in rounds
     * @param rate it turns at there; @param turns how far it has turned there, without the offset
     * @param size in place of its own, in its unit; null where it has its own
     */
    record StepView(List<String> units, double offset, double rate, double turns, Double size) {}

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
     * @param word the attribute as the line writes it, as far as there is one
     * @param between whether a wave goes between values; else relative to what lies below
     * @param low its ends, in unit; null where palettes are gone between
     * @param size from end to end, in unit; null where there is none in numbers
     * @param unit %, ° or m
     * @param duty and crossfade in percent
     * @param mark that a shape goes around, empty for what lies below
     * @param palettes that are gone through, or between
     * @param curve of a wave over one round, −1 to 1; of a random one at the first units
     * @param path of a shape over one round: across and along, −1 to 1
     * @param chances of a random wave: for each step its values, −1 to 1, in the rounds from the one it is in now
     */
    record MovementView(
            String kind,
            String form,
            String what,
            String word,
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
            List<List<Double>> path,
            List<List<Double>> chances) {}

    static EffectView of(Show show, Effect effect, Beats beats) {
        EffectSteps steps = EffectSteps.of(show, effect);
        List<EffectSteps.At> dots = thinned(dots(effect, steps));
        List<Look> looks = EffectUsers.looks(show, effect.id());
        return new EffectView(
                effect.id().value(),
                effect.number().orElse(0),
                effect.name(),
                EffectWords.of(show, effect),
                EffectWords.line(show, effect),
                effect.rate(),
                effect.movements().stream()
                        .map(m -> movement(show, m, chances(effect, m, dots, beats)))
                        .toList(),
                along(effect.along()),
                effect.number().isPresent() || EffectFinder.meant(show, effect),
                steps.used(),
                dots.stream().map(at -> step(show, effect, at, beats)).toList(),
                steps.steps().size(),
                steps.steps().stream().mapToInt(at -> at.units().size()).sum(),
                (int) steps.steps().stream().filter(at -> own(at.use())).count(),
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

    /** Who moves by chance has a value of its own, so each unit is one. */
    private static List<EffectSteps.At> dots(Effect effect, EffectSteps steps) {
        boolean chance = effect.movements().stream().anyMatch(EffectView::random);
        return chance
                ? steps.steps().stream()
                        .flatMap(at ->
                                at.units().stream().map(u -> new EffectSteps.At(List.of(u), at.use(), at.offset())))
                        .toList()
                : steps.steps();
    }

    private static boolean own(Use use) {
        return use.rate().isPresent() || use.size().isPresent();
    }

    /** No more than can be drawn, from the first to the last. */
    private static <T> List<T> thinned(List<T> all) {
        return all.size() <= MOST_STEPS
                ? all
                : IntStream.range(0, MOST_STEPS)
                        .mapToObj(i -> all.get((int) ((long) i * all.size() / MOST_STEPS)))
                        .toList();
    }

    /** As exact as it can be drawn. */
    private static double drawn(double value) {
        return Math.round(value * 1e4) / 1e4;
    }

    private static boolean random(Movement movement) {
        return movement instanceof Movement.Wave w && w.form() == Form.RANDOM;
    }

    private static StepView step(Show show, Effect effect, EffectSteps.At at, Beats beats) {
        return new StepView(
                at.units().stream().map(show::label).toList(),
                at.offset(),
                at.use().rate().orElse(effect.rate()),
                beats.turns(effect, at.use(), 0) - at.offset(),
                at.use().size().orElse(null));
    }

    private static List<List<Double>> chances(
            Effect effect, Movement movement, List<EffectSteps.At> dots, Beats beats) {
        if (!random(movement)) {
            return List.of();
        }
        Movement.Wave wave = (Movement.Wave) movement;
        return dots.stream()
                .map(at -> {
                    UnitId unit = at.units().get(0);
                    double from = Math.floor(beats.turns(effect, at.use(), 0));
                    return IntStream.range(0, CHANCES)
                            .mapToObj(
                                    i -> drawn(wave.at(from + i, unit.fixture().value(), unit.cell())))
                            .toList();
                })
                .toList();
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

    private static MovementView movement(Show show, Movement movement, List<List<Double>> chances) {
        if (movement instanceof Movement.Wave w) {
            return wave(show, w, chances);
        }
        if (movement instanceof Movement.Shape s) {
            return new MovementView(
                    "shape",
                    s.figure().word(),
                    "pan and tilt",
                    "",
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
                            .map(p -> List.of(drawn(s.across(p)), drawn(s.along(p))))
                            .toList(),
                    List.of());
        }
        Movement.Run r = (Movement.Run) movement;
        return new MovementView(
                "run",
                "",
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
                List.of(),
                List.of());
    }

    private static MovementView wave(Show show, Movement.Wave w, List<List<Double>> chances) {
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
                w.attribute().map(Attribute::name).orElse(""),
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
                        .mapToObj(i -> drawn(w.at(at(w, i), w.form() == Form.RANDOM ? i / 8 + 1 : 1, 0)))
                        .toList(),
                List.of(),
                chances);
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
