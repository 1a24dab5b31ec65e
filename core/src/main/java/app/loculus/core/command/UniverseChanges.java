package app.loculus.core.command;

import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import java.util.function.UnaryOperator;

/** Reads what a line says about a universe. */
final class UniverseChanges extends LineBaseVisitor<UnaryOperator<UniverseSetup>> {

    /** Multicast stays inside this machine unless an interface is named. */
    private static final String LOOPBACK = "127.0.0.1";

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseName(LineParser.UniverseNameContext c) {
        return s -> s.named(Terms.text(c.text()));
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseSwitch(LineParser.UniverseSwitchContext c) {
        return s -> s.switched(c.ON() != null);
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniversePriority(LineParser.UniversePriorityContext c) {
        return s -> s.withPriority(Terms.integer(c.integer()));
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseNumber(LineParser.UniverseNumberContext c) {
        return s -> s.numbered(Terms.integer(c.integer()));
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseToRig(LineParser.UniverseToRigContext c) {
        return s -> s.going(Route.RIG);
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseUnicast(LineParser.UniverseUnicastContext c) {
        return s -> s.going(new Route(Route.Kind.UNICAST, Terms.text(c.target().text()), Terms.text(c.text())));
    }

    @Override
    public UnaryOperator<UniverseSetup> visitUniverseMulticast(LineParser.UniverseMulticastContext c) {
        String target = c.target() == null ? LOOPBACK : Terms.text(c.target().text());
        return s -> s.going(new Route(Route.Kind.MULTICAST, target, Terms.text(c.text())));
    }
}
