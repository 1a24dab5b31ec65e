package app.loculus.core.play;

import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Shelf;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Source;
import app.loculus.core.unit.Seconds;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What looks put where, channel by channel. Remembered look by look: an edit makes only those anew whose fixtures or
 * palettes it changes. Safe to share between threads.
 */
final class Contents {

    /**
     * @param by what it was worked out from, palettes with those that they follow, by id
     * @param effects likewise
     */
    private record Known(
            Look look,
            Map<PaletteId, Palette> by,
            Map<EffectId, Effect> effects,
            Map<MarkId, Mark> marks,
            Map<FixtureId, Placed[]> placed) {}

    private final Patch patch;
    private final Shelf shelf;
    private final Resolver resolver;
    private final Map<LookId, Known> known;

    Contents(Patch patch, Shelf shelf, Resolver resolver) {
        this(patch, shelf, resolver, Map.of());
    }

    private Contents(Patch patch, Shelf shelf, Resolver resolver, Map<LookId, Known> known) {
        this.patch = patch;
        this.shelf = shelf;
        this.resolver = resolver;
        this.known = new ConcurrentHashMap<>(known);
    }

    /** The same for another moment of a show. */
    Contents on(Patch now, Shelf nowShelf, Resolver nowResolver) {
        return new Contents(now, nowShelf, nowResolver, now == patch ? known : Map.of());
    }

    /** By fixture, in the order of the mode's channels; null where it says nothing. Not to be written to. */
    Map<FixtureId, Placed[]> of(Look look) {
        Known held = known.get(look.id());
        if (held == null || held.look() != look || !held.marks().equals(shelf.marks()) || !same(held)) {
            Map<EffectId, Effect> effects = effects(look);
            held = new Known(look, by(look, effects), effects, shelf.marks(), placed(look));
            known.put(look.id(), held);
        }
        return held.placed();
    }

    private boolean same(Known held) {
        return held.by().entrySet().stream().allMatch(e -> shelf.palettes().get(e.getKey()) == e.getValue())
                && held.effects().entrySet().stream()
                        .allMatch(e -> shelf.effects().get(e.getKey()) == e.getValue());
    }

    private Map<EffectId, Effect> effects(Look look) {
        Map<EffectId, Effect> all = new HashMap<>();
        look.moved().forEach(e -> resolver.motions().effect(e).ifPresent(effect -> all.put(e, effect)));
        return all;
    }

    private Map<PaletteId, Palette> by(Look look, Map<EffectId, Effect> effects) {
        Map<PaletteId, Palette> all = new HashMap<>();
        look.followed().forEach(p -> by(p, all));
        effects.values().forEach(e -> e.palettes().forEach(p -> by(p, all)));
        return all;
    }

    private void by(PaletteId id, Map<PaletteId, Palette> all) {
        Palette palette = shelf.palettes().get(id);
        if (palette != null && all.put(id, palette) == null) {
            palette.followed().forEach(p -> by(p, all));
        }
    }

    private Map<FixtureId, Placed[]> placed(Look look) {
        Map<FixtureId, Placed[]> all = new LinkedHashMap<>();
        look.values()
                .forEach((unit, values) -> patch.find(unit.fixture())
                        .ifPresent(fixture -> place(
                                fixture,
                                unit,
                                values,
                                all.computeIfAbsent(
                                        fixture.id(),
                                        f -> new Placed
                                                [patch.modeOf(fixture)
                                                        .channels()
                                                        .size()]))));
        return all;
    }

    private void place(Fixture fixture, UnitId unit, UnitValues values, Placed[] channels) {
        Mode mode = patch.modeOf(fixture);
        resolver.held(unit, values)
                .forEach((attribute, held) -> mode.parameter(unit.cell(), attribute)
                        .ifPresent(parameter -> {
                            FunctionValue place = held.value()
                                    .in(mode, parameter)
                                    .filter(mode::keeps)
                                    .orElse(null);
                            if (place != null || held.moving().isPresent()) {
                                boolean snaps =
                                        held.value() instanceof AttributeValue.Named || mode.jumps(parameter.channel());
                                channels[parameter.channel()] = new Placed(
                                        place,
                                        snaps,
                                        source(held),
                                        time(held),
                                        held.moving().orElse(null));
                            }
                        }));
    }

    private static Source source(Held held) {
        return held.source() instanceof Source.ByHand ? new Source.InLook() : held.source();
    }

    private Optional<Seconds> time(Held held) {
        return held.from()
                .flatMap(p -> Optional.ofNullable(shelf.palettes().get(p)))
                .flatMap(p -> p.label().seconds())
                .map(Seconds::of);
    }
}
