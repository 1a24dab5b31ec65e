package app.loculus.core.palette;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How palettes reach a set of units.
 *
 * <p>Units of one type, mode and cell number that have no entries of their own follow alike: the giver works
 * each such kin out once.
 */
public final class Reach {

    private record Kin(ProfileId profile, String mode, int cell) {}

    private record Way(
            ProfileId profile, String mode, Follows follows, Optional<ColourDifference> difference, String words) {}

    private final Map<Kin, List<UnitId>> kins = new LinkedHashMap<>();
    private final Patch patch;
    private final Giver giver;

    /** @param units cells, or whole fixtures that have no cells */
    public Reach(Patch patch, Giver giver, Collection<UnitId> units) {
        this.patch = patch;
        this.giver = giver;
        for (UnitId unit : units) {
            Fixture fixture = patch.get(unit.fixture());
            kins.computeIfAbsent(new Kin(fixture.profile(), fixture.mode(), unit.cell()), k -> new ArrayList<>())
                    .add(unit);
        }
    }

    /** One row for each way in which units of a type follow. */
    public List<ReachRow> of(Palette palette) {
        Map<Way, Integer> counts = new LinkedHashMap<>();
        Set<Kind> kinds = palette.kind() == Kind.COMBINED ? kinds(palette) : Set.of();
        kins.forEach((kin, units) -> count(palette, kinds, kin, units, counts));
        List<ReachRow> rows = new ArrayList<>();
        counts.forEach((way, units) ->
                rows.add(new ReachRow(way.profile, way.mode, way.follows, units, way.difference, way.words)));
        return rows;
    }

    private void count(Palette palette, Set<Kind> kinds, Kin kin, List<UnitId> units, Map<Way, Integer> counts) {
        if (!palette.hasUnitEntries() && !palette.perUnit()) {
            counts.merge(way(kinds, kin, giver.give(palette, units.get(0))), units.size(), Integer::sum);
            return;
        }
        units.forEach(unit -> counts.merge(way(kinds, kin, giver.give(palette, unit)), 1, Integer::sum));
    }

    private Way way(Set<Kind> kinds, Kin kin, Given given) {
        return new Way(
                kin.profile, kin.mode, given.follows(), given.difference(), given.words() + part(kinds, kin, given));
    }

    /** Of a palette of several kinds those that reach a type alone: {@code , position only}; empty when all do. */
    private String part(Set<Kind> kinds, Kin kin, Given given) {
        if (kinds.isEmpty()) {
            return "";
        }
        Profile own = patch.profiles().get(kin.profile);
        Set<Kind> reached = EnumSet.noneOf(Kind.class);
        given.values().keySet().stream()
                .filter(a -> !given.companions().contains(a))
                .forEach(a -> reached.add(own.kindOf(a)));
        boolean all = reached.isEmpty() || reached.containsAll(kinds);
        return all ? "" : ", " + reached.stream().map(Kind::word).collect(Collectors.joining(" and ")) + " only";
    }

    private Set<Kind> kinds(Palette palette) {
        Set<Kind> kinds = EnumSet.noneOf(Kind.class);
        for (Entry e : palette.entries()) {
            if (!e.companion()) {
                patch.profiles().all().stream()
                        .filter(p -> p.attributes().stream()
                                .anyMatch(d -> d.attribute().equals(e.attribute())))
                        .findFirst()
                        .ifPresent(p -> kinds.add(p.kindOf(e.attribute())));
            }
        }
        return kinds;
    }
}
