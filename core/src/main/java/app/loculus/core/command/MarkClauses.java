package app.loculus.core.command;

import app.loculus.core.edit.hand.AimAt;
import app.loculus.core.edit.mark.DeleteMark;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.edit.mark.MarkFromPosition;
import app.loculus.core.edit.mark.MoveMark;
import app.loculus.core.edit.mark.Realign;
import app.loculus.core.edit.mark.RenameMark;
import app.loculus.core.edit.mark.SetMark;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.geometry.Displacement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The verbs of marks, and aiming. */
final class MarkClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitSetMark(LineParser.SetMarkContext c) {
        return one(new SetMark(Terms.text(c.text()), Terms.point(c.point())));
    }

    @Override
    public List<ShowEdit> visitMarkFrom(LineParser.MarkFromContext c) {
        return later(draft -> new MarkFromPosition(
                Terms.text(c.text()), position(draft, c.paletteRef()).id()));
    }

    @Override
    public List<ShowEdit> visitRealign(LineParser.RealignContext c) {
        return later(draft -> new Realign(
                c.known().stream().map(k -> known(draft, k)).toList(),
                c.LIGHTS() == null ? Set.of() : lights(draft, c.selection()),
                c.paletteRef().stream()
                        .map(r -> position(draft, r).id())
                        .collect(Collectors.toCollection(LinkedHashSet::new)),
                c.text().stream()
                        .map(t -> MarkFinder.named(draft, Terms.text(t)).id())
                        .collect(Collectors.toCollection(LinkedHashSet::new))));
    }

    /** A mark is known where it stands. */
    private static Displacement.Known known(Draft draft, LineParser.KnownContext c) {
        Vector3 was = c.text() == null
                ? Terms.point(c.point(0))
                : MarkFinder.named(draft, Terms.text(c.text())).at();
        return new Displacement.Known(was, Terms.point(c.point(c.point().size() - 1)));
    }

    private static Set<FixtureId> lights(Draft draft, LineParser.SelectionContext c) {
        return new LinkedHashSet<>(c == null ? draft.show().patch().ids() : new Selecting(draft).fixtures(c));
    }

    private static Palette position(Draft draft, LineParser.PaletteRefContext c) {
        return c.integer() != null
                ? PaletteFinder.number(draft.show(), Kind.POSITION, Terms.integer(c.integer()))
                : PaletteFinder.named(draft.show(), Kind.POSITION, Terms.text(c.text()));
    }

    @Override
    public List<ShowEdit> visitMoveMark(LineParser.MoveMarkContext c) {
        String name = Terms.text(c.text());
        return c.BY() != null
                ? one(new MoveMark(name, Terms.point(c.point())))
                : later(draft -> new SetMark(MarkFinder.named(draft, name).name(), Terms.point(c.point())));
    }

    @Override
    public List<ShowEdit> visitRenameMark(LineParser.RenameMarkContext c) {
        return one(new RenameMark(Terms.text(c.text(0)), Terms.text(c.text(1))));
    }

    @Override
    public List<ShowEdit> visitDeleteMark(LineParser.DeleteMarkContext c) {
        return one(new DeleteMark(Terms.text(c.text()), c.VALUES() != null));
    }

    @Override
    public List<ShowEdit> visitAimAt(LineParser.AimAtContext c) {
        double fan = c.number() == null ? 0 : Terms.number(c.number());
        return c.text() == null
                ? one(new AimAt(Terms.point(c.point()), Optional.empty(), fan))
                : later(draft -> {
                    Mark mark = MarkFinder.named(draft, Terms.text(c.text()));
                    return new AimAt(mark.at(), Optional.of(mark.name()), fan);
                });
    }
}
