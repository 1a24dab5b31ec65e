package app.loculus.core.colour;

import app.loculus.core.unit.Decimal;

/**
 * How far two colours are apart.
 *
 * @param deltaUv distance in CIE 1976 u′v′
 */
public record ColourDifference(double deltaUv) {

    public static final ColourDifference NONE = new ColourDifference(0);

    /** Nothing shines, so there is no colour to compare. */
    public static final ColourDifference NO_LIGHT = new ColourDifference(Double.POSITIVE_INFINITY);

    /** How far what shines is from what is wanted. */
    public static ColourDifference between(Tristimulus light, Chromaticity wanted) {
        return light.y() <= 0
                ? NO_LIGHT
                : light.chromaticity().map(wanted::differenceTo).orElse(NO_LIGHT);
    }

    public boolean dark() {
        return deltaUv == Double.POSITIVE_INFINITY;
    }

    /** What a practitioner would call the difference. */
    public enum Grade {
        EXACT("exact"),
        MATCH("match"),
        CLOSE("close"),
        NEEDS_AN_EYE("needs a look");

        private final String words;

        Grade(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Grade grade() {
        if (deltaUv <= 0.001) {
            return Grade.EXACT;
        }
        if (deltaUv <= 0.004) {
            return Grade.MATCH;
        }
        return deltaUv <= 0.015 ? Grade.CLOSE : Grade.NEEDS_AN_EYE;
    }

    @Override
    public String toString() {
        return dark() ? "no light" : "Δ " + Decimal.text(deltaUv, 3) + " " + grade().words();
    }
}
