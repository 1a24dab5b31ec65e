package app.loculus.core.edit.mark;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Displacement;
import app.loculus.core.geometry.Plane;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/** Finds the spots that heads with pan and tilt of their own hit, and aims them at where those are now. */
final class Spots {

    /** What became of a palette: how many heads were aimed, who does not reach, who was left as it was. */
    record Told(int aimed, Set<String> missing, Set<String> left) {}

    private final Function<Aiming.Beam, Optional<Vector3>> target;
    private final Predicate<FixtureId> concerned;

    private Spots(Function<Aiming.Beam, Optional<Vector3>> target, Predicate<FixtureId> concerned) {
        this.target = target;
        this.concerned = concerned;
    }

    /** The spots went along with what was moved. */
    static Spots moved(Displacement moved) {
        return new Spots(beam -> moved.metBy(beam).map(moved::move), f -> true);
    }

    /** The spots on the floor stay, and these fixtures hang elsewhere now. */
    static Spots under(Displacement moved, Set<FixtureId> lights) {
        return new Spots(beam -> Plane.level(0).meets(beam), lights::contains);
    }

    Told aim(Draft draft, Show before, Palette palette) {
        Map<UnitId, Map<Attribute, AttributeValue>> raw = raw(palette);
        Map<UnitId, Aiming.Aim> aims = new LinkedHashMap<>();
        Set<String> missing = new LinkedHashSet<>();
        Set<String> left = new LinkedHashSet<>();
        raw.forEach((unit, values) -> {
            Optional<Aiming.Aim> aim = aim(before, draft.show(), unit, values);
            aim.ifPresentOrElse(a -> aims.put(unit, a), () -> left.add(before.label(unit)));
            aim.filter(a -> !a.reached()).ifPresent(a -> missing.add(before.label(unit)));
        });
        if (!aims.isEmpty()) {
            draft.put(palette.holding(held(palette, aims)));
        }
        return new Told(aims.size(), missing, left);
    }

    private static List<Entry> held(Palette palette, Map<UnitId, Aiming.Aim> aims) {
        List<Entry> entries = new ArrayList<>();
        for (Entry e : palette.entries()) {
            Optional<Aiming.Aim> aim = e.scope().ownUnit().map(aims::get);
            boolean pan = e.attribute().equals(Attribute.PAN);
            entries.add(
                    aim.isPresent() && (pan || e.attribute().equals(Attribute.TILT))
                            ? e.holding(new AttributeValue.Physical(
                                    pan ? aim.get().pan() : aim.get().tilt()))
                            : e);
        }
        return entries;
    }

    /** Those with both pan and tilt of their own, as numbers. */
    private Map<UnitId, Map<Attribute, AttributeValue>> raw(Palette palette) {
        Map<UnitId, Map<Attribute, AttributeValue>> found = new LinkedHashMap<>();
        for (Entry e : palette.entries()) {
            boolean position =
                    e.attribute().equals(Attribute.PAN) || e.attribute().equals(Attribute.TILT);
            if (position
                    && e.scope() instanceof ScopeKey.Unit own
                    && concerned.test(own.unit().fixture())) {
                found.computeIfAbsent(own.unit(), u -> new LinkedHashMap<>()).put(e.attribute(), e.value());
            }
        }
        found.values().removeIf(values -> values.size() < 2);
        return found;
    }

    private Optional<Aiming.Aim> aim(Show before, Show after, UnitId unit, Map<Attribute, AttributeValue> values) {
        if (before.patch().find(unit.fixture()).isEmpty()) {
            return Optional.empty();
        }
        Fixture fixture = before.patch().get(unit.fixture());
        Mode mode = before.patch().modeOf(fixture);
        Optional<Double> pan = Aimed.degrees(mode, unit.cell(), values, Attribute.PAN);
        Optional<Double> tilt = Aimed.degrees(mode, unit.cell(), values, Attribute.TILT);
        Optional<Aiming.Reach> reach = Aimed.reach(mode, unit.cell());
        if (pan.isEmpty() || tilt.isEmpty() || reach.isEmpty()) {
            return Optional.empty();
        }
        return fixture.pose()
                .map(pose -> new Aiming.Beam(pose.place(), pose.beam(pan.get(), tilt.get())))
                .flatMap(target)
                .flatMap(at -> after.patch()
                        .get(unit.fixture())
                        .pose()
                        .map(pose -> Aiming.nearest(pose, at, reach.get(), pan.get(), tilt.get())));
    }
}
