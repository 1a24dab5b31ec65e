package app.loculus.formats.showfile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Working values as text: a line an attribute, in the order of their names, so that equal values are equal texts. Each
 * line holds the name, how it came there, the form and the value: {@code Dimmer t L0.5}, {@code Gobo1 tc NRipple},
 * {@code Pan - P-40.0}, {@code ColorAdd_R t R3}. t is touched, c came along, L a share of the range, P physical, N a named
 * range, D what is sent, R a palette, X left to what lies below, M3:0:8:60: moved by effect 3 as step 0 of 8 at a rate of 60, no size of its own, and
 * behind | what it moves around; t~3 followed palette 3 before. Line breaks in names are written as {@code \n}. A colour that was asked for comes
 * last, as {@code = 0.48 0.52} in CIE x and y.
 */
public final class ValuesText {

    private static final String ASKED = "= ";
    private static final char WAS = '~';
    private static final char OVER = '|';

    private static final AttributeValue.Cases<String> TEXTS = new AttributeValue.Cases<>() {
        @Override
        public String level(double fraction) {
            return "L" + fraction;
        }

        @Override
        public String physical(double value) {
            return "P" + value;
        }

        @Override
        public String named(String name) {
            return "N" + name.replace("\\", "\\\\").replace("\n", "\\n");
        }

        @Override
        public String dmx(DmxValue value) {
            return "D" + value;
        }

        @Override
        public String aimed(Aiming.Way way) {
            return "W" + (way.over() ? "o" : "n") + way.turns();
        }

        @Override
        public String released() {
            return "X";
        }

        @Override
        public String moved(Use use, Optional<AttributeValue> over) {
            return "M" + use.effect().value() + ":" + use.step() + ":" + use.steps() + ":"
                    + use.rate().map(String::valueOf).orElse("") + ":"
                    + use.size().map(String::valueOf).orElse("")
                    + (use.ahead() == 0 ? "" : ":" + use.ahead())
                    + over.map(o -> OVER + o.as(this)).orElse("");
        }

        @Override
        public String reference(PaletteId palette) {
            return "R" + palette.value();
        }
    };

    /** Attributes by name: the same few for all units, so that each is there once. */
    private static final Map<String, Attribute> ATTRIBUTES = new ConcurrentHashMap<>();

    /** More than all profiles together have; what a stranger's file names beyond it is not remembered. */
    private static final int MOST_ATTRIBUTES = 4_000;

    private ValuesText() {}

    private static Attribute attribute(String name) {
        return ATTRIBUTES.size() < MOST_ATTRIBUTES
                ? ATTRIBUTES.computeIfAbsent(name, Attribute::new)
                : ATTRIBUTES.getOrDefault(name, new Attribute(name));
    }

    public static String of(UnitValues values) {
        StringBuilder text = new StringBuilder(32 * values.byAttribute().size());
        values.byAttribute().forEach((attribute, touched) -> {
            text.append(text.isEmpty() ? "" : "\n").append(attribute.name()).append(' ');
            text.append(touched.touched() ? "t" : "-").append(touched.companion() ? "c" : "");
            touched.was().ifPresent(p -> text.append(WAS).append(p.value()));
            text.append(' ');
            text.append(touched.value().as(TEXTS));
        });
        values.asked()
                .ifPresent(c -> text.append(text.isEmpty() ? "" : "\n")
                        .append(ASKED)
                        .append(c.x())
                        .append(' ')
                        .append(c.y()));
        return text.toString();
    }

    /** @throws RuntimeException when the text is damaged */
    public static UnitValues read(String text) {
        Map<Attribute, Touched> values = new LinkedHashMap<>();
        Optional<Chromaticity> asked = Optional.empty();
        for (String line : text.isEmpty() ? new String[0] : text.split("\n")) {
            String[] parts = line.split(" ", 3);
            if (line.startsWith(ASKED)) {
                asked = Optional.of(new Chromaticity(Double.parseDouble(parts[1]), Double.parseDouble(parts[2])));
                continue;
            }
            values.put(attribute(parts[0]), touched(parts[1], value(parts[2])));
        }
        return new UnitValues(values, asked);
    }

    private static Touched touched(String how, AttributeValue value) {
        int was = how.indexOf(WAS);
        String flags = was < 0 ? how : how.substring(0, was);
        return new Touched(
                value,
                flags.startsWith("t"),
                flags.endsWith("c"),
                was < 0 ? Optional.empty() : Optional.of(new PaletteId(Integer.parseInt(how.substring(was + 1)))));
    }

    private static AttributeValue value(String text) {
        String rest = text.substring(1);
        return switch (text.charAt(0)) {
            case 'L' -> new AttributeValue.Level(Fraction.of(Double.parseDouble(rest)));
            case 'P' -> new AttributeValue.Physical(Double.parseDouble(rest));
            case 'N' -> new AttributeValue.Named(unescaped(rest));
            case 'D' -> new AttributeValue.Dmx(DmxValue.parse(rest));
            case 'W' ->
                new AttributeValue.Aimed(new Aiming.Way(rest.startsWith("o"), Integer.parseInt(rest.substring(1))));
            case 'X' -> new AttributeValue.Released();
            case 'M' -> moved(rest);
            case 'R' -> new AttributeValue.Reference(new PaletteId(Integer.parseInt(rest)));
            default -> throw new IllegalArgumentException("it holds a value of the form “" + text.charAt(0) + "”");
        };
    }

    private static AttributeValue moved(String text) {
        int bar = text.indexOf(OVER);
        String[] parts = (bar < 0 ? text : text.substring(0, bar)).split(":", -1);
        return new AttributeValue.Moved(
                new Use(
                        new EffectId(Integer.parseInt(parts[0])),
                        Integer.parseInt(parts[1]),
                        Integer.parseInt(parts[2]),
                        number(parts[3]),
                        number(parts[4]),
                        parts.length > 5 ? Double.parseDouble(parts[5]) : 0),
                bar < 0 ? Optional.empty() : Optional.of(value(text.substring(bar + 1))));
    }

    private static Optional<Double> number(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(Double.valueOf(text));
    }

    private static String unescaped(String text) {
        StringBuilder out = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            boolean escape = text.charAt(i) == '\\' && i + 1 < text.length();
            i += escape ? 1 : 0;
            out.append(escape && text.charAt(i) == 'n' ? '\n' : text.charAt(i));
        }
        return out.toString();
    }
}
