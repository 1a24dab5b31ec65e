package app.loculus.app.rig;

import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.RigFaultStore;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.RunOn;
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

    /** How one fixture differs from the patch. */
    public record Fault(Optional<Address> address, boolean dead, Optional<String> mode, boolean practice) {

        /** What is wrong with it, in words. */
        public String words() {
            return dead
                    ? "dead"
                    : mode.map(m -> "in mode “" + m + "”").orElse("")
                            + address.map(a -> (mode.isPresent() ? ", " : "") + "at " + a)
                                    .orElse("");
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
        Optional<Address> elsewhere =
                fault.filter(f -> f.universe() != null).map(f -> new Address(f.universe(), f.slot()));
        List<PatchedAddress> addresses = elsewhere.map(a -> from(a, mode)).orElse(fixture.addresses());
        boolean dead = fault.map(RigFaultStore.RigFault::dead).orElse(false);
        return new Hung(
                fixture.number(),
                kind,
                mode.footprint(),
                addresses,
                fixture.pose(),
                dead,
                elsewhere.isEmpty(),
                fault.map(RigFaultStore.RigFault::practice).orElse(false));
    }

    private static SimulatedFixture simulated(Profile profile, Mode mode) {
        return new SimulatedFixture(mode, mode.emitters(), Profile.byName(profile.wheels()));
    }

    /** What one fixture of a profile would do at an address, with what the rig receives there. */
    public List<CellLight> light(Profile profile, Mode mode, Address at) {
        Hung hung = new Hung(
                0, simulated(profile, mode), mode.footprint(), from(at, mode), Optional.empty(), false, true, false);
        return light(hung);
    }

    private static List<PatchedAddress> from(Address start, Mode mode) {
        RunOn run = new RunOn(start, 0);
        List<PatchedAddress> all = new ArrayList<>();
        mode.footprint().forEach((number, slots) -> all.add(new PatchedAddress(number, run.take(slots), false)));
        return all;
    }

    /** Sets one fixture of the live rig wrong, or right again with no fault. */
    public void set(int number, Optional<Fault> fault) {
        Snapshot live = live();
        Patch patch = live.show().patch();
        Mode mode = patch.modeOf(patch.number(number));
        fault.flatMap(Fault::address).ifPresent(a -> check(a, mode));
        int fixture = patch.number(number).id().value();
        fault.ifPresentOrElse(f -> faults.put(row(live.id(), fixture, f)), () -> faults.delete(live.id(), fixture));
        hangAgain(live);
    }

    private static RigFaultStore.RigFault row(long show, int fixture, Fault f) {
        return new RigFaultStore.RigFault(
                show,
                fixture,
                f.address().map(Address::universe).orElse(null),
                f.address().map(Address::slot).orElse(null),
                f.dead(),
                f.mode().orElse(null),
                f.practice());
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
            rows.put(fixture, row(live.id(), fixture, fault));
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
                                .ifPresent(f -> all.put(f.number(), fault(row)))));
        return all;
    }

    private static Fault fault(RigFaultStore.RigFault row) {
        return new Fault(
                row.universe() == null ? Optional.empty() : Optional.of(new Address(row.universe(), row.slot())),
                row.dead(),
                Optional.ofNullable(row.mode()),
                row.practice());
    }

    /** Every break has to fit, the last one too. */
    private static void check(Address address, Mode mode) {
        int first = mode.footprint().values().stream().findFirst().orElse(0);
        boolean fits = address.fits(first);
        try {
            from(address, mode);
        } catch (Refusal beyond) {
            fits = false;
        }
        if (!fits) {
            throw Refusal.of(
                    "rig.address",
                    "address",
                    "It needs " + mode.slots() + " slots; " + address + " does not leave so many.");
        }
    }

    private synchronized void hangAgain(Snapshot live) {
        hangs = null;
        wanted = live;
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
