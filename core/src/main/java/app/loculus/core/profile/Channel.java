package app.loculus.core.profile;

import app.loculus.core.unit.Resolution;
import java.util.List;
import java.util.OptionalLong;
import java.util.function.Predicate;

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
 * @param snap whether it jumps where others fade
 */
public record Channel(
        String key,
        int breakNumber,
        List<Integer> offsets,
        int cell,
        List<ChannelFunction> functions,
        long home,
        OptionalLong highlight,
        boolean snap) {

    public Channel {
        offsets = List.copyOf(offsets);
        functions = List.copyOf(functions);
    }

    /** One that fades. */
    public Channel(
            String key,
            int breakNumber,
            List<Integer> offsets,
            int cell,
            List<ChannelFunction> functions,
            long home,
            OptionalLong highlight) {
        this(key, breakNumber, offsets, cell, functions, home, highlight, false);
    }

    public boolean virtual() {
        return offsets.isEmpty();
    }

    public Resolution resolution() {
        return new Resolution(Math.max(1, offsets.size()));
    }

    /** The key without the number of the cell behind it: geometry and attribute, as a description names it. */
    public String plainKey() {
        String tail = "#" + cell;
        return cell > 0 && key.endsWith(tail) ? key.substring(0, key.length() - tail.length()) : key;
    }

    public Channel with(List<ChannelFunction> others) {
        return new Channel(key, breakNumber, offsets, cell, others, home, highlight, snap);
    }

    public Channel with(String otherKey) {
        return new Channel(otherKey, breakNumber, offsets, cell, functions, home, highlight, snap);
    }

    /** The same with another home. */
    public Channel at(long otherHome) {
        return new Channel(key, breakNumber, offsets, cell, functions, otherHome, highlight, snap);
    }

    public Attribute attribute() {
        return functions.get(0).attribute();
    }

    /** The function that the home value lies in; one that always works goes first. */
    public ChannelFunction homeFunction() {
        return functionAt(home, f -> f.master().isEmpty());
    }

    /**
     * The function a value lies in.
     *
     * @param better chooses among several; without one of these it is the first that holds the value, and the first of
     *     all where none does
     */
    public ChannelFunction functionAt(long dmx, Predicate<ChannelFunction> better) {
        // Asked for every channel of every fixture of a frame.
        ChannelFunction holding = null;
        for (ChannelFunction f : functions) {
            if (f.holds(dmx)) {
                if (better.test(f)) {
                    return f;
                }
                holding = holding == null ? f : holding;
            }
        }
        return holding == null ? functions.get(0) : holding;
    }
}
