package app.loculus.formats.showfile;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** The parts of a show in the order in which they are written; profiles are beside it. */
record ShowDocument(
        String name,
        List<Fixture> fixtures,
        List<Group> groups,
        List<Palette> palettes,
        List<UniverseSetup> universes,
        List<ValuesOf> values,
        Hand hand) {

    /** Working values of one unit. */
    record ValuesOf(UnitId unit, UnitValues values) {}

    static ShowDocument of(Show show) {
        return new ShowDocument(
                show.name(),
                List.copyOf(show.patch().fixtures()),
                show.groups(),
                show.palettes(),
                show.universes(),
                show.programmer().values().entrySet().stream()
                        .map(e -> new ValuesOf(e.getKey(), e.getValue()))
                        .toList(),
                show.hand());
    }

    /** @throws Refusal when its parts do not fit together */
    Show show(Profiles profiles) {
        boolean whole = name != null
                && fixtures != null
                && groups != null
                && palettes != null
                && universes != null
                && values != null
                && hand != null;
        if (!whole) {
            throw broken("a part of it is missing");
        }
        once("fixture number", fixtures, Fixture::number);
        once("fixture", fixtures, Fixture::id);
        once("group", groups, Group::id);
        once("group number", groups, Group::number);
        once("palette", palettes, Palette::id);
        once("palette number", palettes, p -> p.kind() + " " + p.number());
        for (Fixture f : fixtures) {
            profiles.find(f.profile())
                    .orElseThrow(() -> broken("the profile of fixture " + f.number() + " is not in it"))
                    .findMode(f.mode())
                    .orElseThrow(() -> broken("the mode of fixture " + f.number() + " is not in its profile"));
        }
        units();
        Map<UnitId, UnitValues> byUnit = new LinkedHashMap<>();
        values.forEach(v -> byUnit.put(v.unit(), v.values()));
        return Show.of(name, profiles, fixtures, groups, palettes, universes, new Programmer(hand, byUnit));
    }

    private void units() {
        Set<FixtureId> known = new HashSet<>();
        fixtures.forEach(f -> known.add(f.id()));
        boolean all = groups.stream()
                        .flatMap(g -> g.content().selection().units().stream())
                        .allMatch(u -> known.contains(u.fixture()))
                && hand.selection().units().stream().allMatch(u -> known.contains(u.fixture()))
                && values.stream().allMatch(v -> known.contains(v.unit().fixture()))
                && palettes.stream().flatMap(p -> p.units().stream()).allMatch(u -> known.contains(u.fixture()));
        if (!all) {
            throw broken("it refers to fixtures that are not in it");
        }
    }

    private static <T> void once(String what, Collection<T> all, Function<T, Object> key) {
        Set<Object> seen = new HashSet<>();
        all.forEach(t -> {
            if (!seen.add(key.apply(t))) {
                throw broken("it has the " + what + " " + key.apply(t) + " twice");
            }
        });
    }

    static Refusal broken(String why) {
        return Refusal.of("show.file", "file", "The show file does not fit together: " + why + ".");
    }
}
