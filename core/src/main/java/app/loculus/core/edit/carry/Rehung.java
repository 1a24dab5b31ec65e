package app.loculus.core.edit.carry;

import app.loculus.core.carry.Pair;
import app.loculus.core.carry.Pairing;
import app.loculus.core.device.KnownDevice;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Another rig with nothing but what hangs there, each fixture under the id of the one whose part it takes: what goes by
 * ids, such as a random effect, goes on as it did.
 */
final class Rehung {

    /** What of the rig is kept; everything else comes from the show. */
    private static final List<PartKind<?, ?>> AS_IT_IS =
            List.of(PartKinds.PROFILES, PartKinds.MARKS, PartKinds.UNIVERSES, PartKinds.PAPERWORK);

    private final Show rig;
    private final Map<FixtureId, FixtureId> ids = new HashMap<>();
    private final List<Pair> pairs = new ArrayList<>();

    Rehung(Show from, Show rig, Pairing pairing) {
        this.rig = rig;
        Set<FixtureId> given = new HashSet<>();
        pairing.pairs().forEach(p -> {
            if (!ids.containsKey(p.is()) && given.add(p.was())) {
                ids.put(p.is(), p.was());
            }
        });
        int next = Math.max(from.patch().nextId().value(), rig.patch().nextId().value());
        for (Fixture f : rig.patch().fixtures()) {
            if (!ids.containsKey(f.id())) {
                ids.put(f.id(), new FixtureId(next++));
            }
        }
        pairing.pairs().forEach(p -> pairs.add(new Pair(p.was(), ids.get(p.is()), p.by())));
    }

    Pairing pairing() {
        return new Pairing(pairs);
    }

    Show show(String name) {
        List<Change<?, ?>> parts = new ArrayList<>();
        AS_IT_IS.forEach(kind -> take(kind, parts));
        rig.patch().fixtures().forEach(f -> put(PartKinds.FIXTURES, ids.get(f.id()), as(f), parts));
        rig.all(PartKinds.DRAWINGS)
                .forEach((number, d) -> put(
                        PartKinds.DRAWINGS,
                        number,
                        new KeptDrawing(
                                d.number(),
                                d.on(),
                                d.file(),
                                d.fixtures().stream().map(this::as).toList(),
                                d.marks(),
                                d.scenery()),
                        parts));
        rig.all(PartKinds.DEVICES)
                .forEach((uid, d) ->
                        put(PartKinds.DEVICES, uid, new KnownDevice(uid, ids.get(d.fixture()), d.place()), parts));
        return Show.of(name, parts, new ArrayList<>());
    }

    private Fixture as(Fixture f) {
        return new Fixture(
                ids.get(f.id()),
                f.number(),
                f.name(),
                f.profile(),
                f.mode(),
                f.addresses(),
                f.pose(),
                f.position(),
                f.purpose(),
                f.notes(),
                f.bringUp(),
                f.inverted(),
                f.gel());
    }

    private KeptDrawing.Known as(KeptDrawing.Known known) {
        FixtureId now = known.gone() ? null : ids.get(new FixtureId(known.id()));
        return new KeptDrawing.Known(now == null ? KeptDrawing.Known.GONE : now.value(), known.identity());
    }

    private <K, V> void take(PartKind<K, V> kind, List<Change<?, ?>> into) {
        rig.all(kind).forEach((key, part) -> put(kind, key, part, into));
    }

    private static <K, V> void put(PartKind<K, V> kind, K key, V part, List<Change<?, ?>> into) {
        into.add(new Change<>(kind, key, Optional.empty(), Optional.of(part)));
    }
}
