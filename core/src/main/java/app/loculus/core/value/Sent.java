package app.loculus.core.value;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToLongFunction;

/** What the channels of a mode send when some attributes of one cell are set and the rest stands where it stood. */
public final class Sent {

    private final Mode mode;
    private final int cell;
    private final IntToLongFunction below;
    private final Map<Integer, Long> set = new LinkedHashMap<>();

    /** @param below what channels send that nothing is said about here */
    public Sent(Mode mode, int cell, IntToLongFunction below) {
        this.mode = mode;
        this.cell = cell;
        this.below = below;
    }

    /** Everything else at home. */
    public static Sent overHome(Mode mode, int cell, Map<Attribute, ? extends AttributeValue> values) {
        Sent sent = new Sent(mode, cell, home(mode));
        values.forEach(sent::set);
        return sent;
    }

    public static IntToLongFunction home(Mode mode) {
        return channel -> {
            Channel c = mode.channels().get(channel);
            ChannelFunction function = c.homeFunction();
            return new FunctionValue(function, function.fractionOfDmx(c.home())).dmx();
        };
    }

    public void set(Attribute attribute, AttributeValue value) {
        Parameter parameter = mode.parameter(cell, attribute).orElse(null);
        if (parameter != null) {
            value.in(mode, parameter).ifPresent(place -> set.put(parameter.channel(), place.dmx()));
        }
    }

    /** By index of the channel, in its resolution. */
    public void set(int channel, long dmx) {
        set.put(channel, dmx);
    }

    public long at(int channel) {
        Long said = set.get(channel);
        return said == null ? below.applyAsLong(channel) : said;
    }

    /**
     * Mode channels that what is set needs, where they stand or have to move to. A dark emitter needs none, nor does one
     * that does not work while another of the mix does.
     */
    public Map<Integer, Long> masters() {
        List<Integer> channels = set.keySet().stream().sorted().toList();
        boolean mixWorks = channels.stream().anyMatch(c -> shines(c) && works(c));
        Map<Integer, Long> found = new LinkedHashMap<>();
        for (int channel : channels) {
            boolean mix = function(channel).attribute().isMix();
            if (!mix || shines(channel) && (!mixWorks || works(channel))) {
                mode.masters(mode.channels().get(channel).cell(), function(channel), c -> found.getOrDefault(c, at(c)))
                        .forEach(found::putIfAbsent);
            }
        }
        return found;
    }

    private ChannelFunction function(int channel) {
        return mode.working(channel, at(channel), this::at);
    }

    private boolean works(int channel) {
        return mode.works(mode.channels().get(channel).cell(), function(channel), this::at);
    }

    private boolean shines(int channel) {
        ChannelFunction function = function(channel);
        return function.attribute().isMix()
                && new FunctionValue(function, function.fractionOfDmx(at(channel))).light() > 0;
    }
}
