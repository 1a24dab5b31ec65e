package app.loculus.core.profile;

import app.loculus.core.unit.Resolution;
import java.util.List;
import java.util.OptionalLong;

/**
 * One channel of a mode.
 *
 * @param key unique within the mode
 * @param breakNumber 1-based break it is addressed in
 * @param offsets 1-based offsets within the break, coarse first; none for a virtual channel
 * @param cell 0 for the whole fixture, else the cell it belongs to
 * @param functions at least one; the first one's attribute names the channel
 * @param home DMX value when nobody has said anything
 * @param highlight DMX value that shows the fixture off, if the profile names one
 */
public record Channel(
        String key,
        int breakNumber,
        List<Integer> offsets,
        int cell,
        List<ChannelFunction> functions,
        long home,
        OptionalLong highlight) {

    public Channel {
        offsets = List.copyOf(offsets);
        functions = List.copyOf(functions);
    }

    public boolean virtual() {
        return offsets.isEmpty();
    }

    public Resolution resolution() {
        return new Resolution(Math.max(1, offsets.size()));
    }

    public Attribute attribute() {
        return functions.get(0).attribute();
    }

    /** The function that the home value lies in. */
    public ChannelFunction homeFunction() {
        return functions.stream()
                .filter(f -> home >= f.from() && home <= f.to() && f.master().isEmpty())
                .findFirst()
                .orElse(functions.get(0));
    }
}
