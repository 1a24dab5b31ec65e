package app.loculus.core.finding;

import app.loculus.core.group.Group;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Names used twice: said over a headset they are one. */
final class NameRules {

    static final List<Rule> ALL = List.of(
            new Fixtures(),
            new Others<>("group", ChapterName.GROUPS, PartKinds.GROUPS) {
                @Override
                List<Named> named(Show show) {
                    return show.groups().stream()
                            .map((Group g) -> new Named("group", g.number(), g.name()))
                            .toList();
                }
            },
            new Others<>("palette", ChapterName.PALETTES, PartKinds.PALETTES) {
                @Override
                List<Named> named(Show show) {
                    return show.palettes().stream()
                            .map((Palette p) -> new Named(p.kind().word(), p.number(), p.name()))
                            .toList();
                }
            },
            new Others<>("look", ChapterName.LOOKS, PartKinds.LOOKS) {
                @Override
                List<Named> named(Show show) {
                    return show.looks().stream()
                            .map(l -> new Named("look", l.number().orElseThrow(), l.name()))
                            .toList();
                }
            },
            new Others<>("effect", ChapterName.LOOKS, PartKinds.EFFECTS) {
                @Override
                List<Named> named(Show show) {
                    return show.effects().stream()
                            .map(e -> new Named("effect", e.number().orElseThrow(), e.name()))
                            .toList();
                }
            });

    private NameRules() {}

    private record Named(String what, int number, String name) {

        String line() {
            return what + " " + number;
        }
    }

    private static <T> Map<String, List<T>> twice(Collection<T> all, Function<T, String> name) {
        Map<String, List<T>> found = all.stream()
                .collect(Collectors.groupingBy(
                        t -> name.apply(t).strip().toLowerCase(Locale.ROOT), LinkedHashMap::new, Collectors.toList()));
        found.remove("");
        found.values().removeIf(same -> same.size() < 2);
        return found;
    }

    /** {@code Wash 2}, or the next number that is free. */
    private static String free(String name, Collection<String> taken) {
        List<String> small =
                taken.stream().map(n -> n.strip().toLowerCase(Locale.ROOT)).toList();
        int next = 2;
        while (small.contains((name + " " + next).toLowerCase(Locale.ROOT))) {
            next++;
        }
        return name + " " + next;
    }

    private static final class Fixtures extends Rule {

        Fixtures() {
            super("name-fixture", ChapterName.PATCH, PartKinds.FIXTURES);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            twice(show.patch().fixtures(), Fixture::name).forEach((key, same) -> {
                List<UnitId> who = same.stream().map(f -> UnitId.whole(f.id())).toList();
                found.look(
                        key,
                        Numbers.count(same.size(), "fixture") + " are called “"
                                + same.get(0).name() + "”.",
                        numbers(show, who),
                        who,
                        Spot.of("fixture", same.get(1).number()));
            });
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            String name = show.patch()
                    .get(finding.who().get(0).fixture())
                    .name()
                    .strip()
                    .replace("#", "");
            List<String> counted = new ArrayList<>();
            for (int i = 1; i <= finding.who().size(); i++) {
                counted.add((name + " " + i).toLowerCase(Locale.ROOT));
            }
            boolean taken = show.patch().fixtures().stream()
                    .anyMatch(f -> counted.contains(f.name().strip().toLowerCase(Locale.ROOT)));
            return taken
                    ? List.of()
                    : List.of(WayOut.line(
                            "Number them 1 to " + finding.who().size(),
                            "name " + numbers(show, finding.who()) + " " + Quoted.of(name + " #")));
        }
    }

    /** What is found by a name in the line. */
    private abstract static class Others<K, V> extends Rule {

        private final String one;

        Others(String one, ChapterName chapter, PartKind<K, V> kind) {
            super("name-" + one, chapter, kind);
            this.one = one;
        }

        abstract List<Named> named(Show show);

        @Override
        void find(Show show, Profiles library, Found found) {
            Map<String, List<Named>> byWhat = named(show).stream()
                    .collect(Collectors.groupingBy(Named::what, LinkedHashMap::new, Collectors.toList()));
            byWhat.forEach((what, all) -> twice(all, Named::name).values().forEach(same -> {
                Named first = same.get(0);
                same.stream()
                        .skip(1)
                        .forEach(n -> found.look(
                                n.line(),
                                PaletteRules.upper(n.line()) + " is called “"
                                        + n.name().strip() + "”, and so is " + first.number() + ".",
                                "",
                                List.of(),
                                Spot.of(what, n.number())));
            }));
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            String line = finding.spot().orElseThrow().line();
            List<Named> all = named(show);
            return all.stream()
                    .filter(n -> n.line().equals(line))
                    .findFirst()
                    .map(n -> {
                        String other = free(
                                n.name(),
                                all.stream()
                                        .filter(a -> a.what().equals(n.what()))
                                        .map(Named::name)
                                        .toList());
                        String verb = one.equals("effect") ? "rename effect " + n.number() : "rename " + line;
                        return List.of(
                                WayOut.line("Call " + n.number() + " “" + other + "”", verb + " " + Quoted.of(other)));
                    })
                    .orElse(List.of());
        }
    }
}
