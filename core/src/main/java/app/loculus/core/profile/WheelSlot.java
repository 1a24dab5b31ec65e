package app.loculus.core.profile;

import app.loculus.core.colour.Tristimulus;
import java.util.Optional;

/**
 * One place on a wheel.
 *
 * @param colour what it makes of white light, Y = transmission in percent; absent for gobos and the like
 * @param picture name of its picture, without folder and suffix
 * @param facets how many images a prism makes, 0 for anything else
 * @param animated whether it is an animation that moves through the beam
 */
public record WheelSlot(
        String name, Optional<Tristimulus> colour, Optional<String> picture, int facets, boolean animated) {

    public WheelSlot(String name, Optional<Tristimulus> colour, Optional<String> picture) {
        this(name, colour, picture, 0, false);
    }
}
