package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;

/**
 * What a universe is called and where it goes.
 *
 * @param universe the show's number for it
 * @param name may be empty
 * @param on whether it is sent at all
 * @param port its E1.31 universe number outside, 1 to 63999
 * @param priority 0 to 200; receivers take the highest (E1.31)
 */
public record UniverseSetup(int universe, String name, boolean on, int port, int priority, Route route) {

    public static final int USUAL_PRIORITY = 100;
    private static final int HIGHEST_PRIORITY = 200;
    private static final int LONGEST_NAME = 100;

    public UniverseSetup {
        new Address(universe, 1);
        if (port < 1 || port > Address.LAST_UNIVERSE) {
            throw Refusal.of(
                    "output.port",
                    "universe",
                    "Port number " + port + " is outside 1 to " + Address.LAST_UNIVERSE + ".");
        }
        if (priority < 0 || priority > HIGHEST_PRIORITY) {
            throw Refusal.of(
                    "output.priority",
                    "universe",
                    "Priority " + priority + " is outside 0 to " + HIGHEST_PRIORITY + ".",
                    WayOut.advice("100 is usual."));
        }
        if (name.length() > LONGEST_NAME) {
            throw Refusal.of("output.name", "name", "A universe's name has at most " + LONGEST_NAME + " characters.");
        }
    }

    /** A universe nobody has said anything about: on, under its own number, to the virtual rig alone. */
    public static UniverseSetup usual(int universe) {
        return new UniverseSetup(universe, "", true, universe, USUAL_PRIORITY, Route.RIG);
    }

    /** For a show from elsewhere: what goes outside is off until someone switches it on here. */
    public UniverseSetup keptInside() {
        return route.kind() == Route.Kind.RIG ? this : switched(false);
    }

    public UniverseSetup named(String newName) {
        return new UniverseSetup(universe, newName, on, port, priority, route);
    }

    public UniverseSetup switched(boolean nowOn) {
        return new UniverseSetup(universe, name, nowOn, port, priority, route);
    }

    public UniverseSetup numbered(int newPort) {
        return new UniverseSetup(universe, name, on, newPort, priority, route);
    }

    public UniverseSetup withPriority(int newPriority) {
        return new UniverseSetup(universe, name, on, port, newPriority, route);
    }

    public UniverseSetup going(Route newRoute) {
        return new UniverseSetup(universe, name, on, port, priority, newRoute);
    }

    @Override
    public String toString() {
        return "Universe " + universe + (name.isEmpty() ? "" : " “" + name + "”") + ": " + (on ? "on" : "off")
                + ", number " + port + ", priority " + priority + ", " + route;
    }
}
