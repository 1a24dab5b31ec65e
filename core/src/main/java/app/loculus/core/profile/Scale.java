package app.loculus.core.profile;

import java.util.List;

/**
 * Physical values along a function: linear from its one end to its other, except in ranges that say other physical values
 * than that. A range that stays at one value tells a state and no scale, and one that is a slot of a wheel none either.
 */
final class Scale {

    /** Of the function's span; what differs by less is the same, rounded. */
    private static final double SAME = .001;

    /** A DMX value that stands for a range reaches half a step beyond it. */
    private static final double STEP = .5;

    private final ChannelFunction function;

    Scale(ChannelFunction function) {
        this.function = function;
    }

    /** @param dmx may lie between two values */
    double physical(double dmx) {
        List<NamedRange> ranges = function.ranges();
        for (int i = 0; i < ranges.size(); i++) {
            NamedRange r = ranges.get(i);
            if (holds(r, dmx) && own(r)) {
                double share = (dmx - r.from()) / (r.to() - r.from());
                return r.physicalFrom() + Math.max(0, Math.min(1, share)) * (r.physicalTo() - r.physicalFrom());
            }
        }
        return linear(dmx);
    }

    /** The DMX value that comes nearest to a physical one, between values where it lies between them. */
    double dmx(double physical) {
        List<NamedRange> ranges = function.ranges();
        double nearest = Double.NaN;
        double off = Double.MAX_VALUE;
        for (int i = 0; i < ranges.size(); i++) {
            NamedRange r = ranges.get(i);
            if (own(r)) {
                double share =
                        Math.max(0, Math.min(1, (physical - r.physicalFrom()) / (r.physicalTo() - r.physicalFrom())));
                double miss = Math.abs(r.physicalFrom() + share * (r.physicalTo() - r.physicalFrom()) - physical);
                if (miss < off) {
                    off = miss;
                    nearest = r.from() + share * (r.to() - r.from());
                }
            }
        }
        double span = function.physicalTo() - function.physicalFrom();
        double share = span == 0 ? 0 : Math.max(0, Math.min(1, (physical - function.physicalFrom()) / span));
        double straight = function.from() + share * (function.to() - function.from());
        boolean free = off > 0 && Math.abs(physical(straight) - physical) < off;
        return Double.isNaN(nearest) || free ? straight : nearest;
    }

    /** Whether some range or the function itself has such a value. */
    boolean reaches(double physical) {
        return within(physical, function.physicalFrom(), function.physicalTo())
                || function.ranges().stream()
                        .anyMatch(r -> own(r) && within(physical, r.physicalFrom(), r.physicalTo()));
    }

    private static boolean within(double value, double one, double other) {
        return value >= Math.min(one, other) && value <= Math.max(one, other);
    }

    private static boolean holds(NamedRange r, double dmx) {
        return dmx >= r.from() - STEP && dmx < r.to() + STEP;
    }

    private boolean own(NamedRange r) {
        double same = SAME * Math.abs(function.physicalTo() - function.physicalFrom());
        return r.wheelSlot() == 0
                && r.to() > r.from()
                && r.physicalFrom() != r.physicalTo()
                && (Math.abs(r.physicalFrom() - linear(r.from())) > same
                        || Math.abs(r.physicalTo() - linear(r.to())) > same);
    }

    private double linear(double dmx) {
        double width = function.to() - function.from();
        double share = width == 0 ? 0 : (dmx - function.from()) / width;
        return function.physicalFrom() + share * (function.physicalTo() - function.physicalFrom());
    }
}
