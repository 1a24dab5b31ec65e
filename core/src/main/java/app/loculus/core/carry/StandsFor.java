package app.loculus.core.carry;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.unit.Decimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What could stand for what another fixture does not have, in words. */
final class StandsFor {

    private static final int NAMED = 4;

    /** What is told apart by, and what does something like it. */
    private record Stand(String of, String by, String words) {}

    private static final List<Stand> STANDS = List.of(
            new Stand("Shutter", "Dimmer", "a square effect on its level could"),
            new Stand("Strobe", "Dimmer", "a square effect on its level could"),
            new Stand("Frost", "Zoom", "a wider zoom could"),
            new Stand("Focus", "Frost", "frost could soften it"),
            new Stand("Iris", "Zoom", "a narrower zoom could"),
            new Stand("Zoom", "Iris", "the iris could make it narrower"),
            new Stand("Gobo", "AnimationWheel", "its animation wheel could"),
            new Stand("AnimationWheel", "Gobo", "a turning gobo could"),
            new Stand("Prism", "Gobo", "a gobo could break up the beam"),
            new Stand("Blade", "Iris", "the iris could cut it"),
            new Stand("Shaper", "Iris", "the iris could cut it"),
            new Stand("CTO", "ColorAdd", "its mix could be warmer"),
            new Stand("CTO", "ColorSub", "its mix could be warmer"),
            new Stand("CTB", "ColorAdd", "its mix could be colder"),
            new Stand("CTB", "ColorSub", "its mix could be colder"),
            new Stand("CTC", "ColorAdd", "its mix could be warmer or colder"),
            new Stand("CTC", "ColorSub", "its mix could be warmer or colder"));

    private StandsFor() {}

    /** @param place where the one stands that is not there */
    static String words(Attribute attribute, FunctionValue place, At is) {
        String name = place.function().attribute().name();
        Optional<Stand> stand = STANDS.stream()
                .filter(s -> name.startsWith(s.of()) || attribute.name().startsWith(s.of()))
                .filter(s -> attributes(is).anyMatch(a -> a.name().startsWith(s.by())))
                .findFirst();
        return "it has none" + stand.map(s -> "; " + s.words()).orElse("");
    }

    private static Stream<Attribute> attributes(At is) {
        return is.mode().parameters(is.cell()).keySet().stream();
    }

    static String some(List<String> names) {
        return String.join(", ", names.subList(0, Math.min(NAMED, names.size())))
                + (names.size() > NAMED ? " and " + (names.size() - NAMED) + " more" : "");
    }

    /** @param unit by the standard's name */
    static String measure(double value, String unit) {
        return switch (unit) {
            case "Angle" -> Decimal.text(value, 1) + "°";
            case "ColorTemperature", "Temperature" -> Decimal.text(value, 0) + " K";
            case "Frequency" -> Decimal.text(value, 1) + " Hz";
            default -> Decimal.text(value, 2);
        };
    }
}
