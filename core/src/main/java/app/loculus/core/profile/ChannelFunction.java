package app.loculus.core.profile;

import app.loculus.core.unit.Fraction;
import java.util.List;
import java.util.Optional;

/**
 * One thing a channel does over part of its DMX range.
 *
 * @param from first DMX value; @param to last one, included
 * @param physicalFrom physical value at {@code from} in the attribute's unit; may be the larger one
 * @param home DMX value at home
 * @param wheel name of the wheel it moves
 * @param emitter name of the emitter it drives
 * @param master the channel range in which it works; absent when it always does
 */
public record ChannelFunction(
        String name,
        Attribute attribute,
        long from,
        long to,
        double physicalFrom,
        double physicalTo,
        long home,
        Optional<String> wheel,
        Optional<String> emitter,
        Optional<ModeMaster> master,
        List<NamedRange> ranges) {

    public ChannelFunction {
        ranges = List.copyOf(ranges);
    }

    public ChannelFunction with(Attribute other) {
        return new ChannelFunction(
                name, other, from, to, physicalFrom, physicalTo, home, wheel, emitter, master, ranges);
    }

    public ChannelFunction with(Optional<ModeMaster> other) {
        return new ChannelFunction(
                name, attribute, from, to, physicalFrom, physicalTo, home, wheel, emitter, other, ranges);
    }

    /**
     * f = (p − from) / (to − from), kept inside the function; 0 for a function of one value. Where ranges say physical
     * values of their own, the place in the range that has the value.
     */
    public Fraction fractionOf(double physical) {
        double span = physicalTo - physicalFrom;
        if (ranges.isEmpty()) {
            return span == 0 ? Fraction.ZERO : Fraction.clamp((physical - physicalFrom) / span);
        }
        double dmx = new Scale(this).dmx(physical);
        return to == from ? Fraction.ZERO : Fraction.clamp((dmx - from) / (to - from));
    }

    public boolean reaches(double physical) {
        return new Scale(this).reaches(physical);
    }

    public double physicalOf(Fraction fraction) {
        return ranges.isEmpty()
                ? physicalFrom + fraction.value() * (physicalTo - physicalFrom)
                : new Scale(this).physical(from + fraction.value() * (to - from));
    }

    public Fraction fractionOfDmx(long dmx) {
        return to == from ? Fraction.ZERO : Fraction.clamp((double) (dmx - from) / (to - from));
    }

    public Fraction homeFraction() {
        return fractionOfDmx(home);
    }

    /** Whether its physical range runs from a higher value to a lower one. */
    public boolean runsDown() {
        return physicalFrom > physicalTo;
    }

    public boolean holds(long dmx) {
        return dmx >= from && dmx <= to;
    }

    public Optional<NamedRange> range(String rangeName) {
        return ranges.stream().filter(r -> r.name().equalsIgnoreCase(rangeName)).findFirst();
    }

    public Optional<NamedRange> rangeAt(Fraction fraction) {
        long dmx = Math.round(from + fraction.value() * (to - from));
        return ranges.stream().filter(r -> dmx >= r.from() && dmx <= r.to()).findFirst();
    }

    public Optional<NamedRange> rangeOfSlot(int slot) {
        return ranges.stream().filter(r -> r.wheelSlot() == slot).findFirst();
    }
}
