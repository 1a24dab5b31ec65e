package app.loculus.core.colour;

import java.util.Optional;

/** CIE 1931 XYZ of light; adds as light does. */
public record Tristimulus(double x, double y, double z) {

    public static final Tristimulus DARK = new Tristimulus(0, 0, 0);

    /** Below this sum the direction of the colour is rounding noise. */
    private static final double FAINTEST = 1e-9;

    public Tristimulus plus(Tristimulus other) {
        return new Tristimulus(x + other.x, y + other.y, z + other.z);
    }

    public Tristimulus times(double level) {
        return new Tristimulus(x * level, y * level, z * level);
    }

    public double sum() {
        return x + y + z;
    }

    public Optional<Chromaticity> chromaticity() {
        boolean visible = sum() > FAINTEST && y > 0 && x >= 0 && z >= 0;
        return visible ? Optional.of(new Chromaticity(x / sum(), y / sum())) : Optional.empty();
    }
}
