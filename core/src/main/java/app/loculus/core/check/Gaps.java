package app.loculus.core.check;

import app.loculus.core.edit.look.DarkMoves;
import app.loculus.core.edit.look.Plain;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.ClashWords;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What is missing, clashing or does not answer, the worst first. */
public final class Gaps {

    private final Show show;
    private final List<Gap> found = new ArrayList<>();

    private Gaps(Show show) {
        this.show = show;
    }

    /** For as long as they hold. */
    private record Found(List<Gap> all) {}

    public static List<Gap> of(Show show) {
        return show.lasting(Found.class, () -> new Found(found(show))).all();
    }

    private static List<Gap> found(Show show) {
        Gaps gaps = new Gaps(show);
        show.patch().clashes().forEach(gaps::clash);
        gaps.marked(BringUp.Answer.DEAD, "dead", Chapter.State.WRONG);
        gaps.marked(BringUp.Answer.WRONG, "wrong", Chapter.State.NEEDS_AN_EYE);
        gaps.together("address", "without an address", gaps.unpatched());
        gaps.together("group", "in no group", gaps.inNoGroup());
        show.palettes().forEach(gaps::palette);
        show.all(PartKinds.LOOKS).values().forEach(gaps::look);
        show.all(PartKinds.LOOKS).values().forEach(gaps::still);
        show.lists().forEach(gaps::list);
        return List.copyOf(gaps.found);
    }

    private void clash(Clash c) {
        found.add(new Gap(
                "clash",
                c.shared() ? Chapter.State.NEEDS_AN_EYE : Chapter.State.WRONG,
                new ClashWords(show.patch()).words(c),
                c.numbers()));
    }

    /** A palette that some type could follow and does not. */
    private void palette(Palette palette) {
        List<Coverage.Type> missing = show.coverage().missing(palette);
        if (!missing.isEmpty()) {
            found.add(new Gap(
                    "palette",
                    Chapter.State.NEEDS_AN_EYE,
                    palette + " misses "
                            + missing.stream()
                                    .map(t -> show.profiles().get(t.profile()).name() + " (" + t.fixtures() + ")")
                                    .distinct()
                                    .collect(Collectors.joining(", ")),
                    missing.stream()
                            .flatMap(t -> t.units().stream())
                            .map(u -> show.patch().get(u.fixture()).number())
                            .distinct()
                            .toList()));
        }
    }

    /** Values that follow no palette, and palettes that give a unit nothing. */
    private void look(Look look) {
        String plain = Plain.words(show, look.values());
        if (!plain.isEmpty()) {
            found.add(new Gap(
                    "look",
                    Chapter.State.NEEDS_AN_EYE,
                    "In " + LookHolders.words(show, look) + ", " + plain,
                    numbers(Plain.of(show, look.values()).keySet())));
        }
        List<UnitId> without = look.values().entrySet().stream()
                .filter(e -> e.getValue().followed().stream()
                        .anyMatch(p -> !show.resolver()
                                .giver()
                                .give(show.palette(p).orElseThrow(), e.getKey())
                                .follow()))
                .map(Map.Entry::getKey)
                .toList();
        if (!without.isEmpty()) {
            found.add(new Gap(
                    "look",
                    Chapter.State.NEEDS_AN_EYE,
                    "In " + LookHolders.words(show, look) + ", " + Numbers.count(without.size(), "unit")
                            + (without.size() == 1 ? " follows" : " follow") + " a palette that gives nothing there",
                    numbers(without)));
        }
    }

    /** Effects that move nothing of a unit that refers to them. */
    private void still(Look look) {
        List<UnitId> still = look.values().entrySet().stream()
                .filter(e -> e.getValue().moved().stream()
                        .flatMap(u -> show.effect(u.effect()).stream())
                        .anyMatch(effect ->
                                show.resolver().motions().of(effect, e.getKey()).isEmpty()))
                .map(Map.Entry::getKey)
                .toList();
        if (!still.isEmpty()) {
            found.add(new Gap(
                    "look",
                    Chapter.State.NEEDS_AN_EYE,
                    "In " + LookHolders.words(show, look) + ", " + Numbers.count(still.size(), "unit")
                            + (still.size() == 1 ? " refers" : " refer") + " to an effect that moves nothing there",
                    numbers(still)));
        }
    }

    /** Lights that are seen moving in, and lights that nobody has pointed anywhere. */
    private void list(CueList list) {
        Set<UnitId> told = new HashSet<>();
        for (DarkMoves.Found f : DarkMoves.of(show, list)) {
            if (!f.moves().isEmpty()) {
                int units = f.moves().size();
                found.add(new Gap(
                        "look",
                        Chapter.State.NEEDS_AN_EYE,
                        Numbers.count(units, "unit") + (units == 1 ? " moves" : " move") + " while coming in with "
                                + f.cue()
                                + " of " + list + " and could do so in the dark: prepare cue "
                                + f.cue().number()
                                + " of list " + list.number(),
                        numbers(f.moves().keySet())));
            }
            // Once is enough: what is carried on is the same light.
            List<UnitId> lit = f.lit().stream().filter(u -> !told.contains(u)).toList();
            if (!lit.isEmpty()) {
                found.add(new Gap(
                        "look",
                        Chapter.State.NEEDS_AN_EYE,
                        Numbers.count(lit.size(), "unit") + (lit.size() == 1 ? " has" : " have")
                                + " intensity and no position in " + f.cue() + " of " + list,
                        numbers(lit)));
                told.addAll(lit);
            }
        }
    }

    private List<Integer> numbers(Collection<UnitId> units) {
        return units.stream()
                .map(u -> show.patch().get(u.fixture()).number())
                .distinct()
                .toList();
    }

    private void marked(BringUp.Answer answer, String kind, Chapter.State state) {
        show.patch().fixtures().stream()
                .filter(f -> f.bringUp().answer() == answer)
                .forEach(f -> found.add(new Gap(
                        kind,
                        state,
                        f.number() + " “" + f.name() + "” was " + answer.word() + " when it was brought up"
                                + (f.bringUp().note().isEmpty()
                                        ? ""
                                        : ": " + f.bringUp().note()),
                        List.of(f.number()))));
    }

    private void together(String kind, String what, List<Integer> numbers) {
        if (!numbers.isEmpty()) {
            found.add(new Gap(
                    kind,
                    Chapter.State.NEEDS_AN_EYE,
                    Numbers.count(numbers.size(), "fixture") + " " + what + ": " + Numbers.text(numbers),
                    numbers));
        }
    }

    private List<Integer> unpatched() {
        return show.patch().fixtures().stream()
                .filter(f -> !f.patched())
                .map(Fixture::number)
                .toList();
    }

    /** Nobody, as long as there are no groups at all. */
    private List<Integer> inNoGroup() {
        Set<FixtureId> grouped = show.groups().stream()
                .flatMap(g -> show.units(g).units().stream())
                .map(UnitId::fixture)
                .collect(Collectors.toSet());
        return grouped.isEmpty()
                ? List.of()
                : show.patch().fixtures().stream()
                        .filter(f -> !grouped.contains(f.id()))
                        .map(Fixture::number)
                        .toList();
    }
}
