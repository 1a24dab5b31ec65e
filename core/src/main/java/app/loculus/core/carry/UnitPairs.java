package app.loculus.core.carry;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Which cells answer to which, where fixtures are paired. Cells are shared out evenly; what one type has on the whole
 * fixture and the other on its cells meets there.
 */
public final class UnitPairs {

    private final Patch from;
    private final Patch to;
    private final Pairing pairing;
    private final List<UnitId> taking;
    private final Map<UnitId, List<Source>> sources = new HashMap<>();

    /** Units of one fixture that a unit takes its values from: the first goes before the others. */
    public record Source(FixtureId was, List<UnitId> units) {}

    public UnitPairs(Patch from, Patch to, Pairing pairing) {
        this.from = from;
        this.to = to;
        this.pairing = pairing;
        this.taking = found();
        taking.forEach(is -> sources.put(is, found(is)));
    }

    public Pairing pairing() {
        return pairing;
    }

    /** Every unit of the other rig that takes a part, in order: whole fixtures before their cells. */
    public List<UnitId> taking() {
        return taking;
    }

    private List<UnitId> found() {
        return pairing.taken()
                .sorted()
                .flatMap(id -> IntStream.rangeClosed(0, modeOf(to, id).cells()).mapToObj(c -> new UnitId(id, c)))
                .toList();
    }

    /** Where the values of a unit come from, for each fixture whose part its fixture takes, the leading one first. */
    public List<Source> sources(UnitId is) {
        return sources.getOrDefault(is, List.of());
    }

    private List<Source> found(UnitId is) {
        List<Source> found = new ArrayList<>();
        for (FixtureId was : pairing.partsOf(is.fixture())) {
            int before = modeOf(from, was).cells();
            int after = modeOf(to, is.fixture()).cells();
            List<UnitId> units = new ArrayList<>();
            if (is.cell() == 0) {
                units.add(UnitId.whole(was));
                if (before > 0) {
                    units.add(new UnitId(was, 1));
                }
            } else {
                if (before > 0) {
                    units.add(new UnitId(was, shared(is.cell(), after, before)));
                }
                units.add(UnitId.whole(was));
            }
            found.add(new Source(was, List.copyOf(units)));
        }
        return List.copyOf(found);
    }

    /** Which of so many stands where one of others stands: evenly, counted from 1. */
    private static int shared(int cell, int of, int among) {
        return of == among ? cell : Math.min(among, (cell - 1) * among / of + 1);
    }

    /** Units that stand for one of the show: its own cells where there are any, else the whole fixture. */
    public List<UnitId> inPlaceOf(UnitId was) {
        Set<UnitId> found = new LinkedHashSet<>();
        for (FixtureId is : pairing.inPlaceOf(was.fixture())) {
            int before = modeOf(from, was.fixture()).cells();
            int after = modeOf(to, is).cells();
            if (was.cell() == 0 || after == 0) {
                found.add(UnitId.whole(is));
            } else if (before == after) {
                found.add(new UnitId(is, was.cell()));
            } else {
                IntStream.rangeClosed(1, after)
                        .filter(c -> shared(c, after, before) == was.cell())
                        .forEach(c -> found.add(new UnitId(is, c)));
            }
        }
        return List.copyOf(found);
    }

    /**
     * Whether a unit takes an attribute from one of its sources that is not the first: only where nothing else of its
     * fixture does, so that no level counts twice.
     */
    public boolean takes(UnitId is, Attribute attribute) {
        Mode mode = modeOf(to, is.fixture());
        return is.cell() > 0
                ? mode.parameter(0, attribute).isEmpty()
                        && !(attribute.makesColour() && !mode.colours(0).none())
                : IntStream.rangeClosed(1, mode.cells())
                        .noneMatch(c -> mode.parameter(c, attribute).isPresent());
    }

    private static Mode modeOf(Patch patch, FixtureId id) {
        Fixture fixture = patch.get(id);
        return patch.modeOf(fixture);
    }
}
