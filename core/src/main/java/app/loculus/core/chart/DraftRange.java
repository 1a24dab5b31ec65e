package app.loculus.core.chart;

/**
 * A named part of a channel's range.
 *
 * @param from first value, 0 to 255; @param to last value, included
 * @param attribute what this part does, when it is not what the channel does; else empty
 * @param physicalFrom physical value at {@code from}; only with an attribute of its own
 * @param colour colour of the wheel slot as {@code #rrggbb}, empty for none
 */
public record DraftRange(
        String name, int from, int to, String attribute, double physicalFrom, double physicalTo, String colour) {

    public DraftRange {
        name = name == null ? "" : name;
        attribute = attribute == null ? "" : attribute;
        colour = colour == null ? "" : colour;
    }

    public static DraftRange named(String name, int from, int to) {
        return new DraftRange(name, from, to, "", 0, 1, "");
    }
}
