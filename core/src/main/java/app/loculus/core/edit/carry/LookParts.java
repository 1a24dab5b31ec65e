package app.loculus.core.edit.carry;

import app.loculus.core.carry.At;
import app.loculus.core.carry.Counterpart;
import app.loculus.core.carry.UnitPairs;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.edit.look.RecordLook;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.PartKinds;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Whose part a fixture takes in a look. One that stands for a single other takes what the look has for that. One that
 * stands for several takes the part of the brightest of them, as they stand when a list has tracked to there; where that
 * becomes another one it takes all that this one stands at by then.
 */
final class LookParts {

    /** @param values of the show it comes from, among them those of the source */
    record Part(UnitPairs.Source source, Map<UnitId, UnitValues> values) {

        UnitValues of(UnitId was) {
            return values.getOrDefault(was, UnitValues.NONE);
        }
    }

    /** More than dark, and less than anything that is lit: an effect moves it, or something else of it is set. */
    private static final double MOVED = 0.001;

    private static final double SET = 0.0001;

    private final Carry carry;
    private final Resolver before;

    /** Of fixtures that stand for several: which of those leads, and the values it is taken from. */
    private final Map<LookId, Map<FixtureId, Led>> led = new HashMap<>();

    private record Led(FixtureId was, Map<UnitId, UnitValues> values) {}

    LookParts(Carry carry) {
        this.carry = carry;
        this.before = carry.from().resolver().still();
        List<FixtureId> several = carry.pairs()
                .pairing()
                .taken()
                .filter(id -> carry.pairs().pairing().partsOf(id).size() > 1)
                .toList();
        for (Look look : several.isEmpty() ? List.<Look>of() : looks()) {
            led.put(look.id(), lead(several, look.values(), look.values(), Map.of()));
        }
        for (CueList list :
                several.isEmpty() ? List.<CueList>of() : carry.from().lists()) {
            if (list.join() == CueList.Join.CARRYING_ON) {
                track(several, carry.from().cues(list.id()));
            }
        }
    }

    private List<Look> looks() {
        return List.copyOf(carry.from().all(PartKinds.LOOKS).values());
    }

    private void track(List<FixtureId> several, List<Cue> cues) {
        Map<UnitId, UnitValues> standing = Map.of();
        Map<FixtureId, Led> last = Map.of();
        for (Cue cue : cues) {
            Look look = carry.from().look(cue.look());
            standing = RecordLook.merged(carry.from().patch(), standing, look.values());
            last = lead(several, standing, look.values(), last);
            led.put(look.id(), last);
        }
    }

    private Map<FixtureId, Led> lead(
            List<FixtureId> several,
            Map<UnitId, UnitValues> standing,
            Map<UnitId, UnitValues> own,
            Map<FixtureId, Led> last) {
        Map<FixtureId, Double> levels = levels(standing);
        Map<FixtureId, Led> found = new LinkedHashMap<>();
        for (FixtureId is : several) {
            FixtureId led = last.containsKey(is) ? last.get(is).was() : null;
            FixtureId best = led;
            for (FixtureId was : carry.pairs().pairing().partsOf(is)) {
                boolean brighter = best == null || levels.getOrDefault(was, 0.0) > levels.getOrDefault(best, 0.0);
                best = levels.containsKey(was) && brighter ? was : best;
            }
            if (best != null) {
                found.put(is, new Led(best, best.equals(led) ? own : standing));
            }
        }
        return found;
    }

    /** How bright those are that anything is said of, 0 to 1. */
    private Map<FixtureId, Double> levels(Map<UnitId, UnitValues> standing) {
        Map<FixtureId, Map<UnitId, UnitValues>> fixtures = new LinkedHashMap<>();
        standing.forEach((unit, values) -> fixtures.computeIfAbsent(unit.fixture(), f -> new LinkedHashMap<>())
                .put(unit, values));
        Map<FixtureId, Double> levels = new HashMap<>();
        fixtures.forEach((id, units) -> levels.put(id, shines(id, units) ? level(id, units) : SET));
        return levels;
    }

    /** Of its brightest cell: a cell's own dimmer and those of all it lies in multiply, unsaid ones as they are at home. */
    private double level(FixtureId id, Map<UnitId, UnitValues> units) {
        Mode mode = carry.was(UnitId.whole(id)).mode();
        double level = 0;
        for (int cell = 0; cell <= mode.cells(); cell++) {
            if (mode.layout().innermost(cell)) {
                double gate = 1;
                for (int outer : mode.layout().outwards(cell)) {
                    UnitId unit = new UnitId(id, outer);
                    gate *= gate(unit, units.getOrDefault(unit, UnitValues.NONE));
                }
                level = Math.max(level, gate);
            }
        }
        boolean moved = units.values().stream()
                .anyMatch(v ->
                        v.get(Attribute.DIMMER).flatMap(t -> t.value().moved()).isPresent());
        return level == 0 && moved ? MOVED : level;
    }

    private double gate(UnitId unit, UnitValues values) {
        At at = carry.was(unit);
        return at.parameter(Attribute.DIMMER)
                .flatMap(p -> Optional.ofNullable(before.held(unit, values).get(Attribute.DIMMER))
                        .map(Held::value)
                        .orElseGet(() -> AttributeValue.home(at.mode(), p))
                        .in(at.mode(), p))
                .map(FunctionValue::light)
                .orElse(1.0);
    }

    /** Whether any of its cells has a colour that gives light, or it has a lamp that does. */
    private boolean shines(FixtureId id, Map<UnitId, UnitValues> units) {
        boolean mixes = false;
        for (int cell = 0; cell <= carry.was(UnitId.whole(id)).mode().cells(); cell++) {
            UnitId unit = new UnitId(id, cell);
            At at = carry.was(unit);
            Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
            before.held(unit, units.getOrDefault(unit, UnitValues.NONE)).forEach((a, h) -> values.put(a, h.value()));
            Optional<Tristimulus> light = Counterpart.light(at, values);
            mixes |= light.isPresent();
            if (light.filter(l -> l.y() > 0).isPresent()) {
                return true;
            }
        }
        return !mixes;
    }

    /** The part that a unit takes in a look; empty when the look has nothing for it. */
    Optional<Part> of(Look look, UnitId is) {
        List<UnitPairs.Source> sources = carry.pairs().sources(is);
        Led leads = sources.size() == 1
                ? new Led(sources.get(0).was(), look.values())
                : led.getOrDefault(look.id(), Map.of()).get(is.fixture());
        return leads == null
                ? Optional.empty()
                : sources.stream()
                        .filter(s -> s.was().equals(leads.was()))
                        .map(s -> new Part(s, leads.values()))
                        .filter(p -> carry.telling(p.source(), is).stream().anyMatch(p.values()::containsKey))
                        .findFirst();
    }
}
