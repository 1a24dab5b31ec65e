package app.loculus.app.rig;

import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.RigFaultStore;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.PartKinds;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What hangs where in the rig of the live show, and what each fixture does with what it receives. */
@Component
public class RigLights {

    /**
     * How one fixture differs from the patch.
     *
     * @param starts where its devices are set to
     * @param practice whether it is to be found
     * @param twin number of the fixture whose identity it has
     * @param stray where another one of its type hangs that nobody has patched
     */
    public record Fault(
            Optional<Starts> starts,
            boolean dead,
            Optional<String> mode,
            boolean practice,
            Optional<Integer> twin,
            Optional<Address> stray) {

        public static final Fault NONE =
                new Fault(Optional.empty(), false, Optional.empty(), false, Optional.empty(), Optional.empty());

        public static Fault of(Optional<Address> address, boolean dead) {
            return new Fault(
                    address.map(Starts::at), dead, Optional.empty(), false, Optional.empty(), Optional.empty());
        }

        Fault at(Starts now) {
            return new Fault(Optional.of(now), dead, mode, practice, twin, stray);
        }

        Fault in(String now) {
            return new Fault(starts, dead, Optional.of(now), practice, twin, stray);
        }

        /** What is wrong with it, in words. */
        public String words() {
            List<String> all = new ArrayList<>();
            if (dead) {
                all.add("dead");
            } else {
                mode.ifPresent(m -> all.add("in mode “" + m + "”"));
                starts.ifPresent(s -> all.add("at " + s));
            }
            twin.ifPresent(t -> all.add("with the identity of " + t));
            stray.ifPresent(s -> all.add("with another one beside it at " + s));
            return String.join(", ", all);
        }
    }

    private final Shows shows;
    private final VirtualRig rig;
    private final RigFaultStore faults;
    private final Set<Integer> dirty = ConcurrentHashMap.newKeySet();
    private volatile Snapshot wanted;
    private Snapshot hangs;
    private Map<Integer, Hung> hung = Map.of();

    RigLights(Shows shows, VirtualRig rig, RigFaultStore faults) {
        this.shows = shows;
        this.rig = rig;
        this.faults = faults;
        shows.live().ifPresent(s -> wanted = s);
        rig.listen(dirty::add);
    }

    @EventListener
    @Order(2)
    void changed(ShowChanged event) {
        Snapshot before = wanted;
        boolean same = before != null
                && before.id() == event.snapshot().id()
                && !event.all()
                && !event.touches(PartKinds.PROFILES)
                && event.parts().stream()
                        .filter(p -> p.kind() == PartKinds.FIXTURES)
                        .allMatch(p -> hangsAlike(before, event.snapshot(), (FixtureId) p.key()));
        if (event.live() && !same) {
            wanted = event.snapshot();
        }
    }

    private static boolean hangsAlike(Snapshot before, Snapshot after, FixtureId id) {
        Optional<Fixture> was = before.show().patch().find(id);
        Optional<Fixture> is = after.show().patch().find(id);
        return was.isPresent()
                && is.isPresent()
                && was.get().number() == is.get().number()
                && was.get().addresses().equals(is.get().addresses())
                && was.get().profile().equals(is.get().profile())
                && was.get().mode().equals(is.get().mode())
                && was.get().inverted().equals(is.get().inverted())
                && was.get().gel().equals(is.get().gel())
                && was.get().pose().equals(is.get().pose());
    }

    /** The rig as it hangs now; hung again only when it is looked at after a change. */
    private synchronized Map<Integer, Hung> hung() {
        Snapshot snapshot = wanted;
        if (snapshot != null && snapshot != hangs) {
            hung = hang(snapshot);
            hangs = snapshot;
            dirty.add(EVERY);
        }
        return hung;
    }

    private Map<Integer, Hung> hang(Snapshot snapshot) {
        Map<Integer, RigFaultStore.RigFault> wrong = new LinkedHashMap<>();
        faults.of(snapshot.id()).forEach(f -> wrong.put(f.fixtureId(), f));
        Map<Integer, Hung> next = new LinkedHashMap<>();
        Map<Mode, SimulatedFixture> kinds = new LinkedHashMap<>();
        Patch patch = snapshot.show().patch();
        for (Fixture fixture : patch.fixtures()) {
            RigFaultStore.RigFault fault = wrong.get(fixture.id().value());
            next.put(fixture.number(), hungOrAsPatched(patch, fixture, fault, kinds));
        }
        return next;
    }

    /** The rig of a patch with nothing wrong. */
    static List<Hung> asPatched(Patch patch) {
        Map<Mode, SimulatedFixture> kinds = new LinkedHashMap<>();
        return patch.fixtures().stream()
                .map(f -> hung(patch, f, Optional.empty(), kinds))
                .toList();
    }

    /** A fault that makes no sense any more, as after a change of mode, is as good as none. */
    private static Hung hungOrAsPatched(
            Patch patch, Fixture fixture, RigFaultStore.RigFault fault, Map<Mode, SimulatedFixture> kinds) {
        try {
            return hung(patch, fixture, Optional.ofNullable(fault), kinds);
        } catch (Refusal beyond) {
            return hung(patch, fixture, Optional.empty(), kinds);
        }
    }

    private static Hung hung(
            Patch patch, Fixture fixture, Optional<RigFaultStore.RigFault> fault, Map<Mode, SimulatedFixture> kinds) {
        Profile profile = patch.profileOf(fixture);
        Mode mode = fault.flatMap(f -> Optional.ofNullable(f.mode()))
                .flatMap(profile::findMode)
                .orElseGet(() -> patch.modeOf(fixture));
        SimulatedFixture kind = kinds.computeIfAbsent(mode, m -> simulated(profile, m));
        List<PatchedAddress> addresses = fault.flatMap(f -> Optional.ofNullable(f.starts()))
                .map(s -> checked(Starts.parse(s), mode))
                .orElse(fixture.addresses());
        return new Hung(
                fixture.id(),
                fixture.number(),
                new Hung.Sort(profile, mode, kind),
                addresses,
                fixture.pose(),
                fixture.inverted(),
                fixture.gel(),
                fault.map(f -> state(f, Starts.of(addresses).equals(Starts.of(fixture.addresses()))))
                        .orElse(Hung.State.RIGHT));
    }

    private static Hung.State state(RigFaultStore.RigFault f, boolean asPatched) {
        return new Hung.State(
                f.dead(),
                asPatched,
                f.practice(),
                Optional.ofNullable(f.twin()).map(FixtureId::new),
                Optional.ofNullable(f.stray()).map(Address::parse));
    }

    private static SimulatedFixture simulated(Profile profile, Mode mode) {
        return new SimulatedFixture(mode, mode.emitters(), Profile.byName(profile.wheels()));
    }

    /** What one fixture of a profile would do at an address, with what the rig receives there. */
    public List<CellLight> light(Profile profile, Mode mode, Address at) {
        Hung hung = new Hung(
                new FixtureId(0),
                0,
                new Hung.Sort(profile, mode, simulated(profile, mode)),
                Starts.at(at).allot(mode, false),
                Optional.empty(),
                Inverted.NONE,
                Optional.empty(),
                Hung.State.RIGHT);
        return light(hung);
    }

    /** Sets one fixture of the live rig wrong, or right again with no fault. */
    public void set(int number, Optional<Fault> fault) {
        Snapshot live = live();
        Patch patch = live.show().patch();
        Fixture fixture = patch.number(number);
        fault.ifPresent(f -> f.starts().ifPresent(s -> checked(s, mode(patch, fixture, f))));
        Optional<RigFaultStore.RigFault> row = fault.filter(f -> !f.equals(Fault.NONE))
                .map(f -> row(live, fixture.id().value(), f));
        row.ifPresentOrElse(
                faults::put, () -> faults.delete(live.id(), fixture.id().value()));
        hangAgain(live, fixture, row.orElse(null));
    }

    /** One of them alone, where the others hang as they are to hang. */
    private synchronized void hangAgain(Snapshot live, Fixture fixture, RigFaultStore.RigFault row) {
        if (hangs == null || hangs != wanted || hangs.id() != live.id()) {
            hangAgain(live);
            return;
        }
        Patch patch = hangs.show().patch();
        patch.find(fixture.id()).ifPresent(f -> {
            Map<Integer, Hung> next = new LinkedHashMap<>(hung);
            Hung now = hungOrAsPatched(patch, f, row, new LinkedHashMap<>());
            Optional.ofNullable(next.put(f.number(), now)).ifPresent(this::changed);
            hung = next;
            changed(now);
        });
    }

    private static Mode mode(Patch patch, Fixture fixture, Fault fault) {
        return fault.mode().flatMap(patch.profileOf(fixture)::findMode).orElseGet(() -> patch.modeOf(fixture));
    }

    private static RigFaultStore.RigFault row(Snapshot live, int fixture, Fault f) {
        return new RigFaultStore.RigFault(
                live.id(),
                fixture,
                f.starts().map(Starts::toString).orElse(null),
                f.dead(),
                f.mode().orElse(null),
                f.practice(),
                f.twin().map(n -> live.show().patch().number(n).id().value()).orElse(null),
                f.stray().map(Address::toString).orElse(null));
    }

    private Snapshot live() {
        return shows.live().orElseThrow(() -> Refusal.of("rig.none", "rig", "No show is open."));
    }

    /** Puts the whole rig right, then wrong as given. */
    public void setAll(Map<Integer, Fault> wrong) {
        Snapshot live = live();
        Map<Integer, RigFaultStore.RigFault> rows = new LinkedHashMap<>();
        wrong.forEach((number, fault) -> {
            int fixture = live.show().patch().number(number).id().value();
            rows.put(fixture, row(live, fixture, fault));
        });
        faults.replace(live.id(), rows);
        hangAgain(live);
    }

    /** What is wrong with the live rig, by number. */
    public Map<Integer, Fault> faults() {
        Map<Integer, Fault> all = new LinkedHashMap<>();
        shows.live()
                .ifPresent(s -> faults.of(s.id())
                        .forEach(row -> s.show()
                                .patch()
                                .find(new FixtureId(row.fixtureId()))
                                .ifPresent(
                                        f -> all.put(f.number(), fault(s.show().patch(), row)))));
        return all;
    }

    private static Fault fault(Patch patch, RigFaultStore.RigFault row) {
        return new Fault(
                Optional.ofNullable(row.starts()).map(Starts::parse),
                row.dead(),
                Optional.ofNullable(row.mode()),
                row.practice(),
                Optional.ofNullable(row.twin())
                        .flatMap(id -> patch.find(new FixtureId(id)))
                        .map(Fixture::number),
                Optional.ofNullable(row.stray()).map(Address::parse));
    }

    /** Every break has to fit. @throws Refusal where one does not */
    private static List<PatchedAddress> checked(Starts starts, Mode mode) {
        List<PatchedAddress> all = starts.allot(mode, false);
        for (PatchedAddress a : all) {
            if (!a.address().fits(mode.footprint().get(a.breakNumber()))) {
                throw Refusal.of(
                        "rig.address",
                        "address",
                        "It needs " + mode.slots() + " slots; " + starts + " does not leave so many.");
            }
        }
        return all;
    }

    /** A fault without what is as in the patch anyway: then it hangs as patched again, wherever that will be. */
    Fault settled(int number, Fault fault) {
        Patch patch = live().show().patch();
        Fixture fixture = patch.number(number);
        Optional<String> mode = fault.mode().filter(m -> !m.equals(fixture.mode()));
        Optional<Starts> starts = fault.starts()
                .filter(s ->
                        !Starts.of(s.allot(mode(patch, fixture, fault), false)).equals(Starts.of(fixture.addresses())));
        boolean wrong = mode.isPresent()
                || starts.isPresent()
                || fault.twin().isPresent()
                || fault.stray().isPresent();
        return new Fault(starts, fault.dead(), mode, fault.practice() && wrong, fault.twin(), fault.stray());
    }

    /** Its light is told anew. */
    void changed(Hung fixture) {
        dirty.addAll(
                fixture.addresses().stream().map(a -> a.address().universe()).toList());
        if (fixture.addresses().isEmpty()) {
            dirty.add(EVERY);
        }
    }

    private synchronized void hangAgain(Snapshot live) {
        hangs = null;
        wanted = live;
    }

    /** Everything that hangs in the live rig, by number. */
    Map<Integer, Hung> all() {
        return hung();
    }

    /** Show whose rig it is; empty while none is live. */
    Optional<Snapshot> show() {
        return Optional.ofNullable(wanted);
    }

    int count() {
        return hung().size();
    }

    Set<Integer> numbers() {
        return hung().keySet();
    }

    public Optional<Hung> find(int number) {
        return Optional.ofNullable(hung().get(number));
    }

    public List<CellLight> light(Hung fixture) {
        return fixture.light(rig::slots);
    }

    /** A mark for “all universes”. */
    private static final int EVERY = 0;

    /** Light of every fixture that may have changed since this was asked last, or of all of them. */
    Map<Hung, List<CellLight>> news(boolean all) {
        Map<Integer, Hung> now = hung();
        Set<Integer> changed = Set.copyOf(dirty);
        dirty.removeAll(changed);
        Map<Integer, byte[]> received = new LinkedHashMap<>();
        Map<Hung, List<CellLight>> lights = new LinkedHashMap<>();
        for (Hung fixture : now.values()) {
            if (all || changed.contains(EVERY) || changed.stream().anyMatch(fixture::listensTo)) {
                lights.put(fixture, fixture.light(u -> received.computeIfAbsent(u, rig::slots)));
            }
        }
        return lights;
    }
}
