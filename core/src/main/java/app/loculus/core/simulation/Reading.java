package app.loculus.core.simulation;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The raw values of a fixture's channels, and the function each of them lies in. */
final class Reading {

    private final List<Channel> channels;
    private final Map<String, Long> raw = new HashMap<>();

    /** @param breaks received slots by break; a break that nothing reached reads as 0 */
    Reading(List<Channel> channels, Map<Integer, byte[]> breaks) {
        this.channels = channels;
        for (Channel channel : channels) {
            if (!channel.virtual()) {
                raw.put(channel.key(), join(channel, breaks.getOrDefault(channel.breakNumber(), new byte[0])));
            }
        }
    }

    private static long join(Channel channel, byte[] slots) {
        long value = 0;
        for (int offset : channel.offsets()) {
            value = value * 256 + (offset <= slots.length ? Byte.toUnsignedInt(slots[offset - 1]) : 0);
        }
        return value;
    }

    List<Channel> channels() {
        return channels;
    }

    /** The function a channel's value lies in, if it works in the present mode. */
    Optional<ChannelFunction> active(Channel channel) {
        Long value = raw.get(channel.key());
        return value == null
                ? Optional.empty()
                : channel.functions().stream()
                        .filter(f -> value >= f.from() && value <= f.to() && works(f))
                        .findFirst();
    }

    private boolean works(ChannelFunction function) {
        return function.master().map(this::inRange).orElse(true);
    }

    private boolean inRange(ModeMaster master) {
        Long value = raw.get(master.channel());
        return value == null || value >= master.from() && value <= master.to();
    }

    long value(Channel channel) {
        return raw.getOrDefault(channel.key(), 0L);
    }

    /** How far into its function a channel stands, 0 to 1. */
    private double share(Channel channel, ChannelFunction function) {
        double width = function.to() - function.from();
        return width == 0 ? 0 : (value(channel) - function.from()) / width;
    }

    /**
     * How open a part stands that lets light through or gives it, 0 to 1, by what its profile says in physical terms: 0
     * to 1 as they are, other ranges from their lower end to their higher one, whichever of them comes first in DMX. A
     * function that stays at one value is open when that is not 0.
     */
    double open(Channel channel, ChannelFunction function) {
        double physical = physical(channel, function);
        double lowest = Math.min(function.physicalFrom(), function.physicalTo());
        double highest = Math.max(function.physicalFrom(), function.physicalTo());
        if (lowest >= 0 && highest <= 1) {
            return physical;
        }
        return highest == lowest ? 1 : (physical - lowest) / (highest - lowest);
    }

    /** By the range that the channel stands in, where that says a scale; else by the function. */
    double physical(Channel channel, ChannelFunction function) {
        long value = value(channel);
        for (NamedRange set : function.ranges()) {
            boolean scale = set.from() < set.to() && set.physicalFrom() != set.physicalTo() && set.wheelSlot() == 0;
            if (scale && set.from() <= value && value <= set.to()) {
                double along = (double) (value - set.from()) / (set.to() - set.from());
                return set.physicalFrom() * (1 - along) + set.physicalTo() * along;
            }
        }
        return function.physicalFrom() * (1 - share(channel, function))
                + function.physicalTo() * share(channel, function);
    }
}
