package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;

/**
 * What a universe is called and where it goes.
 *
 * @param universe the show's number for it
 * @param name may be empty
 * @param on whether it is sent at all
 * @param port its number outside: E1.31 universe, 1 to 63999, or Art-Net port address, 0 to 32767
 * @param priority 0 to 200; receivers take the highest (E1.31; Art-Net knows none)
 * @param sync E1.31 synchronisation address, 1 to 63999: universes with the same one change at the same moment; 0 for
 *     none. By Art-Net any of them asks for ArtSync.
 */
public record UniverseSetup(int universe, String name, boolean on, int port, int priority, Route route, int sync) {

    public static final int USUAL_PRIORITY = 100;
    private static final int HIGHEST_PRIORITY = 200;
    private static final int LONGEST_NAME = 100;

    public UniverseSetup {
        new Address(universe, 1);
        if (route.kind().artNet()) {
            new PortAddress(port);
        } else if (port < 1 || port > Address.LAST_UNIVERSE) {
            throw Refusal.of(
                    "output.port",
                    "universe",
                    "Port number " + port + " is outside 1 to " + Address.LAST_UNIVERSE + ".",
                    WayOut.advice("Give it another one: number " + universe + "."));
        }
        if (priority < 0 || priority > HIGHEST_PRIORITY) {
            throw Refusal.of(
                    "output.priority",
                    "universe",
                    "Priority " + priority + " is outside 0 to " + HIGHEST_PRIORITY + ".",
                    WayOut.advice("100 is usual."));
        }
        if (sync < 0 || sync > Address.LAST_UNIVERSE) {
            throw Refusal.of(
                    "output.sync",
                    "universe",
                    "Sync " + sync + " is outside 1 to " + Address.LAST_UNIVERSE + ".",
                    WayOut.advice("Take a number that no universe has, or “sync off”."));
        }
        if (name.length() > LONGEST_NAME) {
            throw Refusal.of("output.name", "name", "A universe's name has at most " + LONGEST_NAME + " characters.");
        }
    }

    /** A universe nobody has said anything about: on, under its own number, to the virtual rig alone. */
    public static UniverseSetup usual(int universe) {
        return new UniverseSetup(universe, "", true, universe, USUAL_PRIORITY, Route.RIG, 0);
    }

    /** For a show from elsewhere: what goes outside is off until someone switches it on here. */
    public UniverseSetup keptInside() {
        return route.kind() == Route.Kind.RIG ? this : switched(false);
    }

    public UniverseSetup named(String newName) {
        return new UniverseSetup(universe, newName, on, port, priority, route, sync);
    }

    public UniverseSetup switched(boolean nowOn) {
        return new UniverseSetup(universe, name, nowOn, port, priority, route, sync);
    }

    public UniverseSetup numbered(int newPort) {
        return new UniverseSetup(universe, name, on, newPort, priority, route, sync);
    }

    public UniverseSetup withPriority(int newPriority) {
        return new UniverseSetup(universe, name, on, port, newPriority, route, sync);
    }

    public UniverseSetup going(Route newRoute) {
        return new UniverseSetup(universe, name, on, port, priority, newRoute, sync);
    }

    /** @param newSync 0 for none */
    public UniverseSetup synced(int newSync) {
        return new UniverseSetup(universe, name, on, port, priority, route, newSync);
    }

    /** Its number outside as it stands on a node. */
    public String numberText() {
        return route.kind().artNet() ? new PortAddress(port).toString() : String.valueOf(port);
    }

    /** The same with what it is, both ways where there are two. */
    public String numberWords() {
        return route.kind().artNet() ? "port address " + numberText() + " (" + port + ")" : "number " + port;
    }

    @Override
    public String toString() {
        return "Universe " + universe + (name.isEmpty() ? "" : " “" + name + "”") + ": " + (on ? "on" : "off")
                + ", " + numberWords() + (route.kind().artNet() ? "" : ", priority " + priority)
                + (sync == 0 ? "" : ", synchronised by " + sync) + ", " + route;
    }
}
