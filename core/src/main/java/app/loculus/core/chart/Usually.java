package app.loculus.core.chart;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.words.StandardAttributes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What home, highlight and ranges usually are where a chart does not say. */
final class Usually {

    private static final int TOP = 255;
    private static final int MIDDLE = 128;

    private Usually() {}

    /** Open, white, centred; dark. */
    static int home(String attribute, List<DraftRange> ranges) {
        if (attribute.startsWith("Shutter")
                || attribute.startsWith("Color") && !ranges.isEmpty()
                || attribute.startsWith("Gobo")) {
            return open(ranges).map(DraftRange::from).orElse(attribute.startsWith("Shutter") ? TOP : 0);
        }
        if (attribute.matches("Pan|Tilt|Zoom|Focus\\d*|.*Pos|.*Rot|Tint|CTC")) {
            return MIDDLE;
        }
        return attribute.startsWith("ColorAdd_") || attribute.equals("Iris") ? TOP : 0;
    }

    /** Full, white and open; nothing for what does not make a fixture easier to see. */
    static int highlight(String attribute, List<DraftRange> ranges) {
        if (attribute.equals("Dimmer") || attribute.startsWith("ColorAdd_") && !attribute.equals("ColorAdd_UV")) {
            return TOP;
        }
        if (attribute.startsWith("ColorSub_")) {
            return 0;
        }
        boolean opens = attribute.startsWith("Shutter") || attribute.matches("Color\\d+|Gobo\\d+|Iris");
        return opens ? home(attribute, ranges) : -1;
    }

    private static Optional<DraftRange> open(List<DraftRange> ranges) {
        return ranges.stream()
                .filter(r -> r.name().toLowerCase(Locale.ROOT).matches(".*\\b(open|white|none|no gobo|off)\\b.*"))
                .findFirst();
    }

    /** A range of a shutter channel that strobes is a strobe; one of a gobo channel that rotates is a rotation. */
    static DraftRange range(String name, int from, int to, String attribute, String colour) {
        String plain = name.toLowerCase(Locale.ROOT);
        boolean strobes = attribute.matches("Shutter\\d+") && plain.matches(".*\\b(strobe|pulse|flash)\\b.*");
        if (strobes) {
            StandardAttributes.Usual usual = StandardAttributes.of(new Attribute(attribute + "Strobe"));
            return new DraftRange(name, from, to, attribute + "Strobe", usual.from(), usual.to(), "");
        }
        return new DraftRange(name, from, to, "", 0, 1, colour);
    }

    /** Whether a range of a shutter channel is {@code closed} or {@code open}; empty for everything else. */
    static Optional<String> shutter(String attribute, DraftRange range) {
        String plain = range.name().toLowerCase(Locale.ROOT);
        if (!attribute.matches("Shutter\\d+")) {
            return Optional.empty();
        }
        if (plain.matches(".*\\b(closed?|blackout|dark)\\b.*")) {
            return Optional.of("closed");
        }
        return plain.matches(".*\\b(open|no function)\\b.*") ? Optional.of("open") : Optional.empty();
    }
}
