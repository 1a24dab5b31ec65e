package app.loculus.core.patch;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/** Every fixture of a show with its addresses. Immutable; safe to share between threads. */
public final class Patch {

    private final Profiles profiles;
    private final TreeMap<Integer, Fixture> byNumber;
    private final Map<FixtureId, Fixture> byId;
    private volatile NavigableMap<Integer, List<Claim>> claims;

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
        return new Patch(newProfiles, numbers, ids);
    }

    public Profiles profiles() {
        return profiles;
    }

    /** In the order of their numbers. */
    public Collection<Fixture> fixtures() {
        return java.util.Collections.unmodifiableCollection(byNumber.values());
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

    public Profile profileOf(Fixture fixture) {
        return profiles.get(fixture.profile());
    }

    public Mode modeOf(Fixture fixture) {
        return profileOf(fixture).mode(fixture.mode());
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
        found.values().forEach(list -> list.sort(Comparator.comparingInt(Claim::first)));
        return found;
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

    /** Every pair of fixtures on the same slots, shared or not. */
    public List<Clash> clashes() {
        return claims().values().stream()
                .flatMap(list -> clashesIn(list).stream())
                .toList();
    }

    /** The list is sorted by first slot: once a claim begins behind this one's end, all later ones do. */
    private static List<Clash> clashesIn(List<Claim> sorted) {
        List<Clash> found = new ArrayList<>();
        for (int i = 0; i < sorted.size(); i++) {
            for (int j = i + 1;
                    j < sorted.size() && sorted.get(j).first() <= sorted.get(i).last();
                    j++) {
                if (sorted.get(i).overlaps(sorted.get(j)) && !sameFixture(sorted.get(i), sorted.get(j))) {
                    found.add(Clash.between(sorted.get(i), sorted.get(j)));
                }
            }
        }
        return found;
    }

    private static boolean sameFixture(Claim one, Claim other) {
        return one.fixture().id().equals(other.fixture().id());
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
