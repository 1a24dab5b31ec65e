package app.loculus.core.motion;

import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Shelf;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Works out what effects do to units, and remembers it as long as nothing that it goes by has changed. */
public final class Motions {

    /** Units of one effect, as it is. */
    private record Known(Effect effect, Map<UnitId, Map<Attribute, Move>> units) {}

    private final Patch patch;
    private final Shelf shelf;
    private final Giver giver;
    private final Map<EffectId, Known> known;

    public Motions(Patch patch, Shelf shelf, Giver giver) {
        this(patch, shelf, giver, Map.of());
    }

    private Motions(Patch patch, Shelf shelf, Giver giver, Map<EffectId, Known> known) {
        this.patch = patch;
        this.shelf = shelf;
        this.giver = giver;
        this.known = new ConcurrentHashMap<>(known);
    }

    /** The same for another moment of a show. */
    public Motions on(Patch now, Shelf nowShelf, Giver nowGiver) {
        boolean same = now == patch && nowShelf.palettes() == shelf.palettes() && nowShelf.marks() == shelf.marks();
        return same && nowShelf.effects() == shelf.effects()
                ? this
                : new Motions(now, nowShelf, nowGiver, same ? known : Map.of());
    }

    /** An effect that is referred to; empty when it has gone. */
    public Optional<Effect> effect(EffectId id) {
        return Optional.ofNullable(shelf.effects().get(id));
    }

    /** The attributes of the unit itself that it moves; empty when it does nothing there. */
    public Map<Attribute, Move> of(Effect effect, UnitId unit) {
        Known held = known.get(effect.id());
        if (held == null || held.effect() != effect) {
            held = new Known(effect, new ConcurrentHashMap<>());
            known.put(effect.id(), held);
        }
        return held.units().computeIfAbsent(unit, u -> worked(effect, u));
    }

    /** Whether it moves light of one of these itself. */
    public boolean lights(Effect effect, Collection<UnitId> units) {
        return units.stream().anyMatch(u -> of(effect, u).containsKey(Attribute.DIMMER));
    }

    private Map<Attribute, Move> worked(Effect effect, UnitId unit) {
        Fixture fixture = patch.get(unit.fixture());
        Mode mode = patch.modeOf(fixture);
        Map<Attribute, List<Move>> all = new LinkedHashMap<>();
        for (Movement movement : effect.movements()) {
            of(movement, fixture, mode, unit)
                    .forEach((attribute, move) -> all.computeIfAbsent(attribute, a -> new ArrayList<>())
                            .add(move));
        }
        Map<Attribute, Move> moves = new LinkedHashMap<>();
        all.forEach((attribute, list) ->
                moves.put(attribute, list.size() == 1 ? list.get(0) : new Move.Several(List.copyOf(list))));
        return moves;
    }

    private Map<Attribute, Move> of(Movement movement, Fixture fixture, Mode mode, UnitId unit) {
        if (movement instanceof Movement.Wave wave) {
            return wave(wave, mode, unit);
        }
        return movement instanceof Movement.Shape shape
                ? shape(shape, fixture, mode, unit)
                : run((Movement.Run) movement, mode, unit);
    }

    private Map<Attribute, Move> wave(Movement.Wave wave, Mode mode, UnitId unit) {
        Map<Attribute, Move> moves = new LinkedHashMap<>();
        if (wave.span() instanceof Span.Around around) {
            wave.attribute()
                    .flatMap(a -> mode.parameter(unit.cell(), a))
                    .ifPresent(p -> moves.put(
                            p.attribute(), new Waving.Around(wave, unit, p, around.size(), around.degrees())));
            return moves;
        }
        Span.Between between = (Span.Between) wave.span();
        Map<Attribute, AttributeValue> low = values(between.low(), wave.attribute(), unit);
        Map<Attribute, AttributeValue> high = values(between.high(), wave.attribute(), unit);
        low.forEach((attribute, from) -> {
            AttributeValue to = high.get(attribute);
            Parameter p = mode.parameter(unit.cell(), attribute).orElse(null);
            if (to != null && p != null) {
                from.in(mode, p)
                        .ifPresent(a -> to.in(mode, p)
                                .ifPresent(b ->
                                        moves.put(attribute, new Waving.Between(wave, unit, mode, p, from, to, a, b))));
            }
        });
        return moves;
    }

    /** A value itself, or what the palette it refers to gives the unit: for one attribute, or for all there are. */
    private Map<Attribute, AttributeValue> values(AttributeValue value, Optional<Attribute> attribute, UnitId unit) {
        if (value.followed().isEmpty()) {
            return attribute.map(a -> Map.of(a, value)).orElse(Map.of());
        }
        Map<Attribute, AttributeValue> given = given(value.followed().get(), unit);
        return attribute
                .map(a -> given.containsKey(a) ? Map.of(a, given.get(a)) : Map.<Attribute, AttributeValue>of())
                .orElse(given);
    }

    private Map<Attribute, AttributeValue> given(PaletteId palette, UnitId unit) {
        return Optional.ofNullable(shelf.palettes().get(palette))
                .map(p -> giver.give(p, unit).values())
                .orElse(Map.of());
    }

    private Map<Attribute, Move> shape(Movement.Shape shape, Fixture fixture, Mode mode, UnitId unit) {
        Map<Attribute, Move> moves = new LinkedHashMap<>();
        Parameter pan = mode.parameter(unit.cell(), Attribute.PAN).orElse(null);
        Parameter tilt = mode.parameter(unit.cell(), Attribute.TILT).orElse(null);
        if (pan == null || tilt == null) {
            return moves;
        }
        if (shape.around().isEmpty()) {
            moves.put(Attribute.PAN, new Shaping.Around(shape, pan));
            moves.put(Attribute.TILT, new Shaping.Around(shape, tilt));
            return moves;
        }
        Mark mark = shelf.marks().get(shape.around().get());
        if (mark != null && fixture.pose().isPresent()) {
            Aiming.Reach reach = Aimed.reach(mode, unit.cell()).orElseThrow();
            Aiming.Aim middle = Aiming.nearest(fixture.pose().get(), mark.at(), reach, 0, 0);
            for (Parameter p : List.of(pan, tilt)) {
                moves.put(
                        p.attribute(),
                        new Shaping.AtMark(shape, mode, p, fixture.pose().get(), reach, mark.at(), middle));
            }
        }
        return moves;
    }

    private Map<Attribute, Move> run(Movement.Run run, Mode mode, UnitId unit) {
        List<Map<Attribute, AttributeValue>> given =
                run.palettes().stream().map(p -> given(p, unit)).toList();
        Set<Attribute> all = new LinkedHashSet<>();
        given.forEach(g -> all.addAll(g.keySet()));
        Map<Attribute, Move> moves = new LinkedHashMap<>();
        for (Attribute attribute : all) {
            mode.parameter(unit.cell(), attribute).ifPresent(p -> {
                List<Optional<FunctionValue>> places = given.stream()
                        .map(g -> Optional.ofNullable(g.get(attribute)).flatMap(v -> v.in(mode, p)))
                        .toList();
                boolean snaps = mode.jumps(p.channel())
                        || given.stream()
                                .map(g -> g.get(attribute))
                                .filter(Objects::nonNull)
                                .anyMatch(AttributeValue.Named.class::isInstance);
                moves.put(attribute, new Running(run, places, snaps));
            });
        }
        return moves;
    }
}
