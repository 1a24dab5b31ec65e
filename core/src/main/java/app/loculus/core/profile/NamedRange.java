package app.loculus.core.profile;

/**
 * A named part of a channel function (the standard's channel set).
 *
 * @param from first DMX value, in the channel's resolution
 * @param to last DMX value, included
 * @param physicalFrom physical value at {@code from}, in the attribute's unit
 * @param wheelSlot 1-based slot of the function's wheel, 0 for none
 */
public record NamedRange(String name, long from, long to, double physicalFrom, double physicalTo, int wheelSlot) {

    public long middle() {
        return from + (to - from) / 2;
    }
}
