package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.unit.Limits;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Where a universe goes beside the virtual rig.
 *
 * @param target unicast: an IPv4 address, with a port or without; multicast: address of this machine's interface
 * @param name what the person called the target; needed for everything but the rig alone
 */
public record Route(Kind kind, String target, String name) {

    public static final Route RIG = new Route(Kind.RIG, "", "");

    /** How frames travel. */
    public enum Kind {
        RIG,
        UNICAST,
        MULTICAST;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final Pattern FORM = Pattern.compile("((\\d{1,3}\\.){3}\\d{1,3})(?::(\\d{1,5}))?");
    private static final int USUAL_PORT = 5568;

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
                                    : "192.0.2.7, that of an interface."));
        }
    }

    /** The address without its port. */
    public String host() {
        return target.strip().split(":")[0];
    }

    /** UDP port; 5568 unless another one is given. */
    public int port() {
        String[] parts = target.strip().split(":");
        return parts.length > 1 ? Integer.parseInt(parts[1]) : USUAL_PORT;
    }

    /** Whether frames stay in this machine. */
    public boolean inside() {
        return kind == Kind.RIG || host().startsWith("127.");
    }

    @Override
    public String toString() {
        return kind == Kind.RIG ? "virtual rig" : kind.word() + " to “" + name + "” (" + target + ")";
    }
}
