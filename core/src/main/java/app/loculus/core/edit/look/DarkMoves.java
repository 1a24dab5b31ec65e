package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
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
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Shapes;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.CueListId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;

/**
 * Lights that move while they come in, though they were dark one cue before: set there, the move would not be seen.
 * Goes along a list that carries on, cue by cue, and remembers how far it got.
 */
public final class DarkMoves {

    /**
     * What happens to heads with one cue.
     *
     * @param moves where those come to that could be sent there in the dark one cue before
     * @param late units that are still on their way out one cue before: sent there, they would be seen
     * @param lit units that are lit without anybody having said where to
     * @param turning units that turn right round while they are lit, though there is a shorter way
     */
    public record Found(
            Cue cue,
            Map<UnitId, Map<Attribute, Touched>> moves,
            List<UnitId> late,
            List<UnitId> lit,
            List<UnitId> turning) {

        private Found of(Cue same) {
            return new Found(same, moves, late, lit, turning);
        }
    }

    /** Heads as they stand behind a cue. @param earlier one cue before that */
    private record Standing(Map<UnitId, UnitValues> now, Map<UnitId, UnitValues> earlier, boolean first) {

        static final Standing NOBODY = new Standing(Map.of(), Map.of(), true);
    }

    /** One cue that was gone past. @param look the very look it had */
    private record Stop(Look look, Found found, Standing after) {}

    /** A list that was gone along. @param by what all of it goes by */
    private record Walked(List<Object> by, CueList.Join join, List<Stop> stops) {}

    /** For shows to come. */
    private record Known(Map<CueListId, Walked> lists) {}

    /** For each cue of a list, in order. Of what was gone along before, only fixtures are looked at again that differ. */
    public static List<Found> of(Show show, CueList list) {
        Known known = show.growing(
                Known.class,
                before -> new Known(
                        new ConcurrentHashMap<>(before.map(Known::lists).orElse(Map.of()))));
        List<Object> by = List.of(
                Shapes.of(show).types(),
                Shapes.of(show).poses(),
                Shapes.of(show).given(),
                show.all(PartKinds.MARKS),
                show.all(PartKinds.EFFECTS));
        Walked before = known.lists().get(list.id());
        boolean holds = before != null && before.join() == list.join() && Shapes.same(before.by(), by);
        List<Stop> stops = new ArrayList<>();
        Standing standing = Standing.NOBODY;
        Set<FixtureId> differing = new HashSet<>();
        List<Found> all = new ArrayList<>();
        for (Cue cue : show.cues(list.id())) {
            Look look = show.look(cue.look());
            Optional<Stop> old = holds && stops.size() < before.stops().size()
                    ? Optional.of(before.stops().get(stops.size()))
                    : Optional.empty();
            old.ifPresent(o -> differing(show, o.look(), look, differing));
            Stop stop = old.isPresent() && differing.isEmpty()
                    ? new Stop(look, old.get().found(), old.get().after())
                    : new DarkMoves(show, list, standing, look, cue).stop(old, differing);
            stops.add(stop);
            standing = stop.after();
            all.add(stop.found().of(cue));
        }
        known.lists().put(list.id(), new Walked(by, list.join(), stops));
        return all;
    }

    /** Heads that have other values in one look than in the other. */
    private static void differing(Show show, Look one, Look other, Set<FixtureId> differing) {
        if (one == other) {
            return;
        }
        one.values().forEach((unit, values) -> {
            if (other.values().get(unit) != values) {
                differing.add(unit.fixture());
            }
        });
        other.values().keySet().stream()
                .filter(unit -> !one.values().containsKey(unit) && head(show, unit))
                .forEach(unit -> differing.add(unit.fixture()));
    }

    private final Show show;
    private final boolean carrying;
    private final Standing standing;
    private final Look look;
    private final Cue cue;
    private final Map<UnitId, Map<Attribute, Touched>> moves = new TreeMap<>();
    private final List<UnitId> late = new ArrayList<>();
    private final List<UnitId> lit = new ArrayList<>();
    private final List<UnitId> turning = new ArrayList<>();

    private DarkMoves(Show show, CueList list, Standing standing, Look look, Cue cue) {
        this.show = show;
        this.carrying = list.join() == CueList.Join.CARRYING_ON;
        this.standing = standing;
        this.look = look;
        this.cue = cue;
    }

    /** @param old what was found there before; it holds for all but those that differ */
    private Stop stop(Optional<Stop> old, Set<FixtureId> differing) {
        Predicate<UnitId> again = unit -> old.isEmpty() || differing.contains(unit.fixture());
        Map<UnitId, UnitValues> own = new LinkedHashMap<>();
        look.values().forEach((unit, values) -> {
            if (again.test(unit) && head(show, unit)) {
                own.put(unit, values);
            }
        });
        Map<UnitId, UnitValues> below = new LinkedHashMap<>();
        if (carrying) {
            standing.now().forEach((unit, values) -> {
                if (again.test(unit)) {
                    below.put(unit, values);
                }
            });
        }
        Map<UnitId, UnitValues> those = RecordLook.merged(show.patch(), below, own);
        Map<UnitId, UnitValues> now = those;
        if (old.isPresent()) {
            now = new HashMap<>(old.get().after().now());
            now.keySet().removeIf(again);
            now.putAll(those);
            keep(old.get().found(), again.negate());
        }
        for (Map.Entry<UnitId, UnitValues> e : those.entrySet()) {
            if (moving(show, e.getKey()) && lit(show, e.getKey(), now)) {
                look(e.getKey(), own.get(e.getKey()), e.getValue());
            }
        }
        late.sort(null);
        lit.sort(null);
        turning.sort(null);
        return new Stop(look, new Found(cue, moves, late, lit, turning), new Standing(now, standing.now(), false));
    }

    private void keep(Found found, Predicate<UnitId> which) {
        found.moves().forEach((unit, positions) -> {
            if (which.test(unit)) {
                moves.put(unit, positions);
            }
        });
        found.late().stream().filter(which).forEach(late::add);
        found.lit().stream().filter(which).forEach(lit::add);
        found.turning().stream().filter(which).forEach(turning::add);
    }

    /** @param own what the cue itself sets on it, or null */
    private void look(UnitId unit, UnitValues own, UnitValues now) {
        Map<Attribute, Touched> positions = positions(show, unit, own);
        UnitValues was = standing.now().getOrDefault(unit, UnitValues.NONE);
        positions.values().removeIf(Touched::companion);
        positions
                .entrySet()
                .removeIf(p -> was.get(p.getKey())
                        .map(Touched::value)
                        .equals(Optional.of(p.getValue().value())));
        if (carrying && !standing.first() && !positions.isEmpty()) {
            if (lit(show, unit, standing.now())) {
                if (TurningRound.between(show, unit, was, now)) {
                    turning.add(unit);
                }
            } else if (lit(show, unit, standing.earlier())) {
                late.add(unit);
            } else {
                moves.put(unit, positions);
            }
        }
        if (positions(show, unit, now).isEmpty()) {
            lit.add(unit);
        }
    }

    /** A unit of a fixture of which some part pans: what else there is has nothing to move. */
    private static boolean head(Show show, UnitId unit) {
        return mode(show, unit).attributes().contains(Attribute.PAN);
    }

    private static boolean moving(Show show, UnitId unit) {
        return mode(show, unit).parameter(unit.cell(), Attribute.PAN).isPresent();
    }

    private static Mode mode(Show show, UnitId unit) {
        return show.patch().modeOf(show.patch().get(unit.fixture()));
    }

    /** Whether light comes out of a head: through all that dims it, from one of its cells at least where those are dimmed. */
    private static boolean lit(Show show, UnitId unit, Map<UnitId, UnitValues> values) {
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
