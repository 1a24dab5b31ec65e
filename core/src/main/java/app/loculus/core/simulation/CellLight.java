package app.loculus.core.simulation;

import app.loculus.core.colour.Tristimulus;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * What one cell does.
 *
 * @param cell 0 for the whole fixture
 * @param intensity 0 to 1: dimmer times shutter, and the strongest emitter where there are emitters
 * @param light what leaves it, on the fixture's own scale of luminance
 * @param hue its light before dimmer and shutter
 * @param panDegrees 0 for a fixture that does not pan
 * @param tiltDegrees 0 for a fixture that does not tilt
 * @param beamDegrees full beam angle; 0 when the profile does not say
 * @param gobo name of the gobo in the beam, if any
 */
public record CellLight(
        int cell,
        double intensity,
        Tristimulus light,
        Tristimulus hue,
        double panDegrees,
        double tiltDegrees,
        double beamDegrees,
        Optional<String> gobo) {

    /** The same behind a filter. @param filter what becomes of light in it */
    public CellLight behind(UnaryOperator<Tristimulus> filter) {
        return new CellLight(
                cell, intensity, filter.apply(light), filter.apply(hue), panDegrees, tiltDegrees, beamDegrees, gobo);
    }

    /** The same, pointed elsewhere. */
    CellLight turned(double pan, double tilt) {
        return new CellLight(cell, intensity, light, hue, pan, tilt, beamDegrees, gobo);
    }
}
