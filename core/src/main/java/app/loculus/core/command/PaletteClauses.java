package app.loculus.core.command;

import app.loculus.core.edit.palette.ApplyPalette;
import app.loculus.core.edit.palette.DeletePalette;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.edit.palette.RecordPalette;
import app.loculus.core.edit.palette.RenamePalette;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/** The verbs of palettes. */
final class PaletteClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitDeletePalette(LineParser.DeletePaletteContext c) {
        return later(draft ->
                new DeletePalette(palette(draft, c.kind(), c.paletteRef()).id()));
    }

    @Override
    public List<ShowEdit> visitRecordPalette(LineParser.RecordPaletteContext c) {
        return one(new RecordPalette(
                Kind.parse(c.kind().getText()),
                Terms.maybe(c.integer()),
                Terms.maybe(c.text()),
                Optional.ofNullable(c.scope()).map(PaletteClauses::scope),
                onto(c.onto()),
                c.WHEEL() != null));
    }

    private static Scope scope(LineParser.ScopeContext c) {
        if (c.GLOBAL() != null) {
            return Scope.GLOBAL;
        }
        return c.TYPE() != null ? Scope.PER_TYPE : Scope.PER_FIXTURE;
    }

    private static RecordPalette.Onto onto(LineParser.OntoContext c) {
        if (c == null) {
            return RecordPalette.Onto.REFUSE;
        }
        return c.MERGE() != null ? RecordPalette.Onto.MERGE : RecordPalette.Onto.REPLACE;
    }

    private static Palette palette(Draft draft, LineParser.KindContext kind, LineParser.PaletteRefContext c) {
        Kind of = Kind.parse(kind.getText());
        return c.integer() != null
                ? PaletteFinder.number(draft.show(), of, Terms.integer(c.integer()))
                : PaletteFinder.named(draft.show(), of, Terms.text(c.text()));
    }

    @Override
    public List<ShowEdit> visitApply(LineParser.ApplyContext c) {
        return later(draft ->
                new ApplyPalette(palette(draft, c.kind(), c.paletteRef()).id(), c.VALUES() != null));
    }

    @Override
    public List<ShowEdit> visitRename(LineParser.RenameContext c) {
        return c.paletteRef() == null
                ? null
                : later(draft -> new RenamePalette(
                        palette(draft, c.kind(), c.paletteRef()).id(), Terms.text(c.text())));
    }
}
