package app.loculus.core.carry;

import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Channel;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** What goes out to some fixtures in two descriptions of them, slot by slot, as it is rendered. */
final class StageOctets {

    /** A slot of a fixture, counted from 1 within its break. */
    record Slot(int breakNumber, int offset) implements Comparable<Slot> {
        @Override
        public int compareTo(Slot other) {
            return breakNumber != other.breakNumber
                    ? Integer.compare(breakNumber, other.breakNumber)
                    : Integer.compare(offset, other.offset);
        }
    }

    /** What a slot gets in each; 0 where nothing of the fixture is. */
    record Octets(int was, int is) {}

    /** One description: its show with the fixtures in question alone, and which channel has which slot. */
    private static final class Side {
        private final Patch patch;
        private final Scene scene;
        private final Map<FixtureId, Map<Slot, Channel>> channels = new HashMap<>();

        Side(Show show, Set<FixtureId> fixtures) {
            List<FixtureId> others = show.patch().ids().stream()
                    .filter(id -> !fixtures.contains(id))
                    .toList();
            Scene own = show.scene();
            patch = show.patch().changed(show.patch().profiles(), others, List.of());
            scene = new Scene(patch, own.shelf(), List.of(), own.answers());
            fixtures.forEach(id -> channels.put(id, channels(patch.get(id))));
        }

        private Map<Slot, Channel> channels(Fixture fixture) {
            Map<Slot, Channel> bySlot = new TreeMap<>();
            patch.modeOf(fixture)
                    .channels()
                    .forEach(c -> c.offsets().forEach(o -> bySlot.put(new Slot(c.breakNumber(), o), c)));
            return bySlot;
        }

        Frames frames(Map<UnitId, UnitValues> values) {
            Layer set = new Layer.Values("stage", 0, Layer.Merge.LATEST, false, values);
            return new FrameRenderer().render(scene.under(List.of(set)));
        }

        /** What goes out to one fixture, break by break. */
        Map<Integer, byte[]> sent(Map<Integer, byte[]> universes, FixtureId id) {
            Fixture fixture = patch.get(id);
            Map<Integer, Integer> footprint = patch.modeOf(fixture).footprint();
            Map<Integer, byte[]> breaks = new HashMap<>();
            for (PatchedAddress a : fixture.addresses()) {
                int from = a.address().slot() - 1;
                byte[] slots = universes.get(a.address().universe());
                int size = footprint.getOrDefault(a.breakNumber(), 0);
                if (slots != null) {
                    breaks.putIfAbsent(a.breakNumber(), Arrays.copyOfRange(slots, from, from + size));
                }
            }
            return breaks;
        }

        Map<Integer, byte[]> universes(Map<UnitId, UnitValues> values) {
            Frames frames = frames(values);
            Map<Integer, byte[]> all = new HashMap<>();
            frames.universes().forEach(u -> all.put(u, frames.slots(u)));
            return all;
        }
    }

    private static int octet(Map<Integer, byte[]> breaks, int breakNumber, int index) {
        byte[] slots = breaks.get(breakNumber);
        return slots == null || index >= slots.length ? 0 : slots[index] & 0xFF;
    }

    private final Side was;
    private final Side is;

    /** @param fixtures that are in both */
    StageOctets(Show before, Show after, Set<FixtureId> fixtures) {
        was = new Side(before, fixtures);
        is = new Side(after, fixtures);
    }

    /** The slots that get something else, fixture by fixture; fixtures of which none does are left out. */
    Map<FixtureId, Map<Slot, Octets>> differing(Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
        Map<Integer, byte[]> sentWas = was.universes(before);
        Map<Integer, byte[]> sentIs = is.universes(after);
        Map<FixtureId, Map<Slot, Octets>> all = new LinkedHashMap<>();
        for (FixtureId id : was.channels.keySet()) {
            Map<Integer, byte[]> own = was.sent(sentWas, id);
            Map<Integer, byte[]> now = is.sent(sentIs, id);
            Set<Integer> breaks = new TreeSet<>(own.keySet());
            breaks.addAll(now.keySet());
            for (int number : breaks) {
                int longest = Math.max(length(own, number), length(now, number));
                for (int i = 0; i < longest; i++) {
                    Octets octets = new Octets(octet(own, number, i), octet(now, number, i));
                    if (octets.was() != octets.is()) {
                        all.computeIfAbsent(id, x -> new TreeMap<>()).put(new Slot(number, i + 1), octets);
                    }
                }
            }
        }
        return all;
    }

    private static int length(Map<Integer, byte[]> breaks, int number) {
        byte[] slots = breaks.get(number);
        return slots == null ? 0 : slots.length;
    }

    /** What has a slot by the old description. */
    Optional<Channel> before(FixtureId id, Slot slot) {
        return Optional.ofNullable(was.channels.get(id).get(slot));
    }

    /** What has a slot by the new one. */
    Optional<Channel> after(FixtureId id, Slot slot) {
        return Optional.ofNullable(is.channels.get(id).get(slot));
    }
}
