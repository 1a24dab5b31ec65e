package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.unit.Limits;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Where a universe goes beside the virtual rig.
 *
 * @param target unicast: an IPv4 address, with a port or without; multicast and Art-Net broadcast: address of this
 *     machine's interface; Art-Net: either, an interface to ask all nodes there, an address to ask that node alone
 * @param name what the person called the target; needed for everything but the rig alone
 */
public record Route(Kind kind, String target, String name) {

    public static final Route RIG = new Route(Kind.RIG, "", "");

    /** How frames travel. */
    public enum Kind {
        RIG("rig"),
        UNICAST("unicast"),
        MULTICAST("multicast"),
        /** To each node that answered that it takes the universe. */
        ART_NET("art-net"),
        /** To everybody on a net. */
        ART_NET_BROADCAST("art-net broadcast");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        /** As in the line. */
        public String word() {
            return word;
        }

        public boolean artNet() {
            return this == ART_NET || this == ART_NET_BROADCAST;
        }

        private String words() {
            return artNet() ? word.replace("art-net", "Art-Net") : word;
        }
    }

    private static final Pattern FORM = Pattern.compile("((\\d{1,3}\\.){3}\\d{1,3})(?::(\\d{1,5}))?");
    private static final int USUAL_PORT = 5568;

    /** UDP port of Art-Net. */
    public static final int ART_NET_PORT = 6454;

    public Route {
        if (kind != Kind.RIG && (target.isBlank() || name.isBlank())) {
            throw Refusal.of(
                    "output.target",
                    "target",
                    target.isBlank() ? "The target is missing." : "The target “" + target + "” has no name yet.",
                    WayOut.advice("Frames leave for a target only after it was chosen and named."));
        }
        Limits.text("output.target", "target", target, Limits.NAME);
        Limits.text("output.target", "name of a target", name, Limits.NAME);
        if (kind != Kind.RIG) {
            check(kind, target);
        }
    }

    private static void check(Kind kind, String target) {
        Matcher form = FORM.matcher(target.strip());
        boolean octets = form.matches()
                && Stream.of(form.group(1).split("\\.")).allMatch(o -> Integer.parseInt(o) <= 255)
                && (form.group(3) == null || Integer.parseInt(form.group(3)) <= 65535);
        if (!octets || kind == Kind.MULTICAST && form.group(3) != null) {
            throw Refusal.of(
                    "output.target",
                    "target",
                    "“" + target + "” is no address such as "
                            + (kind == Kind.UNICAST
                                    ? "192.0.2.7 or 192.0.2.7:5568."
                                    : kind == Kind.ART_NET
                                            ? "192.0.2.7, that of an interface or of a node."
                                            : "192.0.2.7, that of an interface."));
        }
    }

    /** The address without its port. */
    public String host() {
        return target.strip().split(":")[0];
    }

    /** UDP port; 5568, for Art-Net 6454, unless another one is given. */
    public int port() {
        String[] parts = target.strip().split(":");
        return parts.length > 1 ? Integer.parseInt(parts[1]) : kind.artNet() ? ART_NET_PORT : USUAL_PORT;
    }

    /** Whether frames stay in this machine. */
    public boolean inside() {
        return kind == Kind.RIG || host().startsWith("127.");
    }

    @Override
    public String toString() {
        return kind == Kind.RIG ? "virtual rig" : kind.words() + " to “" + name + "” (" + target + ")";
    }
}
