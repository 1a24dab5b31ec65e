package app.loculus.core.edit.look;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Aiming.PanTilt;
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
        Optional<PanTilt> from = pointed(show, unit, before);
        Optional<PanTilt> to = pointed(show, unit, after);
        return from.isPresent() && to.isPresent() && shorter(from.get(), to.get(), reach.get());
    }

    private static boolean shorter(PanTilt from, PanTilt to, Aiming.Reach reach) {
        return Aiming.over(to, reach).stream().anyMatch(over -> from.wayTo(over) + SAVED <= from.wayTo(to));
    }

    /** Where values point a unit; empty when they do not hold both pan and tilt still. */
    static Optional<PanTilt> pointed(Show show, UnitId unit, UnitValues values) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
        show.resolver().held(unit, values).forEach((attribute, held) -> {
            if (held.moving().isEmpty()) {
                plain.put(attribute, held.value());
            }
        });
        return Aimed.pointed(mode, unit.cell(), plain);
    }
}
