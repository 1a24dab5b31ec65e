package app.loculus.core.resolve;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.unit.Fraction;
import java.util.Optional;

/** One channel's value after all layers. @param layer the owner of the layer that says so */
public record Resolved(ChannelFunction function, Fraction fraction, Source source, String layer) {

    /** Below all layers. */
    public static final String HOME = "home";

    static Resolved home(Channel channel) {
        ChannelFunction function = channel.homeFunction();
        return new Resolved(function, function.fractionOfDmx(channel.home()), new Source.Home(), HOME);
    }

    /** Where it comes from in one word or two: home, hand, palette, highlight; the list or submaster that is played. */
    public String from() {
        return source instanceof Source.InLook ? layer : source.word();
    }

    /** What the channel sends for it, before virtual dimmers. */
    public FunctionValue place() {
        return new FunctionValue(function, fraction);
    }

    /** Whether this is where the channel stands when nobody says anything. */
    public boolean atHome(Channel channel) {
        Resolved home = home(channel);
        return function.equals(home.function) && fraction.equals(home.fraction);
    }

    /** What the channel shows when its fixture is shown off; empty when its profile does not say. */
    static Optional<Resolved> highlighted(Channel channel, String layer) {
        if (channel.highlight().isEmpty()) {
            return Optional.empty();
        }
        long dmx = channel.highlight().getAsLong();
        ChannelFunction function = channel.functionAt(dmx, f -> true);
        return Optional.of(new Resolved(function, function.fractionOfDmx(dmx), new Source.Highlight(), layer));
    }

    /** The same at a share of its light. */
    Resolved dimmed(double factor) {
        Fraction to = FunctionValue.lit(function, Lights.light(this) * factor).fraction();
        return new Resolved(function, to, source, layer);
    }
}
