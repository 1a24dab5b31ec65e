package app.loculus.app.rig;

import app.loculus.app.session.Snapshot;
import app.loculus.app.store.RigLabelStore;
import app.loculus.app.store.RigLabelStore.RigLabel;
import app.loculus.core.device.DeviceText;
import app.loculus.core.device.Uid;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/**
 * What hangs on the lines of the live rig, as remotely managed devices, and what they are told to be: they keep it as real
 * ones do. A dead one does not answer. Labels begin with the fixture's number, as a rental house writes them.
 */
@Component
public class RigDevices {

    /** Kept for trying things out; a maker has one of them by its name. */
    private static final int MAKERS = 0x7FF1;

    private static final int MOST_MAKERS = 14;
    private static final int FIXTURE_BITS = 4;
    private static final int SHOW_BITS = 22;

    /** Of more addresses than this a fixture has no device each. */
    private static final int MOST_PLACES = 14;

    private static final int STRAY_PLACE = 15;

    private final RigLights lights;
    private final RigLabelStore labels;

    /** What shows itself, by fixture and place. */
    private final Set<String> identifying = ConcurrentHashMap.newKeySet();

    private final Set<String> dark = ConcurrentHashMap.newKeySet();
    private final Map<Hung, List<RigDevice>> made = new IdentityHashMap<>();
    private final Map<String, String> written = new HashMap<>();
    private long show;
    private Map<Integer, Hung> of = Map.of();
    private Map<Integer, List<RigDevice>> lines = Map.of();

    RigDevices(RigLights lights, RigLabelStore labels) {
        this.lights = lights;
        this.labels = labels;
    }

    /** By line, in the order of the patch; what has been hung otherwise is made anew. */
    synchronized Map<Integer, List<RigDevice>> lines() {
        Map<Integer, Hung> now = lights.all();
        if (now != of) {
            of = now;
            lines = hang(now);
        }
        return lines;
    }

    private Map<Integer, List<RigDevice>> hang(Map<Integer, Hung> now) {
        Map<Integer, List<RigDevice>> next = new TreeMap<>();
        Optional<Snapshot> live = lights.show();
        if (live.isEmpty()) {
            return next;
        }
        if (show != live.get().id()) {
            // Another show is another rig: nothing of it shows itself yet.
            show = live.get().id();
            identifying.clear();
            dark.clear();
            made.clear();
        }
        if (made.isEmpty()) {
            written.clear();
            labels.of(show).forEach(l -> written.put(l.fixtureId() + "/" + l.place(), l.label()));
        }
        Map<FixtureId, Hung> byId = new HashMap<>();
        now.values().forEach(h -> byId.put(h.id(), h));
        Map<Hung, List<RigDevice>> before = new IdentityHashMap<>(made);
        made.clear();
        for (Hung hung : now.values()) {
            List<RigDevice> of = Optional.ofNullable(before.get(hung)).orElseGet(() -> devices(hung, byId));
            made.put(hung, of);
            of.forEach(
                    d -> next.computeIfAbsent(d.line(), l -> new ArrayList<>()).add(d));
        }
        return next;
    }

    private List<RigDevice> devices(Hung hung, Map<FixtureId, Hung> byId) {
        List<RigDevice> all = new ArrayList<>();
        Hung identity = hung.state().twin().map(byId::get).orElse(hung);
        int places =
                hung.state().dead() ? 0 : Math.min(MOST_PLACES, hung.addresses().size());
        for (int place = 0; place < places; place++) {
            PatchedAddress at = hung.addresses().get(place);
            String own = hung.number() + (place == 0 ? "" : "." + (place + 1));
            RigDevice device = new RigDevice(
                    uid(show, identity, place),
                    hung,
                    place,
                    at.breakNumber(),
                    at.address(),
                    written.getOrDefault(hung.id().value() + "/" + place, own));
            if (device.slots(device.mode()) > 0) {
                all.add(device);
            }
        }
        hung.state()
                .stray()
                .ifPresent(
                        at -> all.add(new RigDevice(uid(show, hung, STRAY_PLACE), hung, RigDevice.STRAY, 1, at, "")));
        return all;
    }

    private static Uid uid(long show, Hung hung, int place) {
        int maker = MAKERS + Math.floorMod(hung.sort().profile().maker().hashCode(), MOST_MAKERS);
        long serial = (show << SHOW_BITS | (long) hung.id().value() << FIXTURE_BITS | place) & 0xFFFFFFFFL;
        return new Uid(maker, serial);
    }

    private static String key(RigDevice d) {
        return d.hung().id().value() + "/" + d.place();
    }

    boolean identifies(RigDevice d) {
        return identifying.contains(key(d));
    }

    void identify(RigDevice d, boolean on) {
        boolean changed = on ? identifying.add(key(d)) : identifying.remove(key(d));
        if (changed) {
            lights.changed(d.hung());
        }
    }

    /** Whether any part of a fixture shows itself. */
    boolean identifies(Hung hung) {
        return !identifying.isEmpty()
                && identifying.stream().anyMatch(k -> k.startsWith(hung.id().value() + "/"));
    }

    boolean lamp(RigDevice d) {
        return !dark.contains(key(d));
    }

    void lamp(RigDevice d, boolean on) {
        if (on) {
            dark.remove(key(d));
        } else {
            dark.add(key(d));
        }
    }

    void reset(RigDevice d) {
        identify(d, false);
        lamp(d, true);
    }

    /** @return whether that fits and is done */
    boolean start(RigDevice d, int slot) {
        if (d.place() == RigDevice.STRAY) {
            return false;
        }
        List<Address> starts = new ArrayList<>(Starts.of(d.hung().addresses()).addresses());
        starts.set(d.place(), new Address(d.line(), slot));
        return set(d, fault -> fault.at(new Starts(starts)));
    }

    /** @return whether that fits and is done */
    boolean mode(RigDevice d, Mode mode) {
        return d.place() != RigDevice.STRAY && set(d, fault -> fault.in(mode.name()));
    }

    private boolean set(RigDevice d, java.util.function.UnaryOperator<RigLights.Fault> how) {
        int number = d.hung().number();
        RigLights.Fault before = lights.faults().getOrDefault(number, RigLights.Fault.NONE);
        try {
            lights.set(number, Optional.of(lights.settled(number, how.apply(before))));
            return true;
        } catch (Refusal beyond) {
            return false;
        }
    }

    void label(RigDevice d, String label) {
        if (d.place() != RigDevice.STRAY) {
            lights.show()
                    .ifPresent(s ->
                            labels.put(new RigLabel(s.id(), d.hung().id().value(), d.place(), DeviceText.of(label))));
            synchronized (this) {
                of = Map.of();
                made.clear();
            }
        }
    }

    /** Numbers of fixtures that show themselves. */
    public Set<Integer> identifying() {
        Set<Integer> all = new HashSet<>();
        lights.all().values().stream().filter(this::identifies).forEach(h -> all.add(h.number()));
        return all;
    }
}
