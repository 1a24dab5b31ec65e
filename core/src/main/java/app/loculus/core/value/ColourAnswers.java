package app.loculus.core.value;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Mix;
import app.loculus.core.colour.WheelMatcher;
import app.loculus.core.profile.AdditiveSystem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ColourSystems;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.WheelSystem;
import app.loculus.core.unit.Fraction;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Works out how modes show colours and remembers the answers. Safe to share between threads.
 *
 * <p>Mixing comes first; a wheel is closed unless one of its slots comes nearer than the mix by more than 0.004 in
 * u′v′. Of several mixing systems the nearest is used, the brighter one when they tie.
 */
public final class ColourAnswers {

    private static final double WHEEL_GAIN = 0.004;

    /** More than any show asks for at once; beyond it the memory starts afresh. */
    private static final int MOST_REMEMBERED = 20_000;

    private static final List<Attribute> FLAGS =
            List.of(new Attribute("ColorSub_C"), new Attribute("ColorSub_M"), new Attribute("ColorSub_Y"));

    private record Question(Mode mode, int cell, Chromaticity target) {}

    private final Map<Question, Optional<ColourAnswer>> remembered = new ConcurrentHashMap<>();

    /** Empty when the cell has no means of making a colour. */
    public Optional<ColourAnswer> answer(Mode mode, int cell, Chromaticity target) {
        if (remembered.size() > MOST_REMEMBERED) {
            remembered.clear();
        }
        return remembered.computeIfAbsent(new Question(mode, cell, target), ColourAnswers::work);
    }

    private static Optional<ColourAnswer> work(Question question) {
        ColourSystems systems = question.mode.colours(question.cell);
        Optional<ColourAnswer> mix = mixes(systems, question.target).stream().reduce(ColourAnswers::better);
        Optional<WheelMatcher.Slot> slot =
                systems.wheel().flatMap(w -> WheelMatcher.nearest(w.slots(), question.target));
        if (slot.isEmpty()) {
            return mix;
        }
        WheelSystem wheel = systems.wheel().orElseThrow();
        ColourAnswer bySlot = bySlot(question, wheel, slot.get());
        boolean nearer = mix.isEmpty()
                || bySlot.difference().deltaUv() < mix.get().difference().deltaUv() - WHEEL_GAIN;
        return Optional.of(nearer ? bySlot : closed(mix.get(), question, wheel));
    }

    private static List<ColourAnswer> mixes(ColourSystems systems, Chromaticity target) {
        List<ColourAnswer> found = new ArrayList<>();
        for (AdditiveSystem system : systems.additive()) {
            found.add(answer(system.attributes(), system.mixer().levelsFor(target), target));
        }
        systems.subtractive().map(s -> s.levelsFor(target)).ifPresent(mix -> found.add(answer(FLAGS, mix, target)));
        return found;
    }

    private static ColourAnswer answer(List<Attribute> attributes, Mix mix, Chromaticity target) {
        Map<Attribute, Fraction> levels = new LinkedHashMap<>();
        for (int i = 0; i < attributes.size(); i++) {
            levels.put(attributes.get(i), Fraction.clamp(mix.levels().get(i)));
        }
        Chromaticity shown = mix.light().chromaticity().orElse(Chromaticity.D65);
        return new ColourAnswer(levels, shown, shown.differenceTo(target), "computed mix");
    }

    private static ColourAnswer better(ColourAnswer one, ColourAnswer other) {
        return other.difference().deltaUv() < one.difference().deltaUv() - 1e-9 ? other : one;
    }

    private static ColourAnswer bySlot(Question question, WheelSystem wheel, WheelMatcher.Slot slot) {
        Map<Attribute, Fraction> levels = new LinkedHashMap<>();
        question.mode
                .colours(question.cell)
                .subtractive()
                .ifPresent(s -> FLAGS.forEach(f -> levels.put(f, Fraction.ZERO)));
        for (AdditiveSystem system : question.mode.colours(question.cell).additive()) {
            system.attributes().forEach(a -> levels.put(a, home(question, a)));
        }
        Parameter parameter = parameter(question, wheel.attribute());
        long middle =
                parameter.function().rangeOfSlot(slot.number()).orElseThrow().middle();
        levels.put(wheel.attribute(), parameter.function().fractionOfDmx(middle));
        Chromaticity shown = slot.light().chromaticity().orElse(Chromaticity.D65);
        ColourDifference difference = shown.differenceTo(question.target);
        return new ColourAnswer(levels, shown, difference, "slot " + slot.number() + " “" + slot.name() + "”");
    }

    private static ColourAnswer closed(ColourAnswer mix, Question question, WheelSystem wheel) {
        Map<Attribute, Fraction> levels = new LinkedHashMap<>(mix.levels());
        levels.put(wheel.attribute(), home(question, wheel.attribute()));
        return new ColourAnswer(levels, mix.shown(), mix.difference(), mix.way());
    }

    private static Fraction home(Question question, Attribute attribute) {
        return parameter(question, attribute).function().homeFraction();
    }

    private static Parameter parameter(Question question, Attribute attribute) {
        return question.mode.parameter(question.cell, attribute).orElseThrow();
    }

    /** Cyan, magenta and yellow, in the order in which mixers count them. */
    static List<Attribute> flags() {
        return FLAGS;
    }
}
