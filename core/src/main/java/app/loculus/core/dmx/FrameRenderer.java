package app.loculus.core.dmx;

import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Renders scenes to frames, again only where something has changed. {@link #render} is the slow twin that
 * {@link #update} is held against. Not for sharing between threads.
 */
public final class FrameRenderer {

    private final Map<FixtureId, List<Encoder.Piece>> pieces = new HashMap<>();
    private Scene last;
    private Frames frames = Frames.NONE;

    /** A full frame from scratch. */
    public Frames render(Scene scene) {
        pieces.clear();
        Resolver resolver = new Resolver(scene);
        scene.patch().fixtures().forEach(f -> encode(scene.patch(), f, resolver));
        frames = compose(scene.patch(), scene.patch().claims().keySet(), Frames.NONE);
        last = scene;
        return frames;
    }

    /** The frame after a change; equal to a full one. */
    public Frames update(Scene scene) {
        if (last == null || last.patch() != scene.patch() || last.palettes() != scene.palettes()) {
            return render(scene);
        }
        Resolver resolver = new Resolver(scene);
        Set<Integer> touched = new TreeSet<>();
        for (FixtureId id : changed(last.programmer(), scene.programmer())) {
            Fixture fixture = scene.patch().get(id);
            encode(scene.patch(), fixture, resolver);
            pieces.get(id).forEach(p -> touched.add(p.universe()));
        }
        frames = touched.isEmpty() ? frames : compose(scene.patch(), touched, frames);
        last = scene;
        return frames;
    }

    private static Set<FixtureId> changed(Programmer before, Programmer after) {
        Set<FixtureId> found = new LinkedHashSet<>();
        if (before.values() != after.values()) {
            differing(before.values(), after.values(), found);
            differing(after.values(), before.values(), found);
        }
        if (before.hand() != after.hand()
                && (before.hand().highlight() || after.hand().highlight())) {
            before.hand().selection().units().forEach(u -> found.add(u.fixture()));
            after.hand().selection().units().forEach(u -> found.add(u.fixture()));
        }
        return found;
    }

    private static void differing(Map<UnitId, UnitValues> one, Map<UnitId, UnitValues> other, Set<FixtureId> found) {
        one.forEach((unit, values) -> {
            if (other.get(unit) != values) {
                found.add(unit.fixture());
            }
        });
    }

    private void encode(Patch patch, Fixture fixture, Resolver resolver) {
        pieces.put(
                fixture.id(),
                fixture.patched() ? Encoder.encode(patch, fixture, resolver.resolve(fixture)) : List.of());
    }

    private Frames compose(Patch patch, Set<Integer> universes, Frames before) {
        Map<Integer, byte[]> changed = new TreeMap<>();
        for (int universe : universes) {
            changed.put(universe, compose(patch, universe));
        }
        return before.with(changed, patch.claims().keySet());
    }

    private byte[] compose(Patch patch, int universe) {
        byte[] slots = new byte[512];
        for (Claim claim : patch.claims().getOrDefault(universe, List.of())) {
            for (Encoder.Piece piece : pieces.get(claim.fixture().id())) {
                if (piece.universe() == universe && piece.firstSlot() == claim.first()) {
                    lay(piece, slots);
                }
            }
        }
        return slots;
    }

    private static void lay(Encoder.Piece piece, byte[] slots) {
        for (int i = 0; i < piece.slots().length; i++) {
            int slot = piece.firstSlot() - 1 + i;
            if ((piece.slots()[i] & 0xFF) > (slots[slot] & 0xFF)) {
                slots[slot] = piece.slots()[i];
            }
        }
    }
}
