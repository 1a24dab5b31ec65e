package app.loculus.core.command;

import app.loculus.core.edit.look.FlipInLook;
import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.edit.palette.ApplyPalette;
import app.loculus.core.edit.palette.CopyPalette;
import app.loculus.core.edit.palette.DeletePalettes;
import app.loculus.core.edit.palette.DescribePalettes;
import app.loculus.core.edit.palette.FillGap;
import app.loculus.core.edit.palette.FillUnits;
import app.loculus.core.edit.palette.FlipInPalette;
import app.loculus.core.edit.palette.JoinPalettes;
import app.loculus.core.edit.palette.MovePalette;
import app.loculus.core.edit.palette.NarrowPalette;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.edit.palette.RecordAtMark;
import app.loculus.core.edit.palette.RecordPalette;
import app.loculus.core.edit.palette.RenamePalette;
import app.loculus.core.edit.palette.SpreadPalettes;
import app.loculus.core.edit.palette.TakeOut;
import app.loculus.core.edit.palette.TidyPalette;
import app.loculus.core.edit.palette.UpdatePalette;
import app.loculus.core.edit.palette.What;
import app.loculus.core.edit.starter.RecordStarterPalettes;
import app.loculus.core.palette.Joining;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Tint;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The verbs of palettes. */
final class PaletteClauses extends RoomClauses {

    @Override
    public List<ShowEdit> visitDeletePalette(LineParser.DeletePaletteContext c) {
        return later(draft -> new DeletePalettes(palettes(draft, c.kind(), c.paletteRef()), c.VALUES() != null));
    }

    @Override
    public List<ShowEdit> visitRecordPalette(LineParser.RecordPaletteContext c) {
        Set<Kind> with = new LinkedHashSet<>();
        List<String> only = new ArrayList<>();
        List<String> without = new ArrayList<>();
        What what = What.ALL;
        String at = null;
        Scope scope = null;
        LineParser.OntoContext onto = null;
        for (LineParser.RecordOptionContext o : c.recordOption()) {
            if (o.kind() != null) {
                with.add(Kind.parse(o.kind().getText()));
            } else if (o.attributes() != null) {
                (o.ONLY() != null ? only : without).addAll(words(o.attributes()));
            } else if (o.WHEEL() != null) {
                what = what.closing(true);
            } else if (o.REFERENCES() != null) {
                what = what.keeping(true);
            } else if (o.TOUCHED() != null) {
                what = what.fromEverybody();
            } else if (o.COLOUR() != null) {
                what = what.with(o.NEW() != null ? Joining.Intent.NEW : Joining.Intent.KEEP);
            }
            at = o.text() == null ? at : Terms.text(o.text());
            scope = o.scope() == null ? scope : scope(o.scope());
            onto = o.onto() == null ? onto : o.onto();
        }
        if (at != null) {
            return atMark(c, at, onto(onto));
        }
        return one(new RecordPalette(
                Kind.parse(c.kind().getText()),
                Terms.maybe(c.integer()),
                Terms.maybe(c.text()),
                Optional.ofNullable(scope),
                onto(onto),
                what.of(with, only, without)));
    }

    private static List<ShowEdit> atMark(LineParser.RecordPaletteContext c, String mark, RecordPalette.Onto onto) {
        if (Kind.parse(c.kind().getText()) != Kind.POSITION) {
            throw Refusal.of("palette.mark", "mark", "Only a position stands at a mark.");
        }
        return later(draft ->
                new RecordAtMark(Terms.maybe(c.integer()), Terms.maybe(c.text()), MarkFinder.named(draft, mark), onto));
    }

    private static List<String> words(LineParser.AttributesContext c) {
        return c.attribute().stream().map(LineParser.AttributeContext::getText).toList();
    }

    @Override
    public List<ShowEdit> visitTakeOut(LineParser.TakeOutContext c) {
        return later(draft ->
                new TakeOut(palette(draft, c.kind(), c.paletteRef()).id(), new Choices(draft).visit(c.selection())));
    }

    @Override
    public List<ShowEdit> visitTidyPalette(LineParser.TidyPaletteContext c) {
        return later(draft ->
                new TidyPalette(palette(draft, c.kind(), c.paletteRef()).id()));
    }

    @Override
    public List<ShowEdit> visitCopyPalette(LineParser.CopyPaletteContext c) {
        return later(draft ->
                new CopyPalette(palette(draft, c.kind(), c.paletteRef()).id(), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitMovePalette(LineParser.MovePaletteContext c) {
        return later(draft -> new MovePalette(palettes(draft, c.kind(), c.paletteRef()), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitNarrowPalette(LineParser.NarrowPaletteContext c) {
        return later(draft -> new NarrowPalette(
                palette(draft, c.kind(), c.paletteRef()).id(), c.TYPE() != null ? Scope.PER_TYPE : Scope.PER_FIXTURE));
    }

    @Override
    public List<ShowEdit> visitJoinPalettes(LineParser.JoinPalettesContext c) {
        return later(draft -> new JoinPalettes(
                palette(draft, c.kind(0), c.paletteRef(0)).id(),
                palette(draft, c.kind(c.kind().size() - 1), c.paletteRef(1)).id()));
    }

    @Override
    public List<ShowEdit> visitFillPalette(LineParser.FillPaletteContext c) {
        List<ShowEdit> all = new ArrayList<>();
        c.paletteRef()
                .forEach(p -> all.addAll(later(
                        draft -> fill(draft, c, palette(draft, c.kind(), p).id()))));
        return all;
    }

    private static ShowEdit fill(Draft draft, LineParser.FillPaletteContext c, PaletteId palette) {
        if (c.selection() != null) {
            return new FillUnits(palette, new Choices(draft).visit(c.selection()));
        }
        FillGap.From from = c.HOME() != null
                ? new FillGap.From.Home()
                : c.text().size() > 1 ? new FillGap.From.Like(type(draft, c.text(1))) : new FillGap.From.Now();
        String text = Terms.text(c.text(0));
        if (draft.show().profiles().has(text) || !text.contains("/")) {
            return new FillGap(palette, type(draft, c.text(0)), Optional.empty(), from);
        }
        Profiles.Type type = draft.show().profiles().type(text);
        return new FillGap(palette, type.profile().id(), Optional.of(type.mode().name()), from);
    }

    @Override
    public List<ShowEdit> visitFlipKept(LineParser.FlipKeptContext c) {
        return later(draft -> c.paletteRef() == null
                ? new FlipInLook(LookClauses.looks(draft, c), new Choices(draft).visit(c.selection()))
                : new FlipInPalette(
                        palette(draft.show(), Kind.POSITION, c.paletteRef()).id(),
                        new Choices(draft).visit(c.selection())));
    }

    private static ProfileId type(Draft draft, LineParser.TextContext c) {
        return draft.show().profiles().profile(Terms.text(c)).id();
    }

    @Override
    public List<ShowEdit> visitUpdatePalette(LineParser.UpdatePaletteContext c) {
        return later(draft -> new UpdatePalette(
                palette(draft, c.kind(), c.paletteRef()).id(),
                Optional.ofNullable(c.scope()).map(PaletteClauses::scope)));
    }

    @Override
    public List<ShowEdit> visitStarterPalettes(LineParser.StarterPalettesContext c) {
        return one(new RecordStarterPalettes(Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitTintPalette(LineParser.TintPaletteContext c) {
        return later(draft -> new DescribePalettes(
                palettes(draft, c.kind(), c.paletteRef()),
                Optional.of(c.OFF() != null ? Tint.NONE : Tint.of(c.WORD().getText())),
                Optional.empty(),
                Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitNotePalette(LineParser.NotePaletteContext c) {
        return later(draft -> new DescribePalettes(
                List.of(palette(draft, c.kind(), c.paletteRef()).id()),
                Optional.empty(),
                Optional.of(Terms.text(c.text())),
                Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitTimePalette(LineParser.TimePaletteContext c) {
        return later(draft -> new DescribePalettes(
                palettes(draft, c.kind(), c.paletteRef()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Optional.ofNullable(c.number()).map(Terms::number))));
    }

    private static List<PaletteId> palettes(
            Draft draft, LineParser.KindContext kind, List<LineParser.PaletteRefContext> refs) {
        return refs.stream().map(r -> palette(draft, kind, r).id()).toList();
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
        return palette(draft.show(), kind, c);
    }

    static Palette palette(Show show, LineParser.KindContext kind, LineParser.PaletteRefContext c) {
        return palette(show, Kind.parse(kind.getText()), c);
    }

    private static Palette palette(Show show, Kind of, LineParser.PaletteRefContext c) {
        return c.integer() != null
                ? PaletteFinder.number(show, of, Terms.integer(c.integer()))
                : PaletteFinder.named(show, of, Terms.text(c.text()));
    }

    @Override
    public List<ShowEdit> visitApply(LineParser.ApplyContext c) {
        return later(draft -> {
            List<PaletteId> along = palettes(draft, c.kind(), c.paletteRef());
            return along.size() == 1
                    ? new ApplyPalette(along.get(0), c.VALUES() != null)
                    : new SpreadPalettes(along, c.VALUES() != null);
        });
    }

    @Override
    public List<ShowEdit> visitRename(LineParser.RenameContext c) {
        return c.paletteRef() == null
                ? null
                : later(draft -> new RenamePalette(
                        palette(draft, c.kind(), c.paletteRef()).id(), Terms.text(c.text())));
    }
}
