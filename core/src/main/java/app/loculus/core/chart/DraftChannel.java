package app.loculus.core.chart;

import java.util.List;

/**
 * One line of the chart as it was understood.
 *
 * @param label the chart's own words
 * @param attribute the standard's name
 * @param octets 1 to 3 slots, coarse first
 * @param breakNumber 1 unless the fixture is addressed in several places
 * @param inCell whether it is repeated for every cell
 * @param home value at home, 0 to 255
 * @param highlight value that shows the fixture off, 0 to 255; −1 for none
 * @param inverted whether its physical range runs the other way round
 * @param physicalFrom physical value at 0; @param physicalTo at the top
 * @param colour colour of its emitter as {@code #rrggbb}, empty for the usual one
 * @param wheel whether its ranges are slots of a wheel
 * @param needs label of the channel that must be in {@code needsFrom…needsTo} for this one to work, empty for none
 */
public record DraftChannel(
        String label,
        String attribute,
        int octets,
        int breakNumber,
        boolean inCell,
        int home,
        int highlight,
        boolean inverted,
        double physicalFrom,
        double physicalTo,
        String colour,
        boolean wheel,
        String needs,
        int needsFrom,
        int needsTo,
        List<DraftRange> ranges) {

    public DraftChannel {
        label = label == null ? "" : label;
        attribute = attribute == null || attribute.isBlank() ? "Control1" : attribute;
        breakNumber = Math.max(1, breakNumber);
        octets = Math.max(1, Math.min(4, octets));
        colour = colour == null ? "" : colour;
        needs = needs == null ? "" : needs;
        ranges = ranges == null ? List.of() : List.copyOf(ranges);
    }

    DraftChannel wider() {
        return with(octets + 1, inCell);
    }

    DraftChannel alone() {
        return with(octets, false);
    }

    DraftChannel repeated() {
        return with(octets, true);
    }

    private DraftChannel with(int newOctets, boolean newInCell) {
        return new DraftChannel(
                label,
                attribute,
                newOctets,
                breakNumber,
                newInCell,
                home,
                highlight,
                inverted,
                physicalFrom,
                physicalTo,
                colour,
                wheel,
                needs,
                needsFrom,
                needsTo,
                ranges);
    }
}
