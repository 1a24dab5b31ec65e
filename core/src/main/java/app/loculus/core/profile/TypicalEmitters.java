package app.loculus.core.profile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.unit.Kelvin;
import java.util.Map;

/** Light of common emitters, for files that do not say; typical figures of coloured diodes, white = 100. */
public final class TypicalEmitters {

    private static final Map<String, Tristimulus> LIGHTS = Map.ofEntries(
            light("R", 0.690, 0.308, 25),
            light("G", 0.170, 0.700, 60),
            light("B", 0.135, 0.055, 9),
            light("C", 0.080, 0.340, 45),
            light("M", 0.350, 0.160, 30),
            light("Y", 0.560, 0.435, 55),
            light("RY", 0.570, 0.428, 45),
            light("GY", 0.400, 0.550, 90),
            light("GC", 0.120, 0.500, 55),
            light("BC", 0.110, 0.200, 25),
            light("BM", 0.170, 0.020, 4),
            light("RM", 0.500, 0.220, 18),
            light("W", 0.3127, 0.3290, 100),
            Map.entry("ColorAdd_WW", Whites.of(Kelvin.of(2700)).withLuminance(90)),
            Map.entry("ColorAdd_CW", Whites.of(Kelvin.of(6500)).withLuminance(100)));

    private TypicalEmitters() {}

    private static Map.Entry<String, Tristimulus> light(String suffix, double x, double y, double luminance) {
        return Map.entry("ColorAdd_" + suffix, new Chromaticity(x, y).withLuminance(luminance));
    }

    /** Dark for what is not known or not visible. */
    public static Tristimulus of(Attribute attribute) {
        return LIGHTS.getOrDefault(attribute.name(), Tristimulus.DARK);
    }
}
