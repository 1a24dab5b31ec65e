package app.loculus.core.patch;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import java.util.ArrayList;
import java.util.List;

/**
 * Which ways a head is set, at the device, to turn against what it receives. Values keep meaning what they say, so that
 * what goes out is turned over: 30° to one side is sent as 30° to the other.
 */
public record Inverted(boolean pan, boolean tilt) {

    public static final Inverted NONE = new Inverted(false, false);

    /** Whether values of an attribute are turned over. */
    public boolean turns(Attribute attribute) {
        return pan && attribute.equals(Attribute.PAN) || tilt && attribute.equals(Attribute.TILT);
    }

    /**
     * What is sent for a DMX value within a function, and what was meant by one that is received: turning over twice is
     * nothing.
     */
    public long turned(ChannelFunction function, long dmx) {
        return turns(function.attribute()) ? function.from() + function.to() - dmx : dmx;
    }

    public boolean none() {
        return !pan && !tilt;
    }

    /** As people say it: {@code pan}, {@code tilt}, {@code pan and tilt}; empty for neither. */
    @Override
    public String toString() {
        List<String> all = new ArrayList<>();
        if (pan) {
            all.add("pan");
        }
        if (tilt) {
            all.add("tilt");
        }
        return String.join(" and ", all);
    }
}
