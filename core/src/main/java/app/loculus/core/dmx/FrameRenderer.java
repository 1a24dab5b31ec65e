package app.loculus.core.dmx;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.profile.Channel;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import java.util.BitSet;
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
    private Resolver resolver;
    private Frames frames = Frames.NONE;

    /** A full frame from scratch. */
    public Frames render(Scene scene) {
        pieces.clear();
        resolver = new Resolver(scene);
        scene.patch().fixtures().forEach(f -> encode(scene.patch(), f, resolver));
        frames = compose(scene.patch(), scene.patch().claims().keySet(), Frames.NONE);
        last = scene;
        return under(scene);
    }

    /** What the fixtures send, and over it the slots that layers drive themselves, the highest last. */
    private Frames under(Scene scene) {
        Frames all = frames;
        for (Layer layer : scene.layers()) {
            Frames below = all;
            all = layer.driven().map(below::under).orElse(below);
        }
        return all;
    }

    /** The frame after a change; equal to a full one. */
    public Frames update(Scene scene) {
        if (last == null
                || last.patch().profiles() != scene.patch().profiles()
                || !last.shelf().sameAs(scene.shelf())
                || !Layer.sameOwners(last.layers(), scene.layers())) {
            return render(scene);
        }
        Set<Integer> touched = new TreeSet<>();
        Set<Fixture> anew = new LinkedHashSet<>(changed(last, scene));
        repatched(scene.patch(), anew, touched);
        resolver = resolver.on(scene);
        for (Fixture fixture : anew) {
            encode(scene.patch(), fixture, resolver);
            pieces.get(fixture.id()).forEach(p -> touched.add(p.universe()));
        }
        frames = touched.isEmpty() ? frames : compose(scene.patch(), touched, frames);
        last = scene;
        return under(scene);
    }

    /** Fixtures that were put in, moved or made another type; universes that some have left. */
    private void repatched(Patch now, Set<Fixture> anew, Set<Integer> left) {
        Patch before = last.patch();
        if (before == now) {
            return;
        }
        for (Fixture fixture : now.fixtures()) {
            Fixture was = before.find(fixture.id()).orElse(null);
            if (was != fixture && (was == null || !alike(was, fixture))) {
                anew.add(fixture);
                leave(fixture.id(), left);
            }
        }
        for (Fixture was : before.fixtures()) {
            if (now.find(was.id()).isEmpty()) {
                leave(was.id(), left);
                pieces.remove(was.id());
            }
        }
    }

    private static boolean alike(Fixture one, Fixture other) {
        return one.addresses().equals(other.addresses())
                && one.pose().equals(other.pose())
                && one.inverted().equals(other.inverted())
                && one.profile().equals(other.profile())
                && one.mode().equals(other.mode());
    }

    private void leave(FixtureId id, Set<Integer> left) {
        pieces.getOrDefault(id, List.of()).forEach(p -> left.add(p.universe()));
    }

    /** Fixtures about which some layer says something else; a layer may still name one that has gone. */
    private static List<Fixture> changed(Scene before, Scene after) {
        Set<FixtureId> found = new LinkedHashSet<>();
        boolean turned = !after.beats().equals(before.beats());
        for (int i = 0; i < after.layers().size(); i++) {
            Layer layer = after.layers().get(i);
            found.addAll(layer.differing(before.layers().get(i)));
            if (turned) {
                found.addAll(layer.moving());
            }
        }
        return found.stream().flatMap(id -> after.patch().find(id).stream()).toList();
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
        byte[] slots = new byte[Address.SLOTS];
        BitSet taken = new BitSet(Address.SLOTS);
        for (Claim claim : patch.claims().getOrDefault(universe, List.of())) {
            for (Encoder.Piece piece : pieces.get(claim.fixture().id())) {
                if (piece.universe() == universe && piece.firstSlot() == claim.first()) {
                    lay(piece, slots, taken);
                }
            }
        }
        return slots;
    }

    /** Where fixtures share slots, the higher value of each channel goes out, and not the higher of its octets. */
    private static void lay(Encoder.Piece piece, byte[] slots, BitSet taken) {
        int from = piece.firstSlot() - 1;
        int to = from + piece.slots().length;
        int met = taken.nextSetBit(from);
        if (met < 0 || met >= to) {
            System.arraycopy(piece.slots(), 0, slots, from, piece.slots().length);
        } else {
            piece.channels().stream()
                    .filter(c -> higher(c, piece.slots(), slots, from))
                    .forEach(c -> c.offsets().forEach(o -> slots[from + o - 1] = piece.slots()[o - 1]));
        }
        taken.set(from, to);
    }

    /** Whether a channel's value is above the one that its slots hold; the coarse octet comes first. */
    private static boolean higher(Channel channel, byte[] own, byte[] slots, int from) {
        for (int offset : channel.offsets()) {
            int difference = (own[offset - 1] & 0xFF) - (slots[from + offset - 1] & 0xFF);
            if (difference != 0) {
                return difference > 0;
            }
        }
        return false;
    }
}
