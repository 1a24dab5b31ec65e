package app.loculus.core.carry;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.carry.MoveToRig;
import app.loculus.core.edit.look.RecordLook;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Shows, rigs and what they send, for the laws of moving from one to the other. */
final class RigLaws {

    /** Dimmer, red, green, blue, all dark at home. */
    static final Profile DARK = Rig.profile(
            "Dark", Rig.mode("rgb", 0, plain("Dimmer"), plain("ColorAdd_R"), plain("ColorAdd_G"), plain("ColorAdd_B")));

    private RigLaws() {}

    static Channel plain(String attribute) {
        return Rig.channel(attribute, 0, 0, Rig.function(attribute, 0, 255, 0, 1, null));
    }

    /** A show with some of everything, hung in two rows. */
    static Show show(long seed, int steps) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.after(
                Rig.awkward(),
                "place 1 thru 32 at -4,2,6 thru 4,2,6",
                "place 41 thru 72 at -4,5,6 thru 4,5,6",
                "mark \"Spot\" at 0, 3, 0",
                "1 + 2 at 70",
                "record position 1 \"Centre\" at mark \"Spot\"",
                "clear all");
        for (int i = 0; i < steps; i++) {
            show = lines.step(show);
        }
        return show;
    }

    /** The same fixtures under other ids, as another show would have them. */
    static Show sameRig(Show show) {
        List<Change<?, ?>> parts = new ArrayList<>();
        show.profiles()
                .all()
                .forEach(p -> parts.add(new Change<>(PartKinds.PROFILES, p.id(), Optional.empty(), Optional.of(p))));
        show.patch().fixtures().forEach(f -> {
            Fixture other = as(f, new FixtureId(1000 - f.id().value()));
            parts.add(new Change<>(PartKinds.FIXTURES, other.id(), Optional.empty(), Optional.of(other)));
        });
        show.marks().forEach(m -> parts.add(new Change<>(PartKinds.MARKS, m.id(), Optional.empty(), Optional.of(m))));
        return Show.of("Rig", parts, new ArrayList<>());
    }

    static Fixture as(Fixture f, FixtureId id) {
        return new Fixture(
                        id,
                        f.number(),
                        f.name(),
                        f.profile(),
                        f.mode(),
                        f.addresses(),
                        f.pose(),
                        f.position(),
                        f.purpose())
                .turning(f.inverted());
    }

    /** The same places and numbers, with other types on every second of them; each fixture has a universe of its own. */
    static Show otherRig(Show show, List<Profile> types) {
        List<Change<?, ?>> parts = new ArrayList<>();
        List<Profile> used = new ArrayList<>(show.profiles().all());
        types.stream().filter(t -> !used.contains(t)).forEach(used::add);
        used.forEach(p -> parts.add(new Change<>(PartKinds.PROFILES, p.id(), Optional.empty(), Optional.of(p))));
        int index = 0;
        for (Fixture f : show.patch().fixtures()) {
            Fixture other = as(f, new FixtureId(1000 - f.id().value()));
            if (index++ % 2 == 0) {
                Profile type = types.get(index / 2 % types.size());
                other = other.as(type.id(), type.modes().get(0).name());
            }
            Fixture hung =
                    other.at(List.of(new PatchedAddress(1, new app.loculus.core.patch.Address(1 + index, 1), false)));
            parts.add(new Change<>(PartKinds.FIXTURES, hung.id(), Optional.empty(), Optional.of(hung)));
        }
        return Show.of("Rig", parts, new ArrayList<>());
    }

    static MoveToRig.Moved moved(Show show, Show rig) {
        Pairing pairing = Pairer.of(show.patch(), rig.patch(), List.of());
        return MoveToRig.of(show, rig, pairing, new MoveToRig.Wishes("There", List.of(), false), PictureLikeness.NONE);
    }

    /** The show with these values set and nothing else. */
    static Show set(Show show, Map<UnitId, UnitValues> values) {
        List<Change<?, ?>> changes = new ArrayList<>();
        show.programmer()
                .values()
                .forEach((u, v) -> changes.add(new Change<>(PartKinds.VALUES, u, Optional.of(v), Optional.empty())));
        Show bare = show.with(new Delta(changes));
        List<Change<?, ?>> put = new ArrayList<>();
        values.forEach((u, v) -> put.add(new Change<>(PartKinds.VALUES, u, Optional.empty(), Optional.of(v))));
        return bare.with(new Delta(put));
    }

    /** All that can stand on stage: numbered looks, submasters, and lists at each of their cues, by what they are called. */
    static Map<String, Map<UnitId, UnitValues>> states(Show show) {
        Map<String, Map<UnitId, UnitValues>> states = new LinkedHashMap<>();
        show.all(PartKinds.LOOKS).values().forEach(l -> states.put("look " + l.id().value(), l.values()));
        for (CueList list : show.lists()) {
            Map<UnitId, UnitValues> standing = Map.of();
            for (Cue cue : show.cues(list.id())) {
                Map<UnitId, UnitValues> own = show.look(cue.look()).values();
                states.remove("look " + cue.look().value());
                standing =
                        list.join() == CueList.Join.CARRYING_ON ? RecordLook.merged(show.patch(), standing, own) : own;
                states.put(list + " at " + cue, standing);
            }
        }
        return states;
    }

    static Frames frames(Show show, Map<UnitId, UnitValues> values) {
        Show set = set(show, values);
        return new FrameRenderer().render(set.scene().withoutHighlight());
    }

    /** What every part of a fixture does, by what it receives. */
    static List<CellLight> light(Show show, Fixture fixture, Frames frames) {
        Profile profile = show.patch().profileOf(fixture);
        var mode = show.patch().modeOf(fixture);
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (PatchedAddress a : fixture.addresses()) {
            int from = a.address().slot() - 1;
            int to = Math.min(512, from + mode.footprint().get(a.breakNumber()));
            breaks.put(
                    a.breakNumber(), Arrays.copyOfRange(frames.slots(a.address().universe()), from, to));
        }
        return new SimulatedFixture(mode, mode.emitters(), Profile.byName(profile.wheels()))
                .light(breaks, fixture.inverted().pan(), fixture.inverted().tilt());
    }

    static boolean lit(List<CellLight> lights) {
        return lights.stream().anyMatch(l -> l.intensity() > 0.01 && l.light().y() > 0);
    }
}
