package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
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

    /**
     * @param moves where those come to that could be sent there in the dark one cue before
     * @param late units that are still on their way out one cue before: sent there, they would be seen
     * @param lit units that are lit without anybody having said where to
     */
    public record Found(Cue cue, Map<UnitId, Map<Attribute, Touched>> moves, List<UnitId> late, List<UnitId> lit) {}

    private DarkMoves() {}

    /** For each cue of a list, in order. */
    public static List<Found> of(Show show, CueList list) {
        List<Found> all = new ArrayList<>();
        Map<UnitId, UnitValues> standing = Map.of();
        Map<UnitId, UnitValues> earlier = Map.of();
        boolean first = true;
        for (Cue cue : show.cues(list.id())) {
            Map<UnitId, UnitValues> own = show.look(cue.look()).values();
            boolean carrying = list.join() == CueList.Join.CARRYING_ON;
            Map<UnitId, UnitValues> now = carrying ? RecordLook.merged(show.patch(), standing, own) : own;
            Map<UnitId, Map<Attribute, Touched>> moves = new LinkedHashMap<>();
            List<UnitId> late = new ArrayList<>();
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
                        if (lit(show, unit, earlier)) {
                            late.add(unit);
                        } else {
                            moves.put(unit, positions);
                        }
                    }
                    if (positions(show, unit, e.getValue()).isEmpty()) {
                        lit.add(unit);
                    }
                }
            }
            all.add(new Found(cue, moves, late, lit));
            earlier = standing;
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

    /** Whether light comes out of a head: through all that dims it, from one of its cells at least where those are dimmed. */
    public static boolean lit(Show show, UnitId unit, Map<UnitId, UnitValues> values) {
        Mode mode = mode(show, unit);
        boolean through = mode.layout().outwards(unit.cell()).stream()
                .filter(cell -> mode.parameter(cell, Attribute.DIMMER).isPresent())
                .allMatch(cell -> shines(show, mode, new UnitId(unit.fixture(), cell), values));
        List<UnitId> cells = Touching.withCells(show.patch(), unit).stream()
                .filter(u -> u.cell() != unit.cell())
                .filter(u -> mode.parameter(u.cell(), Attribute.DIMMER).isPresent())
                .toList();
        return through && (cells.isEmpty() || cells.stream().anyMatch(cell -> shines(show, mode, cell, values)));
    }

    private static boolean shines(Show show, Mode mode, UnitId unit, Map<UnitId, UnitValues> values) {
        Parameter parameter = mode.parameter(unit.cell(), Attribute.DIMMER).orElseThrow();
        UnitValues own = values.getOrDefault(unit, UnitValues.NONE);
        Held held = show.resolver().held(unit, own).get(Attribute.DIMMER);
        if (held != null && held.moving().isPresent()) {
            return true;
        }
        AttributeValue value = held == null ? AttributeValue.home(mode, parameter) : held.value();
        return value.in(mode, parameter).filter(place -> place.light() > 0).isPresent();
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
