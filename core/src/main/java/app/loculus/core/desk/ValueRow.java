package app.loculus.core.desk;

import java.util.List;

/**
 * One attribute of the selection.
 *
 * @param low lowest value in percent; @param high highest
 * @param points what was spread along the steps selected, in percent: two values or more
 * @param text what it is in the form people read, a name, degrees or percent
 * @param dmx lowest and highest DMX value
 * @param source home, hand, palette, effect, highlight, the list or submaster that is played, or mixed
 * @param palette number and name of the palette it follows, or the effect that moves it; empty for none
 * @param ranges named ranges to choose from
 * @param stops words for its ends and its middle, where the profile names no ranges
 */
public record ValueRow(
        String attribute,
        String label,
        String kind,
        int units,
        double low,
        double high,
        List<Double> points,
        String text,
        String physical,
        String dmx,
        String source,
        String palette,
        List<Range> ranges,
        List<String> stops) {

    /**
     * A named range.
     *
     * @param swatch the colour of its wheel slot, empty where there is none
     * @param picture name of the slot's picture, empty where there is none
     * @param profile whose picture it is
     * @param command whether it is a command: sent, and never kept
     */
    public record Range(String name, String swatch, String picture, String profile, boolean command) {}
}
