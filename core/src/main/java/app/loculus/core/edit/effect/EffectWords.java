package app.loculus.core.edit.effect;

import app.loculus.core.edit.palette.ValueWords;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Palette;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.AttributeValue;
import java.util.stream.Collectors;

/** Effects in words. */
public final class EffectWords {

    private EffectWords() {}

    /** {@code sine of Dimmer between 20 % and 80 %, 30 a minute, offset round}. */
    public static String of(Show show, Effect effect) {
        if (effect.movements().isEmpty()) {
            return "nothing any more: what it went through is gone";
        }
        return effect.movements().stream().map(m -> of(show, m)).collect(Collectors.joining(" and ")) + ", "
                + Decimal.text(effect.rate(), 2) + " a minute, "
                + effect.along().words();
    }

    /** What it moves: attributes, pan and tilt, what palettes give. */
    public static String what(Show show, Effect effect) {
        return effect.movements().stream()
                .map(m -> m instanceof Movement.Wave w && w.attribute().isPresent()
                        ? pretty(show, w.attribute().get())
                        : m instanceof Movement.Shape
                                ? "pan and tilt"
                                : "what "
                                        + m.palettes().stream()
                                                .limit(2)
                                                .flatMap(p -> show.palette(p).stream())
                                                .map(Palette::toString)
                                                .collect(Collectors.joining(" and "))
                                        + " give")
                .distinct()
                .collect(Collectors.joining(", "));
    }

    public static String of(Show show, Movement movement) {
        if (movement instanceof Movement.Wave wave) {
            return wave.form().word() + " of "
                    + wave.attribute().map(a -> pretty(show, a)).orElse("what they give") + " " + of(show, wave.span())
                    + (wave.form() == Form.SQUARE && wave.duty().value() != .5 ? ", duty " + wave.duty() : "")
                    + (wave.form() == Form.RANDOM ? ", seed " + wave.seed() : "");
        }
        if (movement instanceof Movement.Shape shape) {
            return shape.figure().word() + " of "
                    + Decimal.text(shape.size(), 2) + (shape.around().isPresent() ? " m" : "°")
                    + shape.around()
                            .flatMap(show::mark)
                            .map(Mark::toString)
                            .map(m -> " around " + m)
                            .orElse(" relative to the position below")
                    + (shape.turned() == 0 ? "" : ", turned by " + Decimal.text(shape.turned(), 1) + "°");
        }
        Movement.Run run = (Movement.Run) movement;
        return "run through "
                + run.palettes().stream()
                        .flatMap(p -> show.palette(p).stream())
                        .map(Palette::toString)
                        .collect(Collectors.joining(", "))
                + ", crossfade " + run.crossfade();
    }

    private static String of(Show show, Span span) {
        if (span instanceof Span.Between between) {
            return "between " + value(show, between.low()) + " and " + value(show, between.high());
        }
        Span.Around around = (Span.Around) span;
        return "by " + Decimal.text(around.size(), 2) + (around.degrees() ? "°" : " %")
                + " relative to the level below";
    }

    private static String value(Show show, AttributeValue value) {
        return ValueWords.of(show, value) + (value instanceof AttributeValue.Physical ? "°" : "");
    }

    /** As people call it: by the label of the first profile that has it. */
    public static String pretty(Show show, Attribute attribute) {
        return show.profiles().all().stream()
                .flatMap(p -> p.attributes().stream())
                .filter(d -> d.attribute().equals(attribute))
                .map(d -> d.pretty())
                .findFirst()
                .orElse(attribute.name());
    }

    /** A short name for one that has none yet. */
    static String name(Show show, Effect effect) {
        if (effect.movements().isEmpty()) {
            return "Nothing";
        }
        Movement first = effect.movements().get(0);
        String what = first instanceof Movement.Wave w
                ? w.form().word() + " of "
                        + w.attribute().map(a -> pretty(show, a)).orElse("positions")
                : first instanceof Movement.Shape s
                        ? s.figure().word()
                        : "run through " + first.palettes().size() + " palettes";
        return Character.toUpperCase(what.charAt(0)) + what.substring(1);
    }

    /** Its movements, rate and offsets as the line writes them. */
    public static String line(Show show, Effect effect) {
        return effect.movements().stream().map(m -> line(show, m)).collect(Collectors.joining(" and ")) + " rate "
                + Decimal.text(effect.rate(), 4) + " " + effect.along().words();
    }

    private static String line(Show show, Movement movement) {
        if (movement instanceof Movement.Wave wave) {
            String of = wave.attribute()
                    .map(Attribute::name)
                    .orElseGet(() -> wave.palettes().stream()
                            .flatMap(p -> show.palette(p).stream())
                            .map(p -> p.kind().word())
                            .findFirst()
                            .orElse("position"));
            return wave.form().word() + " of " + of + " " + line(show, wave.span())
                    + (wave.form() == Form.SQUARE
                            ? " duty " + Decimal.text(wave.duty().value() * 100, 2)
                            : "")
                    + (wave.form() == Form.RANDOM ? " seed " + wave.seed() : "");
        }
        if (movement instanceof Movement.Shape shape) {
            return shape.figure().word() + " of position size " + Decimal.text(shape.size(), 2)
                    + (shape.turned() == 0 ? "" : " turned " + Decimal.text(shape.turned(), 2))
                    + shape.around()
                            .flatMap(show::mark)
                            .map(m -> " around mark " + Quoted.of(m.name()))
                            .orElse("");
        }
        Movement.Run run = (Movement.Run) movement;
        return "run "
                + run.palettes().stream()
                        .flatMap(p -> show.palette(p).stream())
                        .map(p -> p.kind().word() + " " + p.number())
                        .collect(Collectors.joining(" + "))
                + " crossfade " + Decimal.text(run.crossfade().value() * 100, 2);
    }

    private static String line(Show show, Span span) {
        return span instanceof Span.Between b
                ? "at " + end(show, b.low()) + " thru " + end(show, b.high())
                : "size " + Decimal.text(((Span.Around) span).size(), 2);
    }

    private static String end(Show show, AttributeValue value) {
        return value.followed()
                .flatMap(show::palette)
                .map(p -> p.kind().word() + " " + p.number())
                .orElseGet(() -> value instanceof AttributeValue.Physical p
                        ? Decimal.text(p.value(), 2)
                        : value instanceof AttributeValue.Level l
                                ? Decimal.text(l.fraction().value() * 100, 2)
                                : ValueWords.of(show, value));
    }
}
