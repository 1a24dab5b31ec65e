package app.loculus.core.check;

import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.ClashWords;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What is missing, clashing or does not answer, the worst first. */
public final class Gaps {

    private final Show show;
    private final List<Gap> found = new ArrayList<>();

    private Gaps(Show show) {
        this.show = show;
    }

    public static List<Gap> of(Show show) {
        Gaps gaps = new Gaps(show);
        show.patch().clashes().forEach(gaps::clash);
        gaps.marked(BringUp.Answer.DEAD, "dead", Chapter.State.WRONG);
        gaps.marked(BringUp.Answer.WRONG, "wrong", Chapter.State.NEEDS_AN_EYE);
        gaps.together("address", "without an address", gaps.unpatched());
        gaps.together("group", "in no group", gaps.inNoGroup());
        show.palettes().forEach(gaps::palette);
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
