package app.loculus.core.finding;

import app.loculus.core.edit.group.Starter;
import app.loculus.core.group.Group;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Who is in a group, and groups of nobody. Groups that go by what the lights do are let be: they are another every time. */
final class GroupRules {

    private static final PartKind<?, ?>[] READS = {
        PartKinds.GROUPS, PartKinds.FIXTURES, PartKinds.PROFILES, PartKinds.PALETTES, PartKinds.MARKS
    };

    static final List<Rule> ALL = List.of(new Ungrouped(), new Empty(), new AllDead());

    private GroupRules() {}

    private static List<Group> still(Show show) {
        return show.groups().stream()
                .filter(g -> !g.content().choice().changesWithLight())
                .toList();
    }

    /** Nobody, as long as there are no groups at all. */
    private static final class Ungrouped extends Rule {

        Ungrouped() {
            super("no-group", ChapterName.GROUPS, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            Set<FixtureId> grouped = still(show).stream()
                    .flatMap(g -> show.units(g).units().stream())
                    .map(UnitId::fixture)
                    .collect(Collectors.toSet());
            List<Fixture> without = grouped.isEmpty()
                    ? List.of()
                    : show.patch().fixtures().stream()
                            .filter(f -> !grouped.contains(f.id()))
                            .toList();
            if (!without.isEmpty()) {
                found.look(
                        "",
                        Numbers.text(without.stream().map(Fixture::number).toList())
                                + (without.size() == 1 ? " is" : " are") + " in no group.",
                        without.stream()
                                .map(f -> show.patch().profileOf(f).name())
                                .distinct()
                                .limit(4)
                                .collect(Collectors.joining(", ")),
                        whole(without.stream().map(Fixture::id).toList()),
                        Spot.of("fixture", without.get(0).number()));
            }
        }

        /** The obvious groups of their types, which take all of them in. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Set<FixtureId> who = finding.who().stream().map(UnitId::fixture).collect(Collectors.toSet());
            List<String> names = Starter.of(show).stream()
                    .filter(s -> s.family().equals("type")
                            && s.share().equals("whole")
                            && s.there().isEmpty()
                            && s.units().units().stream().anyMatch(u -> who.contains(u.fixture())))
                    .map(Starter::name)
                    .toList();
            return names.isEmpty()
                    ? List.of()
                    : List.of(WayOut.line(
                            names.size() == 1
                                    ? "Group “" + names.get(0) + "”"
                                    : names.size() + " groups of their types",
                            "starter groups " + names.stream().map(Quoted::of).collect(Collectors.joining(" + "))));
        }
    }

    private static final class Empty extends Rule {

        Empty() {
            super("group-empty", ChapterName.GROUPS, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Group g : still(show)) {
                if (show.units(g).isEmpty()) {
                    boolean recipe = g.content().recipe();
                    found.look(
                            g.id().value(),
                            "Group " + g.number() + " “" + g.name() + "” "
                                    + (recipe ? "finds nothing." : "has no members."),
                            recipe ? show.words(g.content().choice()) : "",
                            List.of(),
                            Spot.of("group", g.number()));
                }
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return List.of(WayOut.line(
                    "Delete it", "delete " + finding.spot().orElseThrow().line()));
        }
    }

    private static final class AllDead extends Rule {

        AllDead() {
            super("group-dead", ChapterName.GROUPS, READS);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Group g : still(show)) {
                List<UnitId> units = show.units(g).units();
                boolean dead = !units.isEmpty()
                        && units.stream()
                                .allMatch(u ->
                                        show.patch().get(u.fixture()).bringUp().answer() == BringUp.Answer.DEAD);
                if (dead) {
                    found.look(
                            g.id().value(),
                            "All of group " + g.number() + " “" + g.name() + "” was dead when brought up.",
                            numbers(show, units),
                            units,
                            Spot.of("group", g.number()));
                }
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return List.of(WayOut.line("They answer now", "mark " + numbers(show, finding.who()) + " answered"));
        }
    }
}
