package app.loculus.app.rig;

import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.RigFaultMapper;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.RunOn;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
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
    private final RigFaultMapper faults;
    private final Set<Integer> dirty = ConcurrentHashMap.newKeySet();
    private volatile Snapshot wanted;
    private Snapshot hangs;
    private Map<Integer, Hung> hung = Map.of();

    RigLights(Shows shows, VirtualRig rig, RigFaultMapper faults) {
        this.shows = shows;
        this.rig = rig;
        this.faults = faults;
        shows.live().ifPresent(s -> wanted = s);
        rig.listen(dirty::add);
    }

    @EventListener
    @Order(2)
    void changed(ShowChanged event) {
        if (event.live() && (event.areas().contains("fixtures") || event.areas().contains("profiles"))) {
            wanted = event.snapshot();
        }
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
        Map<Integer, RigFaultMapper.RigFault> wrong = new LinkedHashMap<>();
        faults.of(snapshot.id()).forEach(f -> wrong.put(f.number(), f));
        Map<Integer, Hung> next = new LinkedHashMap<>();
        Map<Mode, SimulatedFixture> kinds = new LinkedHashMap<>();
        Patch patch = snapshot.show().patch();
        for (Fixture fixture : patch.fixtures()) {
            next.put(fixture.number(), hung(patch, fixture, Optional.ofNullable(wrong.get(fixture.number())), kinds));
        }
        return next;
    }

    private static Hung hung(
            Patch patch, Fixture fixture, Optional<RigFaultMapper.RigFault> fault, Map<Mode, SimulatedFixture> kinds) {
        Profile profile = patch.profileOf(fixture);
        Mode mode = fault.flatMap(f -> Optional.ofNullable(f.mode()))
                .flatMap(profile::findMode)
                .orElseGet(() -> patch.modeOf(fixture));
        SimulatedFixture kind = kinds.computeIfAbsent(mode, m -> simulated(profile, m));
        Optional<Address> elsewhere =
                fault.filter(f -> f.universe() != null).map(f -> new Address(f.universe(), f.slot()));
        List<PatchedAddress> addresses = elsewhere.map(a -> from(a, mode)).orElse(fixture.addresses());
        boolean dead = fault.map(RigFaultMapper.RigFault::dead).orElse(false);
        return new Hung(
                fixture.number(),
                kind,
                mode.footprint(),
                addresses,
                fixture.pose(),
                dead,
                elsewhere.isEmpty(),
                fault.map(RigFaultMapper.RigFault::practice).orElse(false));
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
        fault.ifPresentOrElse(f -> keep(live.id(), number, f), () -> faults.delete(live.id(), number));
        hangAgain(live);
    }

    private void keep(long show, int number, Fault f) {
        faults.keep(
                show,
                new RigFaultMapper.RigFault(
                        number,
                        f.address().map(Address::universe).orElse(null),
                        f.address().map(Address::slot).orElse(null),
                        f.dead(),
                        f.mode().orElse(null),
                        f.practice()));
    }

    private Snapshot live() {
        return shows.live().orElseThrow(() -> Refusal.of("rig.none", "rig", "No show is open."));
    }

    /** Puts the whole rig right, then wrong as given. */
    public void setAll(Map<Integer, Fault> wrong) {
        Snapshot live = live();
        faults.clear(live.id());
        wrong.forEach((number, fault) -> keep(live.id(), number, fault));
        hangAgain(live);
    }

    /** What is wrong with the live rig, by number. */
    public Map<Integer, Fault> faults() {
        Map<Integer, Fault> all = new LinkedHashMap<>();
        shows.live()
                .ifPresent(s -> faults.of(s.id())
                        .forEach(f -> all.put(
                                f.number(),
                                new Fault(
                                        f.universe() == null
                                                ? Optional.empty()
                                                : Optional.of(new Address(f.universe(), f.slot())),
                                        f.dead(),
                                        Optional.ofNullable(f.mode()),
                                        f.practice()))));
        return all;
    }

    private static void check(Address address, Mode mode) {
        int slots = mode.footprint().values().stream().findFirst().orElse(0);
        if (!address.fits(slots)) {
            throw Refusal.of(
                    "rig.address", "address", "It needs " + slots + " slots; " + address + " does not leave so many.");
        }
    }

    private synchronized void hangAgain(Snapshot live) {
        hangs = null;
        wanted = live;
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
