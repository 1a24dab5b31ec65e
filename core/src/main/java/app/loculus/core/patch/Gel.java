package app.loculus.core.patch;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;

/**
 * A colour filter in front of a fixture, as the colour that daylight has behind it.
 *
 * @param percent how much of the light it lets through, above 0 and at most 100
 */
public record Gel(Chromaticity colour, double percent) {

    private static final Tristimulus WHITE = Chromaticity.D65.withLuminance(100);

    public Gel {
        if (!(percent > 0 && percent <= 100)) {
            throw Refusal.of(
                    "patch.gel",
                    "gel",
                    "A gel lets through more than 0 and at most 100 %, not " + Decimal.text(percent, 1) + ".");
        }
    }

    /**
     * Light behind it. A filter adds nothing: one that is said to be brighter than its colour can be takes away so much
     * that it does not.
     */
    public Tristimulus through(Tristimulus light) {
        Tristimulus filter = colour.withLuminance(percent);
        double most = Math.max(filter.x() / WHITE.x(), Math.max(filter.y() / WHITE.y(), filter.z() / WHITE.z()));
        Tristimulus held = most > 1 ? filter.times(1 / most) : filter;
        return new Tristimulus(
                light.x() * held.x() / WHITE.x(), light.y() * held.y() / WHITE.y(), light.z() * held.z() / WHITE.z());
    }

    /** As it is drawn: x, y and how much comes through, for example {@code x 0.45 y 0.41, 60 %}. */
    @Override
    public String toString() {
        return colour + (percent == 100 ? "" : ", " + Decimal.text(percent, 1) + " %");
    }
}
