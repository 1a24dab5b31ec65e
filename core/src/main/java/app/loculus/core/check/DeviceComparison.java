package app.loculus.core.check;

import app.loculus.core.check.DeviceRow.By;
import app.loculus.core.check.DeviceRow.Fault;
import app.loculus.core.check.DeviceRow.Spot;
import app.loculus.core.device.Device;
import app.loculus.core.device.DeviceText;
import app.loculus.core.device.FoundDevices;
import app.loculus.core.device.FoundDevices.Unclear;
import app.loculus.core.device.KnownDevice;
import app.loculus.core.device.Personality;
import app.loculus.core.device.Uid;
import app.loculus.core.edit.device.KnowDevices;
import app.loculus.core.edit.device.TakeDevices;
import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.Starts;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Holds what hangs on the lines against the patch. Which device is which fixture is told, in this order, by what was kept,
 * by a label that begins with the fixture's number, by address and type, by being the only one left of its type on the
 * line and then anywhere (where no other one was kept), and last by the address alone. Nothing is guessed beyond that.
 */
public final class DeviceComparison {

    private final Show show;
    private final Profiles library;
    private final FoundDevices found;
    private final List<Spot> spots = new ArrayList<>();
    private final Map<Spot, Device> partners = new LinkedHashMap<>();
    private final Map<Spot, By> how = new HashMap<>();
    private final Set<Device.Place> paired = new HashSet<>();
    private final Set<Uid> doubled;

    /** Spots of which it is kept which device they are: another one is not taken for it. */
    private final Set<Spot> kept = new HashSet<>();

    private final List<DeviceRow> rows;

    private DeviceComparison(Show show, Profiles library, FoundDevices found) {
        this.show = show;
        this.library = library;
        this.found = found;
        this.doubled = found.devices().stream()
                .collect(Collectors.groupingBy(Device::uid, LinkedHashMap::new, Collectors.counting()))
                .entrySet()
                .stream()
                .filter(e -> e.getValue() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        Patch patch = show.patch();
        for (Fixture f : patch.fixtures()) {
            List<Claim> claims = patch.claimsOf(f);
            for (int place = 0; place < claims.size(); place++) {
                if (claims.get(place).slots() > 0) {
                    spots.add(
                            new Spot(claims.get(place), place, new Profiles.Type(patch.profileOf(f), patch.modeOf(f))));
                }
            }
        }
        pair();
        rows = rows();
    }

    public static DeviceComparison of(Show show, Profiles library, FoundDevices found) {
        return new DeviceComparison(show, library, found);
    }

    /** Those of the patch in its order, then what nobody has patched. */
    public List<DeviceRow> all() {
        return rows;
    }

    private void pair() {
        Map<Uid, KnownDevice> known = show.all(PartKinds.DEVICES);
        Map<String, Spot> byName = new HashMap<>();
        Map<FixtureId, List<Spot>> ofFixture = new HashMap<>();
        spots.forEach(s -> {
            byName.put(s.name(), s);
            ofFixture
                    .computeIfAbsent(s.claim().fixture().id(), f -> new ArrayList<>())
                    .add(s);
        });
        known.values()
                .forEach(k -> ofFixture.getOrDefault(k.fixture(), List.of()).stream()
                        .filter(s -> s.place() == k.place())
                        .forEach(kept::add));
        for (Device d : unpaired()) {
            KnownDevice k = doubled.contains(d.uid()) ? null : known.get(d.uid());
            if (k != null) {
                ofFixture.getOrDefault(k.fixture(), List.of()).stream()
                        .filter(s -> s.place() == k.place())
                        .findFirst()
                        .ifPresent(s -> join(s, d, By.KNOWN));
            }
        }
        for (Device d : unpaired()) {
            Optional.ofNullable(byName.get(firstWord(d.label())))
                    .filter(s -> sameType(s, d))
                    .ifPresent(s -> join(s, d, By.LABEL));
        }
        byAddress(this::sameType, By.ADDRESS);
        left((s, d) -> s.claim().universe() == d.line());
        left((s, d) -> true);
        byAddress((s, d) -> true, By.PLACE);
    }

    private List<Device> unpaired() {
        return found.devices().stream().filter(d -> !paired.contains(d.place())).toList();
    }

    private List<Spot> free() {
        return spots.stream().filter(s -> !partners.containsKey(s)).toList();
    }

    private void join(Spot spot, Device device, By by) {
        if (!partners.containsKey(spot) && paired.add(device.place())) {
            partners.put(spot, device);
            how.put(spot, by);
        }
    }

    private void byAddress(BiPredicate<Spot, Device> fits, By by) {
        Map<Address, List<Spot>> starts = free().stream()
                .collect(Collectors.groupingBy(s -> s.claim().at().address()));
        for (Device d : unpaired()) {
            d.setting().start().map(s -> new Address(d.line(), s)).map(starts::get).stream()
                    .flatMap(List::stream)
                    .filter(s -> !partners.containsKey(s) && fits.test(s, d))
                    .findFirst()
                    .ifPresent(s -> join(s, d, by));
        }
    }

    /** Where one spot and one device of a type are left in a room, they are one. */
    private void left(BiPredicate<Spot, Device> sameRoom) {
        List<Device> devices = unpaired();
        List<Spot> free = free().stream().filter(s -> !kept.contains(s)).toList();
        for (Device d : devices) {
            List<Spot> likely = free.stream()
                    .filter(s -> sameRoom.test(s, d) && sameType(s, d))
                    .limit(2)
                    .toList();
            if (likely.size() == 1) {
                Spot only = likely.get(0);
                long rivals = devices.stream()
                        .filter(o -> sameRoom.test(only, o) && sameType(only, o))
                        .limit(2)
                        .count();
                if (rivals == 1) {
                    join(only, d, By.LEFT);
                }
            }
        }
    }

    private static String firstWord(String label) {
        String text = label.strip();
        int end = text.indexOf(' ');
        return end < 0 ? text : text.substring(0, end);
    }

    private boolean sameType(Spot spot, Device device) {
        return same(spot.type().profile(), device);
    }

    private static boolean same(Profile profile, Device device) {
        return DeviceText.same(device.model().name(), profile.name())
                && (device.model().maker().isEmpty()
                        || DeviceText.same(device.model().maker(), profile.maker()));
    }

    private List<DeviceRow> rows() {
        Map<Address, Spot> starts = new HashMap<>();
        partners.keySet().forEach(s -> starts.putIfAbsent(s.claim().at().address(), s));
        List<DeviceRow> all = new ArrayList<>();
        for (Spot spot : spots) {
            Optional<Device> device = Optional.ofNullable(partners.get(spot));
            Optional<Spot> other = device.flatMap(d -> swapped(spot, d, starts));
            all.add(new DeviceRow(
                    Optional.of(spot),
                    device,
                    Optional.empty(),
                    how.getOrDefault(spot, By.NOTHING),
                    device.map(d -> faults(spot, d, other.isPresent())).orElse(EnumSet.of(Fault.MISSING)),
                    other.map(Spot::number)));
        }
        for (Device d : unpaired()) {
            Set<Fault> faults = EnumSet.of(Fault.EXTRA);
            if (doubled.contains(d.uid())) {
                faults.add(Fault.DOUBLED);
            }
            all.add(new DeviceRow(Optional.empty(), Optional.of(d), Optional.empty(), By.NOTHING, faults, standsIn(d)));
        }
        for (Unclear u : found.unclear()) {
            all.add(new DeviceRow(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(u),
                    By.NOTHING,
                    EnumSet.of(Fault.UNCLEAR),
                    Optional.empty()));
        }
        return List.copyOf(all);
    }

    /** The fixture that it may hang there for: the only one of its type that does not answer. */
    private Optional<Integer> standsIn(Device device) {
        List<Spot> silent =
                free().stream().filter(s -> sameType(s, device)).limit(2).toList();
        return silent.size() == 1 ? Optional.of(silent.get(0).number()) : Optional.empty();
    }

    private Set<Fault> faults(Spot spot, Device device, boolean swapped) {
        Set<Fault> faults = EnumSet.noneOf(Fault.class);
        Address patched = spot.claim().at().address();
        if (doubled.contains(device.uid())) {
            faults.add(Fault.DOUBLED);
        }
        if (swapped) {
            faults.add(Fault.SWAPPED);
        } else if (device.line() != patched.universe()) {
            faults.add(Fault.LINE);
        } else if (!device.setting().start().equals(Optional.of(patched.slot()))) {
            faults.add(Fault.ADDRESS);
        }
        if (!sameType(spot, device)) {
            faults.add(Fault.TYPE);
        } else if (!sameMode(spot, device)) {
            faults.add(Fault.MODE);
        }
        return faults;
    }

    /** By its name, where the device tells one that the profile has; else by how many slots it takes. */
    private static boolean sameMode(Spot spot, Device device) {
        Optional<Mode> said = mode(spot.type().profile(), device);
        return said.map(m -> m.name().equals(spot.mode().name()))
                .orElse(device.setting().footprint() == spot.claim().slots());
    }

    private static Optional<Mode> mode(Profile profile, Device device) {
        List<Mode> named = device.mode().filter(p -> !p.name().isEmpty()).stream()
                .flatMap(p -> profile.modes().stream().filter(m -> DeviceText.same(p.name(), m.name())))
                .toList();
        if (named.size() == 1) {
            return Optional.of(named.get(0));
        }
        List<Mode> sized = (named.isEmpty() ? profile.modes() : named)
                .stream().filter(m -> m.slots() == device.setting().footprint()).toList();
        return sized.size() == 1 ? Optional.of(sized.get(0)) : Optional.empty();
    }

    /** The spot whose address a device has, when that spot's device has the address of this one. */
    private Optional<Spot> swapped(Spot spot, Device device, Map<Address, Spot> starts) {
        Address patched = spot.claim().at().address();
        return at(device)
                .filter(own -> !own.equals(patched))
                .map(starts::get)
                .filter(other -> sameType(other, device))
                .filter(other -> sameType(spot, partners.get(other))
                        && at(partners.get(other)).equals(Optional.of(patched)));
    }

    private static Optional<Address> at(Device device) {
        return device.setting().start().map(s -> new Address(device.line(), s));
    }

    private List<DeviceRow> chosen(Collection<String> keys) {
        Set<String> wanted = new HashSet<>(keys);
        return rows.stream().filter(r -> wanted.contains(r.key())).toList();
    }

    /** Rows whose devices can be set to what is patched. */
    public List<String> settable() {
        return rows.stream().filter(this::settable).map(DeviceRow::key).toList();
    }

    /** Whether messages mend it: a cable is not set, a pair swapped between lines neither. */
    public boolean settable(DeviceRow row) {
        return row.settable() && change(row).isPresent();
    }

    /** What to tell the devices of these rows, so that they are as patched. */
    public List<DeviceChange> settings(Collection<String> keys) {
        return chosen(keys).stream()
                .filter(DeviceRow::settable)
                .flatMap(r -> change(r).stream())
                .toList();
    }

    private Optional<DeviceChange> change(DeviceRow row) {
        Spot spot = row.patched().orElseThrow();
        Device device = row.device().orElseThrow();
        Address patched = spot.claim().at().address();
        if (device.line() != patched.universe()) {
            return Optional.empty();
        }
        Optional<Integer> start = device.setting().start().equals(Optional.of(patched.slot()))
                ? Optional.empty()
                : Optional.of(patched.slot());
        Optional<Personality> mode = row.has(Fault.MODE) ? personality(spot, device) : Optional.empty();
        return start.isEmpty() && mode.isEmpty()
                ? Optional.empty()
                : Optional.of(new DeviceChange(spot.name(), device, mode, start));
    }

    private static Optional<Personality> personality(Spot spot, Device device) {
        List<Personality> all = device.model().personalities();
        return all.stream()
                .filter(p -> DeviceText.same(p.name(), spot.mode().name()))
                .findFirst()
                .or(() -> {
                    List<Personality> sized = all.stream()
                            .filter(p -> p.slots() == spot.claim().slots())
                            .toList();
                    return sized.size() == 1 ? Optional.of(sized.get(0)) : Optional.empty();
                });
    }

    /** Rows whose patch can become what the device says. */
    public List<String> takeable() {
        return rows.stream().filter(this::takeable).map(DeviceRow::key).toList();
    }

    public boolean takeable(DeviceRow row) {
        return row.patched().isPresent()
                && row.device().filter(d -> d.setting().start().isPresent()).isPresent()
                && !row.right()
                && !row.has(Fault.DOUBLED)
                && (!row.has(Fault.TYPE) && !row.has(Fault.MODE) || type(row).isPresent());
    }

    /** The one edit that makes the patch what these devices say. */
    public TakeDevices taking(Collection<String> keys) {
        Map<Fixture, List<DeviceRow>> byFixture = chosen(keys).stream()
                .filter(this::takeable)
                .collect(Collectors.groupingBy(
                        r -> r.patched().orElseThrow().claim().fixture(), LinkedHashMap::new, Collectors.toList()));
        List<Revision> revisions = new ArrayList<>();
        byFixture.forEach((fixture, of) -> revisions.add(revision(fixture, of)));
        return new TakeDevices(
                revisions,
                knowing(byFixture.values().stream()
                        .flatMap(List::stream)
                        .map(DeviceRow::key)
                        .toList()));
    }

    private Revision revision(Fixture fixture, List<DeviceRow> of) {
        List<Address> starts = new ArrayList<>(Starts.of(fixture.addresses()).addresses());
        for (DeviceRow row : of) {
            Device d = row.device().orElseThrow();
            starts.set(
                    row.patched().orElseThrow().place(),
                    new Address(d.line(), d.setting().start().orElseThrow()));
        }
        Optional<Profiles.Type> type = of.stream()
                .filter(r -> r.has(Fault.TYPE) || r.has(Fault.MODE))
                .flatMap(r -> type(r).stream())
                .findFirst();
        return new Revision(
                fixture.number(),
                Optional.empty(),
                Optional.empty(),
                type,
                Optional.of(new Starts(starts)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** What a device is, by a profile of the show or the library; empty when none or several could be meant. */
    private Optional<Profiles.Type> type(DeviceRow row) {
        Device device = row.device().orElseThrow();
        Profile patched = row.patched().orElseThrow().type().profile();
        List<Profile> likely = Stream.concat(show.profiles().all().stream(), library.all().stream())
                .filter(p -> same(p, device))
                .collect(Collectors.toMap(Profile::id, p -> p, (a, b) -> a, LinkedHashMap::new))
                .values()
                .stream()
                .toList();
        Optional<Profile> profile = same(patched, device)
                ? Optional.of(patched)
                : likely.stream().findFirst().filter(p -> likely.size() == 1);
        return profile.flatMap(p -> mode(p, device).map(m -> new Profiles.Type(p, m)));
    }

    /** Keeps of these rows which device is which. */
    public KnowDevices knowing(Collection<String> keys) {
        return new KnowDevices(chosen(keys).stream()
                .filter(r -> r.patched().isPresent() && r.device().isPresent() && !r.has(Fault.DOUBLED))
                .map(r -> r.patched().orElseThrow().known(r.device().orElseThrow()))
                .toList());
    }

    /** Keeps that a device is a fixture: of its addresses the one whose device did not answer, else the first. */
    public KnowDevices knowing(Uid uid, Fixture fixture) {
        int place = rows.stream()
                .filter(r -> r.device().isEmpty())
                .flatMap(r -> r.patched().stream())
                .filter(s -> s.claim().fixture().id().equals(fixture.id()))
                .map(Spot::place)
                .findFirst()
                .orElse(0);
        return new KnowDevices(List.of(new KnownDevice(uid, fixture.id(), place)));
    }
}
