package app.loculus.app.api.rig;

import app.loculus.app.rig.Hung;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.LinearRgb;
import app.loculus.core.simulation.CellLight;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What one simulated fixture does.
 *
 * @param intensity 0 to 1
 * @param colour CIE xyY of the light that leaves it; x and y are those of its hue while it is dark
 * @param srgb the hue for a screen
 * @param pan degrees; @param tilt degrees
 * @param beam full beam angle in degrees, 0 when the profile does not say
 * @param asPatched whether it hangs at the address of the patch
 * @param identifies whether it shows itself
 */
record RigView(
        int number,
        double intensity,
        Xyy colour,
        String srgb,
        double pan,
        double tilt,
        double beam,
        String gobo,
        String address,
        boolean dead,
        boolean asPatched,
        boolean identifies,
        List<CellView> cells) {

    /** CIE 1931 x, y and relative luminance. */
    record Xyy(
            double x,
            double y,

            @com.fasterxml.jackson.annotation.JsonProperty("Y")
            double luminance) {

        static Xyy of(CellLight light) {
            Chromaticity c = light.hue().chromaticity().orElse(Chromaticity.D65);
            return new Xyy(c.x(), c.y(), light.light().y());
        }
    }

    record CellView(int cell, double intensity, Xyy colour, String srgb) {}

    static RigView of(Hung hung, List<CellLight> lights, boolean identifies) {
        CellLight whole = lights.get(0);
        return new RigView(
                hung.number(),
                whole.intensity(),
                Xyy.of(whole),
                hex(whole),
                whole.panDegrees(),
                whole.tiltDegrees(),
                whole.beamDegrees(),
                whole.gobo().orElse(""),
                hung.hidden()
                        ? "an address that was not told"
                        : hung.addresses().stream()
                                .map(a -> a.address().toString())
                                .collect(Collectors.joining(" + ")),
                hung.knownDead(),
                !hung.knownElsewhere(),
                identifies,
                lights.stream()
                        .skip(1)
                        .map(c -> new CellView(c.cell(), c.intensity(), Xyy.of(c), hex(c)))
                        .toList());
    }

    private static String hex(CellLight light) {
        return LinearRgb.of(light.hue()).normalised().hex();
    }
}
