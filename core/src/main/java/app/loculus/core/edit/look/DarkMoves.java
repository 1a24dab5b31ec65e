package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Lights that move while they come in, though they were dark one cue before: set there, the move would not be seen.
 * Goes along a list that carries on, cue by cue.
 */
public final class DarkMoves {

    /** @param lit units that are lit without anybody having said where to */
    public record Found(Cue cue, Map<UnitId, Map<Attribute, Touched>> moves, List<UnitId> lit) {}

    private DarkMoves() {}

    /** For each cue of a list, in order. */
    public static List<Found> of(Show show, CueList list) {
        List<Found> all = new ArrayList<>();
        Map<UnitId, UnitValues> standing = Map.of();
        boolean first = true;
        for (Cue cue : show.cues(list.id())) {
            Map<UnitId, UnitValues> own = show.look(cue.look()).values();
            boolean carrying = list.join() == CueList.Join.CARRYING_ON;
            Map<UnitId, UnitValues> now = carrying ? RecordLook.merged(show.patch(), standing, own) : own;
            Map<UnitId, Map<Attribute, Touched>> moves = new LinkedHashMap<>();
            List<UnitId> lit = new ArrayList<>();
            for (Map.Entry<UnitId, UnitValues> e : now.entrySet()) {
                UnitId unit = e.getKey();
                if (moving(show, unit) && lit(show, unit, now)) {
                    Map<Attribute, Touched> positions = positions(show, unit, own.get(unit));
                    UnitValues was = standing.getOrDefault(unit, UnitValues.NONE);
                    positions.values().removeIf(Touched::companion);
                    positions
                            .entrySet()
                            .removeIf(p -> was.get(p.getKey())
                                    .map(Touched::value)
                                    .equals(Optional.of(p.getValue().value())));
                    if (carrying && !first && !positions.isEmpty() && !lit(show, unit, standing)) {
                        moves.put(unit, positions);
                    }
                    if (positions(show, unit, e.getValue()).isEmpty()) {
                        lit.add(unit);
                    }
                }
            }
            all.add(new Found(cue, moves, lit));
            standing = now;
            first = false;
        }
        return all;
    }

    private static boolean moving(Show show, UnitId unit) {
        return mode(show, unit).parameter(unit.cell(), Attribute.PAN).isPresent();
    }

    private static Mode mode(Show show, UnitId unit) {
        return show.patch().modeOf(show.patch().get(unit.fixture()));
    }

    private static boolean lit(Show show, UnitId unit, Map<UnitId, UnitValues> values) {
        Mode mode = mode(show, unit);
        UnitValues own = values.get(unit);
        return own != null
                && mode.parameter(unit.cell(), Attribute.DIMMER)
                        .flatMap(p -> Optional.ofNullable(
                                        show.resolver().held(unit, own).get(Attribute.DIMMER))
                                .flatMap(h -> h.value().in(mode, p)))
                        .filter(place -> place.light() > 0)
                        .isPresent();
    }

    private static Map<Attribute, Touched> positions(Show show, UnitId unit, UnitValues values) {
        Map<Attribute, Touched> found = new LinkedHashMap<>();
        if (values != null) {
            Fixture fixture = show.patch().get(unit.fixture());
            Profile profile = show.patch().profileOf(fixture);
            values.byAttribute().forEach((attribute, t) -> {
                if (profile.kindOf(attribute) == Kind.POSITION) {
                    found.put(attribute, t);
                }
            });
        }
        return found;
    }
}
