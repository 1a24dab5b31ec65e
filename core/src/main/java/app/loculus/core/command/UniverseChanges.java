package app.loculus.core.command;

import app.loculus.core.patch.PortAddress;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.List;
import java.util.Optional;

/** Reads what a line says about a universe; all of it counts at once, so that a number may come before its route. */
final class UniverseChanges extends LineBaseVisitor<UniverseChanges> {

    /** What goes by an interface stays inside this machine unless one is named. */
    private static final String LOOPBACK = "127.0.0.1";

    private Optional<String> name = Optional.empty();
    private Optional<Boolean> on = Optional.empty();
    private Optional<Integer> port = Optional.empty();
    private Optional<Integer> priority = Optional.empty();
    private Optional<Route> route = Optional.empty();
    private Optional<Integer> sync = Optional.empty();

    static UniverseChanges of(List<LineParser.UniverseChangeContext> said) {
        UniverseChanges all = new UniverseChanges();
        said.forEach(c -> c.accept(all));
        return all;
    }

    UniverseSetup apply(UniverseSetup s) {
        return new UniverseSetup(
                s.universe(),
                name.orElse(s.name()),
                on.orElse(s.on()),
                port.orElse(s.port()),
                priority.orElse(s.priority()),
                route.orElse(s.route()),
                sync.orElse(s.sync()));
    }

    @Override
    public UniverseChanges visitUniverseName(LineParser.UniverseNameContext c) {
        name = Optional.of(Terms.text(c.text()));
        return this;
    }

    @Override
    public UniverseChanges visitUniverseSwitch(LineParser.UniverseSwitchContext c) {
        on = Optional.of(c.ON() != null);
        return this;
    }

    @Override
    public UniverseChanges visitUniversePriority(LineParser.UniversePriorityContext c) {
        priority = Optional.of(Terms.integer(c.integer()));
        return this;
    }

    @Override
    public UniverseChanges visitUniverseNumber(LineParser.UniverseNumberContext c) {
        List<Integer> numbers = c.integer().stream().map(Terms::integer).toList();
        port = Optional.of(
                numbers.size() == 1
                        ? numbers.get(0)
                        : PortAddress.of(numbers.get(0), numbers.get(1), numbers.get(2))
                                .value());
        return this;
    }

    @Override
    public UniverseChanges visitUniverseSync(LineParser.UniverseSyncContext c) {
        int number = c.OFF() == null ? Terms.integer(c.integer()) : 0;
        if (c.OFF() == null && number == 0) {
            throw Refusal.of("output.sync", "universe", "Sync 0 is none.", WayOut.advice("Say “sync off”."));
        }
        sync = Optional.of(number);
        return this;
    }

    @Override
    public UniverseChanges visitUniverseToRig(LineParser.UniverseToRigContext c) {
        route = Optional.of(Route.RIG);
        return this;
    }

    @Override
    public UniverseChanges visitUniverseUnicast(LineParser.UniverseUnicastContext c) {
        return to(Route.Kind.UNICAST, c.target(), c.text());
    }

    @Override
    public UniverseChanges visitUniverseMulticast(LineParser.UniverseMulticastContext c) {
        return to(Route.Kind.MULTICAST, c.target(), c.text());
    }

    @Override
    public UniverseChanges visitUniverseArtNet(LineParser.UniverseArtNetContext c) {
        return to(c.BROADCAST() == null ? Route.Kind.ART_NET : Route.Kind.ART_NET_BROADCAST, c.target(), c.text());
    }

    private UniverseChanges to(Route.Kind kind, LineParser.TargetContext target, LineParser.TextContext called) {
        String where = target == null ? LOOPBACK : Terms.text(target.text());
        route = Optional.of(new Route(kind, where, Terms.text(called)));
        return this;
    }
}
