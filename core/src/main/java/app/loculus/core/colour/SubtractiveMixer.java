package app.loculus.core.colour;

import java.util.List;
import java.util.stream.Stream;

/**
 * Cyan, magenta and yellow flags in front of a white lamp.
 *
 * <p>A flag at level f passes 1 − f of its opposite: red 1 − cyan, green 1 − magenta, blue 1 − yellow, in linear
 * light relative to the lamp's white.
 *
 * @param white the lamp without flags
 */
public record SubtractiveMixer(Tristimulus white) {

    /** Levels of cyan, magenta, yellow, in this order, for a wanted colour. */
    public Mix levelsFor(Chromaticity target) {
        LinearRgb wanted = LinearRgb.of(target.withLuminance(1))
                .relativeTo(LinearRgb.of(white))
                .normalised();
        List<Double> levels = List.of(1 - wanted.red(), 1 - wanted.green(), 1 - wanted.blue());
        Tristimulus light = light(levels);
        boolean reached = light.chromaticity()
                .map(c -> c.differenceTo(target).grade() == ColourDifference.Grade.EXACT)
                .orElse(false);
        return new Mix(levels, light, reached);
    }

    /** Corners of what the flags reach, counter-clockwise in u′v′: one colour of the lamp let through alone. */
    public List<Chromaticity> outline() {
        return Stream.of(List.of(0.0, 1.0, 1.0), List.of(1.0, 0.0, 1.0), List.of(1.0, 1.0, 0.0))
                .flatMap(alone -> light(alone).chromaticity().stream())
                .toList();
    }

    /** What leaves the fixture with these levels of cyan, magenta, yellow. */
    public Tristimulus light(List<Double> levels) {
        LinearRgb passed = new LinearRgb(1 - levels.get(0), 1 - levels.get(1), 1 - levels.get(2));
        return LinearRgb.of(white).times(passed).toTristimulus();
    }
}
