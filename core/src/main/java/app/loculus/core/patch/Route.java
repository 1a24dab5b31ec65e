package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.Locale;

/**
 * Where a universe goes beside the virtual rig.
 *
 * @param target unicast: {@code host} or {@code host:port}; multicast: address of this machine's interface
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

    public Route {
        if (kind != Kind.RIG && (target.isBlank() || name.isBlank())) {
            throw Refusal.of(
                    "output.target",
                    "target",
                    target.isBlank() ? "The target is missing." : "The target “" + target + "” has no name yet.",
                    WayOut.advice("Frames leave for a target only after it was chosen and named."));
        }
    }

    @Override
    public String toString() {
        return kind == Kind.RIG ? "virtual rig" : kind.word() + " to “" + name + "” (" + target + ")";
    }
}
