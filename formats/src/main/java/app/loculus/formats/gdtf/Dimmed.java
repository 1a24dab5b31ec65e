package app.loculus.formats.gdtf;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The dimmers that a mode was given because its lights have none. A file says them as channels without a slot and relations
 * that multiply, so that whoever else reads it patches the light dark; read again, they are those that a mode is given anyway.
 *
 * @param dimmer the channel without a slot
 * @param followers plain keys of what it dims, each once
 */
record Dimmed(Channel dimmer, Set<String> followers) {

    /** What the function of such a channel is called. */
    private static final String NAME = "Virtual dimmer";

    static boolean added(Channel channel) {
        return channel.key().startsWith("virtual dimmer");
    }

    /** Those of a mode, in its order. */
    static List<Dimmed> of(Mode mode) {
        List<Channel> channels = mode.channels();
        List<Dimmed> all = new ArrayList<>();
        for (int i = 0; i < channels.size(); i++) {
            int dimmer = i;
            if (added(channels.get(i))) {
                Set<String> followers = new LinkedHashSet<>();
                IntStream.range(0, channels.size())
                        .filter(f -> mode.dimmersOf(f).contains(dimmer))
                        .forEach(f -> followers.add(channels.get(f).plainKey()));
                all.add(new Dimmed(channels.get(i), followers));
            }
        }
        return all;
    }

    /** Whether a channel that was read could be one of them. */
    static boolean like(Channel channel) {
        return channel.virtual()
                && channel.functions().size() == 1
                && channel.functions().get(0).name().equals(NAME);
    }

    /** Whether a channel that was read says just this. @param dims plain keys of what relations let it dim */
    boolean says(Channel read, Set<String> dims) {
        return read.cell() == dimmer.cell()
                && read.home() == dimmer.home()
                && read.attribute().equals(dimmer.attribute())
                && followers.equals(dims);
    }

    /** The geometry it belongs to: that of the first light it dims in its own part. */
    String geometry(Mode mode) {
        return mode.channels().stream()
                .filter(c -> c.cell() == dimmer.cell() && followers.contains(c.plainKey()))
                .findFirst()
                .map(Geometries::of)
                .orElse("Head");
    }
}
