package app.loculus.core.resolve;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.unit.Fraction;
import java.util.Optional;

/** One channel's value after all layers. */
public record Resolved(ChannelFunction function, Fraction fraction, Source source) {

    static Resolved home(Channel channel) {
        ChannelFunction function = channel.homeFunction();
        return new Resolved(function, function.fractionOfDmx(channel.home()), new Source.Home());
    }

    /** What the channel shows when its fixture is shown off; empty when its profile does not say. */
    static Optional<Resolved> highlighted(Channel channel) {
        if (channel.highlight().isEmpty()) {
            return Optional.empty();
        }
        long dmx = channel.highlight().getAsLong();
        ChannelFunction function = channel.functions().stream()
                .filter(f -> dmx >= f.from() && dmx <= f.to())
                .findFirst()
                .orElse(channel.functions().get(0));
        return Optional.of(new Resolved(function, function.fractionOfDmx(dmx), new Source.Highlight()));
    }
}
