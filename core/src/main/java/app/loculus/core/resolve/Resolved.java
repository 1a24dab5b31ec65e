package app.loculus.core.resolve;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.unit.Fraction;

/** One channel's value after all layers. */
public record Resolved(ChannelFunction function, Fraction fraction, Source source) {

    static Resolved home(Channel channel) {
        ChannelFunction function = channel.homeFunction();
        return new Resolved(function, function.fractionOfDmx(channel.home()), new Source.Home());
    }
}
