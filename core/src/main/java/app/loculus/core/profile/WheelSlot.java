package app.loculus.core.profile;

import app.loculus.core.colour.Tristimulus;
import java.util.Optional;

/**
 * One place on a wheel.
 *
 * @param colour what it makes of white light, Y = transmission in percent; absent for gobos and the like
 * @param picture name of its picture, without folder and suffix
 */
public record WheelSlot(String name, Optional<Tristimulus> colour, Optional<String> picture) {}
