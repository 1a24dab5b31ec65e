package app.loculus.core.profile;

import app.loculus.core.problem.Refusal;
import java.util.Arrays;
import java.util.Locale;

/** The family a palette or an attribute belongs to, by the standard's feature groups. */
public enum Kind {
    INTENSITY,
    POSITION,
    COLOUR,
    BEAM,
    SHAPE,
    CONTROL,
    COMBINED;

    /** @param group a feature group's name, for example {@code Gobo}; unknown groups are control */
    public static Kind ofFeatureGroup(String group) {
        return switch (group) {
            case "Dimmer" -> INTENSITY;
            case "Position" -> POSITION;
            case "Color" -> COLOUR;
            case "Gobo", "Beam", "Focus" -> BEAM;
            case "Shapers" -> SHAPE;
            default -> CONTROL;
        };
    }

    public static Kind parse(String word) {
        String wanted = word.equalsIgnoreCase("color") ? "colour" : word.toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(kind -> kind.word().equals(wanted))
                .findFirst()
                .orElseThrow(() -> Refusal.of("profile.kind", "kind", "“" + word + "” is no kind of value."));
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
