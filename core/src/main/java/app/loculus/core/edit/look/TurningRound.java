package app.loculus.core.edit.look;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.palette.Aimed;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Heads that turn right round on their way, though the other way over leads to the same place on a shorter one. */
final class TurningRound {

    /** Degrees that the other way must save before it is worth a word. */
    private static final double SAVED = 120;

    private TurningRound() {}

    static boolean between(Show show, UnitId unit, UnitValues before, UnitValues after) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Optional<Aiming.Reach> reach = Aimed.reach(mode, unit.cell());
        if (reach.isEmpty()) {
            return false;
        }
        Optional<double[]> from = pointed(show, mode, unit, before);
        Optional<double[]> to = pointed(show, mode, unit, after);
        return from.isPresent() && to.isPresent() && shorter(from.get(), to.get(), reach.get());
    }

    /** With tilt to the other side. */
    private static boolean shorter(double[] from, double[] to, Aiming.Reach reach) {
        double way = Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1]);
        for (double turned : new double[] {to[0] - 180, to[0] + 180}) {
            boolean there = turned >= reach.panFrom()
                    && turned <= reach.panTo()
                    && -to[1] >= reach.tiltFrom()
                    && -to[1] <= reach.tiltTo();
            if (there && Math.abs(turned - from[0]) + Math.abs(-to[1] - from[1]) + SAVED <= way) {
                return true;
            }
        }
        return false;
    }

    /** Pan and tilt in degrees; empty when they are not both held still. */
    private static Optional<double[]> pointed(Show show, Mode mode, UnitId unit, UnitValues values) {
        Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
        show.resolver().held(unit, values).forEach((attribute, held) -> {
            if (held.moving().isEmpty()) {
                plain.put(attribute, held.value());
            }
        });
        return Aimed.degrees(mode, unit.cell(), plain, Attribute.PAN)
                .flatMap(pan ->
                        Aimed.degrees(mode, unit.cell(), plain, Attribute.TILT).map(tilt -> new double[] {pan, tilt}));
    }
}
