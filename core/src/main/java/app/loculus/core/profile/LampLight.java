package app.loculus.core.profile;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;

/** Light of a lamp through a filter whose colour is known under D65 white. */
public final class LampLight {

    private static final Tristimulus WHITE = Chromaticity.D65.withLuminance(100);

    private LampLight() {}

    /**
     * Channel by channel in XYZ relative to white: exact for neutral filters and for a D65 lamp, a fair estimate
     * else.
     */
    public static Tristimulus through(Tristimulus lamp, Tristimulus filter) {
        return new Tristimulus(
                lamp.x() * filter.x() / WHITE.x(),
                lamp.y() * filter.y() / WHITE.y(),
                lamp.z() * filter.z() / WHITE.z());
    }
}
