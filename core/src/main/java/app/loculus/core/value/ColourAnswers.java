package app.loculus.core.value;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.WheelMatcher;
import app.loculus.core.profile.AdditiveSystem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ColourSystems;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.WheelSystem;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Works out how modes show colours and remembers the answers. Safe to share between threads.
 *
 * <p>Mixing comes first; wheels are closed unless a slot of one comes nearer than the mix by more than 0.004 in u′v′. Of
 * several mixing systems the nearest is used, or the brightest of those within 0.002. Nearness is that of the light that
 * comes out: after rounding to slots, with mode channels where they would stand.
 */
public final class ColourAnswers {

    private static final double WHEEL_GAIN = 0.004;

    /** Below what anybody sees, so that more light counts more. */
    private static final double AS_GOOD = 0.002;

    /** Differences closer than this are a tie. */
    private static final double TIE = 1e-9;

    /** More than any show asks for at once; beyond it the memory starts afresh. */
    private static final int MOST_REMEMBERED = 20_000;

    private static final List<Attribute> FLAGS =
            List.of(new Attribute("ColorSub_C"), new Attribute("ColorSub_M"), new Attribute("ColorSub_Y"));

    private record Question(Mode mode, int cell, Chromaticity target) {

        Parameter parameter(Attribute attribute) {
            return mode.parameter(cell, attribute).orElseThrow();
        }

        AttributeValue home(Attribute attribute) {
            return AttributeValue.home(mode, parameter(attribute));
        }

        AttributeValue lit(Attribute attribute, double light) {
            Parameter p = parameter(attribute);
            return AttributeValue.of(mode, p, FunctionValue.lit(p.function(), light));
        }
    }

    /** A way to show the colour, and the light that comes out. */
    private record Way(Map<Attribute, AttributeValue> values, Tristimulus light, double off, String words) {}

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
        List<Way> mixes = mixes(question, systems);
        Optional<Way> mix = brightestOfNearest(mixes);
        Optional<Way> slot = slots(question, systems).stream()
                .min(Comparator.comparingDouble((Way w) -> Math.rint(w.off() / TIE))
                        .thenComparing(w -> -Math.rint(w.light().y() / TIE)));
        boolean bySlot = slot.isPresent()
                && (mix.isEmpty() || slot.get().off() < mix.get().off() - WHEEL_GAIN);
        return (bySlot ? slot : mix).map(way -> answer(question, systems, way));
    }

    private static Optional<Way> brightestOfNearest(List<Way> mixes) {
        double nearest = mixes.stream().mapToDouble(Way::off).min().orElse(0);
        return mixes.stream()
                .filter(w -> w.off() <= Math.max(AS_GOOD, nearest))
                .max(Comparator.comparingDouble(w -> w.light().y()));
    }

    private static List<Way> mixes(Question question, ColourSystems systems) {
        List<Way> found = new ArrayList<>();
        for (AdditiveSystem system : systems.additive()) {
            found.add(mix(
                    question,
                    system.attributes(),
                    system.mixer().levelsFor(question.target).levels()));
        }
        systems.subtractive()
                .ifPresent(s -> found.add(
                        mix(question, FLAGS, s.levelsFor(question.target).levels())));
        return found;
    }

    private static Way mix(Question question, List<Attribute> attributes, List<Double> levels) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        for (int i = 0; i < attributes.size(); i++) {
            values.put(attributes.get(i), question.lit(attributes.get(i), levels.get(i)));
        }
        return way(question, values, "computed mix");
    }

    /** The nearest slot of each wheel, with the mix open. */
    private static List<Way> slots(Question question, ColourSystems systems) {
        Map<Attribute, AttributeValue> open = new LinkedHashMap<>();
        systems.subtractive().ifPresent(s -> FLAGS.forEach(f -> open.put(f, question.lit(f, 0))));
        systems.additive().forEach(s -> s.attributes().forEach(a -> open.put(a, question.home(a))));
        List<Way> found = new ArrayList<>();
        for (WheelSystem wheel : systems.wheels()) {
            WheelMatcher.nearest(wheel.slots(), question.target).ifPresent(slot -> {
                Map<Attribute, AttributeValue> values = new LinkedHashMap<>(open);
                values.put(wheel.attribute(), standing(question, wheel, slot.number()));
                found.add(way(question, values, "slot " + slot.number() + " “" + slot.name() + "”"));
            });
        }
        return found;
    }

    /** By the name of its range, where that leads there; else by what is sent. */
    private static AttributeValue standing(Question question, WheelSystem wheel, int slot) {
        NamedRange range = wheel.function().rangeOfSlot(slot).orElseThrow();
        Parameter parameter = question.parameter(wheel.attribute());
        AttributeValue named = new AttributeValue.Named(range.name());
        return named.in(question.mode, parameter)
                        .filter(place -> place.dmx() == range.middle())
                        .isPresent()
                ? named
                : AttributeValue.sent(question.mode.channelOf(parameter), range.middle());
    }

    private static Way way(Question question, Map<Attribute, AttributeValue> values, String words) {
        Tristimulus light = light(question, values);
        double off = light.chromaticity()
                .map(c -> c.differenceTo(question.target).deltaUv())
                .orElse(Double.POSITIVE_INFINITY);
        return new Way(values, light, off, words);
    }

    private static Tristimulus light(Question question, Map<Attribute, AttributeValue> values) {
        Sent sent = Sent.overHome(question.mode, question.cell, values);
        closings(question, question.mode.colours(question.cell), values).forEach(sent::set);
        sent.masters().forEach(sent::set);
        return new ShownColour(question.mode, question.cell, sent::at).light().orElse(Tristimulus.DARK);
    }

    /** Wheels and temperature that stay out of it. */
    private static Map<Attribute, AttributeValue> closings(
            Question question, ColourSystems systems, Map<Attribute, AttributeValue> values) {
        Map<Attribute, AttributeValue> closings = new LinkedHashMap<>();
        systems.wheels().stream()
                .map(WheelSystem::attribute)
                .filter(a -> !values.containsKey(a))
                .forEach(a -> closings.put(a, question.home(a)));
        question.mode.parameters(question.cell).keySet().stream()
                .filter(Attribute::isColourCorrection)
                .forEach(a -> closings.put(a, question.home(a)));
        return closings;
    }

    private static ColourAnswer answer(Question question, ColourSystems systems, Way way) {
        Chromaticity shown = way.light().chromaticity().orElse(Chromaticity.D65);
        return new ColourAnswer(
                way.values(),
                closings(question, systems, way.values()),
                shown,
                ColourDifference.between(way.light(), question.target),
                way.words());
    }

    /** Cyan, magenta and yellow, in the order in which mixers count them. */
    static List<Attribute> flags() {
        return FLAGS;
    }
}
