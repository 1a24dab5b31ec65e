package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/** Every fixture of a show with its addresses. Immutable; safe to share between threads. */
public final class Patch {

    private final Profiles profiles;
    private final TreeMap<Integer, Fixture> byNumber;
    private final Map<FixtureId, Fixture> byId;
    private volatile NavigableMap<Integer, List<Claim>> claims;
    private volatile Map<String, List<Fixture>> byPosition;
    private volatile Map<String, List<Fixture>> byPurpose;

    public Patch(Profiles profiles, Collection<Fixture> fixtures) {
        this.profiles = profiles;
        this.byNumber = new TreeMap<>();
        this.byId = new HashMap<>(fixtures.size() * 2);
        for (Fixture fixture : fixtures) {
            byNumber.put(fixture.number(), fixture);
            byId.put(fixture.id(), fixture);
        }
    }

    private Patch(Profiles profiles, TreeMap<Integer, Fixture> byNumber, Map<FixtureId, Fixture> byId) {
        this.profiles = profiles;
        this.byNumber = byNumber;
        this.byId = byId;
    }

    /** The same patch with these fixtures put in, and those taken out first. */
    public Patch changed(Profiles newProfiles, Collection<FixtureId> gone, Collection<Fixture> put) {
        TreeMap<Integer, Fixture> numbers = new TreeMap<>(byNumber);
        Map<FixtureId, Fixture> ids = new HashMap<>(byId);
        gone.forEach(id -> Optional.ofNullable(ids.remove(id)).ifPresent(f -> numbers.remove(f.number())));
        put.forEach(f -> Optional.ofNullable(ids.remove(f.id())).ifPresent(old -> numbers.remove(old.number())));
        for (Fixture fixture : put) {
            numbers.put(fixture.number(), fixture);
            ids.put(fixture.id(), fixture);
        }
        Patch next = new Patch(newProfiles, numbers, ids);
        if (claims != null && newProfiles == profiles && put.stream().allMatch(next::typed)) {
            next.claims = next.claimsFrom(this, gone, put);
        }
        return next;
    }

    public Profiles profiles() {
        return profiles;
    }

    /** In the order of their numbers. */
    public Collection<Fixture> fixtures() {
        return java.util.Collections.unmodifiableCollection(byNumber.values());
    }

    /** Every fixture's id; the same collection as long as the patch is the same. */
    public Collection<FixtureId> ids() {
        return java.util.Collections.unmodifiableSet(byId.keySet());
    }

    public int size() {
        return byNumber.size();
    }

    public Optional<Fixture> find(FixtureId id) {
        return Optional.ofNullable(byId.get(id));
    }

    public Fixture get(FixtureId id) {
        return find(id).orElseThrow(() -> new IllegalStateException("No fixture " + id));
    }

    public Optional<Fixture> numbered(int number) {
        return Optional.ofNullable(byNumber.get(number));
    }

    /** @throws Refusal naming the number and its neighbours */
    public Fixture number(int number) {
        return numbered(number)
                .orElseThrow(() -> Refusal.of(
                        "patch.missing",
                        "numbers",
                        "There is no fixture " + number + ".",
                        WayOut.advice(neighbours(number))));
    }

    private String neighbours(int number) {
        Integer below = byNumber.floorKey(number);
        Integer above = byNumber.ceilingKey(number);
        if (below == null && above == null) {
            return "This show has no fixtures yet; patch some first.";
        }
        return "The nearest are " + (below == null ? "" : below) + (below != null && above != null ? " and " : "")
                + (above == null ? "" : above) + ".";
    }

    /** Existing fixtures from one number to another, in that direction. */
    public List<Fixture> between(int from, int to) {
        return from <= to
                ? List.copyOf(byNumber.subMap(from, true, to, true).values())
                : List.copyOf(
                        byNumber.subMap(to, true, from, true).descendingMap().values());
    }

    /** Fixtures at a position, however its letters are written, in the order of their numbers. */
    public List<Fixture> at(String position) {
        if (byPosition == null) {
            byPosition = by(Fixture::position);
        }
        return byPosition.getOrDefault(position.toLowerCase(Locale.ROOT), List.of());
    }

    /** Fixtures for a purpose, likewise. */
    public List<Fixture> purposed(String purpose) {
        if (byPurpose == null) {
            byPurpose = by(Fixture::purpose);
        }
        return byPurpose.getOrDefault(purpose.toLowerCase(Locale.ROOT), List.of());
    }

    private Map<String, List<Fixture>> by(Function<Fixture, String> what) {
        Map<String, List<Fixture>> found = new HashMap<>();
        fixtures()
                .forEach(f -> found.computeIfAbsent(what.apply(f).toLowerCase(Locale.ROOT), n -> new ArrayList<>())
                        .add(f));
        return found;
    }

    public Profile profileOf(Fixture fixture) {
        return profiles.get(fixture.profile());
    }

    public Mode modeOf(Fixture fixture) {
        return profileOf(fixture).mode(fixture.mode());
    }

    /** The cells of a fixture that hold no others, in order; the whole fixture where it has none. */
    public List<UnitId> cellsOf(FixtureId id) {
        Cells cells = modeOf(get(id)).layout();
        List<UnitId> units = new ArrayList<>();
        for (int cell = 1; cell <= cells.count(); cell++) {
            if (cells.innermost(cell)) {
                units.add(new UnitId(id, cell));
            }
        }
        return units.isEmpty() ? List.of(UnitId.whole(id)) : units;
    }

    public FixtureId nextId() {
        return new FixtureId(
                byId.keySet().stream().mapToInt(FixtureId::value).max().orElse(0) + 1);
    }

    /** The lowest number not in use. */
    public int nextFree() {
        int next = 1;
        for (int used : byNumber.keySet()) {
            if (used != next) {
                return next;
            }
            next++;
        }
        return next;
    }

    /** Claims by universe, each list sorted by slot. */
    public NavigableMap<Integer, List<Claim>> claims() {
        if (claims == null) {
            claims = collect();
        }
        return claims;
    }

    private NavigableMap<Integer, List<Claim>> collect() {
        NavigableMap<Integer, List<Claim>> found = new TreeMap<>();
        for (Fixture fixture : byNumber.values()) {
            claimsOf(fixture)
                    .forEach(c -> found.computeIfAbsent(c.universe(), u -> new ArrayList<>())
                            .add(c));
        }
        found.values()
                .forEach(list -> list.sort(Comparator.comparingInt(Claim::first)
                        .thenComparingInt(c -> c.fixture().number())));
        return found;
    }

    private boolean typed(Fixture fixture) {
        return profiles.find(fixture.profile())
                .flatMap(p -> p.findMode(fixture.mode()))
                .isPresent();
    }

    /** The claims of another state of the patch, with only those universes collected anew where something differs. */
    private NavigableMap<Integer, List<Claim>> claimsFrom(
            Patch before, Collection<FixtureId> gone, Collection<Fixture> put) {
        Set<FixtureId> touched = new HashSet<>(gone);
        put.forEach(f -> touched.add(f.id()));
        Map<Integer, List<Claim>> anew = new HashMap<>();
        touched.stream()
                .flatMap(id -> before.find(id).stream())
                .flatMap(f -> before.claimsOf(f).stream())
                .forEach(c -> anew.putIfAbsent(c.universe(), new ArrayList<>()));
        put.forEach(f -> claimsOf(f)
                .forEach(c -> anew.computeIfAbsent(c.universe(), u -> new ArrayList<>())
                        .add(c)));
        NavigableMap<Integer, List<Claim>> next = new TreeMap<>(before.claims());
        anew.forEach((universe, added) -> {
            List<Claim> list = new ArrayList<>(added);
            before.claims().getOrDefault(universe, List.of()).stream()
                    .filter(c -> !touched.contains(c.fixture().id()))
                    .forEach(list::add);
            list.sort(Comparator.comparingInt(Claim::first)
                    .thenComparingInt(c -> c.fixture().number()));
            if (list.isEmpty()) {
                next.remove(universe);
            } else {
                next.put(universe, list);
            }
        });
        return next;
    }

    public List<Claim> claimsOf(Fixture fixture) {
        Map<Integer, Integer> footprint = modeOf(fixture).footprint();
        return fixture.addresses().stream()
                .filter(a -> footprint.containsKey(a.breakNumber()))
                .map(a -> new Claim(fixture, a, footprint.get(a.breakNumber())))
                .toList();
    }

    /** Claims of other fixtures that this one would run into. */
    public List<Claim> inTheWayOf(Claim wanted) {
        return claims().getOrDefault(wanted.universe(), List.of()).stream()
                .filter(c -> !c.fixture().id().equals(wanted.fixture().id()) && c.overlaps(wanted))
                .toList();
    }

    /** Everywhere fixtures are on the same slots, shared or not; each place once with all who are in it. */
    public List<Clash> clashes() {
        return claims().values().stream()
                .flatMap(list -> clashesIn(list).stream())
                .toList();
    }

    /** The list is sorted by first slot: whoever begins before the others have ended is among them. */
    private static List<Clash> clashesIn(List<Claim> sorted) {
        List<Clash> found = new ArrayList<>();
        List<Claim> together = new ArrayList<>();
        int reach = 0;
        for (Claim claim : sorted) {
            if (claim.first() > reach) {
                clash(together).ifPresent(found::add);
                together.clear();
            }
            together.add(claim);
            reach = Math.max(reach, claim.last());
        }
        clash(together).ifPresent(found::add);
        return found;
    }

    /** A clash, if slots are claimed by more than one fixture. */
    private static Optional<Clash> clash(List<Claim> together) {
        if (together.stream().map(c -> c.fixture().id()).distinct().count() < 2) {
            return Optional.empty();
        }
        FixtureId[] holder = new FixtureId[Address.SLOTS + 1];
        int first = Address.SLOTS + 1;
        int last = 0;
        for (Claim claim : together) {
            for (int slot = claim.first(); slot <= Math.min(claim.last(), Address.SLOTS); slot++) {
                if (holder[slot] != null && !holder[slot].equals(claim.fixture().id())) {
                    first = Math.min(first, slot);
                    last = Math.max(last, slot);
                }
                holder[slot] = claim.fixture().id();
            }
        }
        return last == 0
                ? Optional.empty()
                : Optional.of(new Clash(together.get(0).universe(), first, last, together));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Patch patch && patch.byNumber.equals(byNumber);
    }

    @Override
    public int hashCode() {
        return byNumber.hashCode();
    }
}
