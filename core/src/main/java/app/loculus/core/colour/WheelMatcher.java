package app.loculus.core.colour;

import java.util.List;
import java.util.Optional;

/** Picks the slot of a colour wheel or scroller that comes nearest. */
public final class WheelMatcher {

    /** Differences closer than this are a tie; the brighter slot wins. */
    private static final double TIE = 1e-12;

    /**
     * @param number 1-based place on the wheel
     * @param light the slot in front of the fixture's lamp
     */
    public record Slot(int number, String name, Tristimulus light) {

        ColourDifference differenceTo(Chromaticity target) {
            return light.chromaticity()
                    .map(target::differenceTo)
                    .orElse(new ColourDifference(Double.POSITIVE_INFINITY));
        }
    }

    private WheelMatcher() {}

    public static Optional<Slot> nearest(List<Slot> slots, Chromaticity target) {
        return slots.stream().reduce((best, next) -> better(next, best, target) ? next : best);
    }

    private static boolean better(Slot next, Slot best, Chromaticity target) {
        double gain =
                best.differenceTo(target).deltaUv() - next.differenceTo(target).deltaUv();
        return gain > TIE || gain >= -TIE && next.light().y() > best.light().y();
    }
}
