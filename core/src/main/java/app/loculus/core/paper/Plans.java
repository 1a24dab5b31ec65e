package app.loculus.core.paper;

import app.loculus.core.mark.Mark;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Plans of the stage as they are drawn on paper. */
final class Plans {

    private Plans() {}

    /** Everybody, with some standing out. */
    static Figure.Plan of(Show show, Collection<UnitId> meant) {
        Set<FixtureId> strong = meant.stream().map(UnitId::fixture).collect(Collectors.toSet());
        return new Figure.Plan(dots(show, strong), List.of());
    }

    static Figure.Plan ofMarks(Show show) {
        return new Figure.Plan(
                dots(show, Set.of()),
                show.marks().stream()
                        .map((Mark m) -> new Figure.Dot(m.at().x(), m.at().y(), m.name(), true))
                        .toList());
    }

    private static List<Figure.Dot> dots(Show show, Set<FixtureId> strong) {
        return show.patch().fixtures().stream()
                .filter(f -> f.pose().isPresent())
                .map((Fixture f) -> new Figure.Dot(
                        f.pose().get().place().x(), f.pose().get().place().y(), "", strong.contains(f.id())))
                .toList();
    }
}
