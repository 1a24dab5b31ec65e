package app.loculus.core.play;

import app.loculus.core.motion.Moving;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import app.loculus.core.unit.Seconds;
import java.util.Optional;

/**
 * Where a look puts a channel.
 *
 * @param place null for what moves relative to what lies below, as long as nothing earlier in its list says where that is
 * @param snaps whether it jumps there: a named range, or a channel whose profile says so
 * @param time of the palette it comes from
 * @param moving what moves it; null when it stands
 */
record Placed(FunctionValue place, boolean snaps, Source source, Optional<Seconds> time, Moving moving) {

    /** Whether it is intensity. */
    boolean dims() {
        return (place == null ? moving.attribute() : place.function().attribute()).equals(Attribute.DIMMER);
    }

    /** The same around what an earlier cue put there. */
    Placed over(Placed earlier) {
        return place == null && moving != null && earlier != null && earlier.place != null
                ? new Placed(earlier.place, snaps, source, time, moving)
                : this;
    }
}
