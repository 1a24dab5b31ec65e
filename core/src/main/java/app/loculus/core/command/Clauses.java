package app.loculus.core.command;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profiles;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Amount;
import app.loculus.core.show.ApplyPalette;
import app.loculus.core.show.Arrange;
import app.loculus.core.show.Choose;
import app.loculus.core.show.Clear;
import app.loculus.core.show.DeleteGroup;
import app.loculus.core.show.DeletePalette;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EditGroup;
import app.loculus.core.show.GroupFinder;
import app.loculus.core.show.Highlight;
import app.loculus.core.show.PaletteFinder;
import app.loculus.core.show.RecordGroup;
import app.loculus.core.show.RecordPalette;
import app.loculus.core.show.RenameGroup;
import app.loculus.core.show.RenamePalette;
import app.loculus.core.show.SendHome;
import app.loculus.core.show.SetColour;
import app.loculus.core.show.SetSpread;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.StepShare;
import app.loculus.core.unit.Kelvin;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;

/** Makes the edits that a command asks for; each looks the show up when its turn comes. */
final class Clauses extends PatchClauses {

    Clauses(Profiles library) {
        super(library);
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitDeleteGroup(LineParser.DeleteGroupContext c) {
        return later(show -> new DeleteGroup(group(show, c.groupRef()).id()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitDeletePalette(LineParser.DeletePaletteContext c) {
        return later(show ->
                new DeletePalette(palette(show, c.kind(), c.paletteRef()).id()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitRecordGroup(LineParser.RecordGroupContext c) {
        return one(new RecordGroup(Terms.maybe(c.integer()), Terms.maybe(c.text()), c.REPLACE() != null));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitEditGroup(LineParser.EditGroupContext c) {
        return later(show -> {
            Selecting selecting = new Selecting(show);
            return new EditGroup(group(show, c.groupRef()).id(), all(selecting, c.joined()), all(selecting, c.taken()));
        });
    }

    private static Selection all(Selecting selecting, List<? extends org.antlr.v4.runtime.tree.ParseTree> terms) {
        return terms.stream().map(selecting::visit).reduce(Selection.EMPTY, Selection::plus);
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitRecordPalette(LineParser.RecordPaletteContext c) {
        return one(new RecordPalette(
                Kind.parse(c.kind().getText()),
                Terms.maybe(c.integer()),
                Terms.maybe(c.text()),
                Optional.ofNullable(c.scope()).map(Clauses::scope),
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

    @Override
    public List<Function<Draft, ShowEdit>> visitRename(LineParser.RenameContext c) {
        String name = Terms.text(c.text());
        return later(show -> c.groupRef() != null
                ? new RenameGroup(group(show, c.groupRef()).id(), name)
                : new RenamePalette(palette(show, c.kind(), c.paletteRef()).id(), name));
    }

    private static Group group(Show show, LineParser.GroupRefContext c) {
        return c.integer() != null
                ? GroupFinder.number(show, Terms.integer(c.integer()))
                : GroupFinder.named(show, Terms.text(c.text()));
    }

    private static Palette palette(Show show, LineParser.KindContext kind, LineParser.PaletteRefContext c) {
        Kind of = Kind.parse(kind.getText());
        return c.integer() != null
                ? PaletteFinder.number(show, of, Terms.integer(c.integer()))
                : PaletteFinder.named(show, of, Terms.text(c.text()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitHome(LineParser.HomeContext c) {
        return one(new SendHome(Optional.ofNullable(c.kind()).map(k -> Kind.parse(k.getText()))));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitClear(LineParser.ClearContext c) {
        return one(new Clear(c.ALL() != null));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitNext(LineParser.NextContext c) {
        return one(new StepShare(1));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitPrevious(LineParser.PreviousContext c) {
        return one(new StepShare(-1));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitHighlight(LineParser.HighlightContext c) {
        return one(new Highlight(c.ON() != null));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitChoose(LineParser.ChooseContext c) {
        List<Function<Draft, ShowEdit>> edits = new ArrayList<>();
        if (c.selection() != null) {
            edits.addAll(later(show -> new Choose(new Selecting(show).visit(c.selection()))));
        }
        c.pattern().forEach(p -> edits.add(draft -> new Arrange(p.accept(new Patterns()))));
        c.value().forEach(v -> edits.addAll(v.accept(this)));
        return edits;
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitIntensity(LineParser.IntensityContext c) {
        return one(spread("Dimmer", c.amount()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitSetAttribute(LineParser.SetAttributeContext c) {
        return one(spread(c.attribute().getText(), c.amount()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitSetNamed(LineParser.SetNamedContext c) {
        return one(new SetSpread(
                c.attribute().getText(), Spread.of(0.0), Amount.PLAIN, Optional.of(Terms.text(c.text()))));
    }

    private static SetSpread spread(String word, LineParser.AmountContext c) {
        if (c.FULL() != null || c.OUT() != null) {
            return new SetSpread(word, Spread.of(c.FULL() != null ? 100.0 : 0.0), Amount.PERCENT, Optional.empty());
        }
        List<Double> points = c.number().stream().map(Terms::number).toList();
        return new SetSpread(word, new Spread(points), amount(c.measure()), Optional.empty());
    }

    private static Amount amount(LineParser.MeasureContext c) {
        if (c == null) {
            return Amount.PLAIN;
        }
        BiFunction<Object, Amount, Optional<Amount>> when =
                (token, amount) -> Optional.ofNullable(token).map(t -> amount);
        return when.apply(c.DEG(), Amount.DEGREES)
                .or(() -> when.apply(c.HZ(), Amount.HERTZ))
                .or(() -> when.apply(c.DMX(), Amount.DMX))
                .orElse(Amount.KELVIN);
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitApply(LineParser.ApplyContext c) {
        return later(
                show -> new ApplyPalette(palette(show, c.kind(), c.paletteRef()).id(), c.VALUES() != null));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitColourXy(LineParser.ColourXyContext c) {
        return later(show -> new SetColour(new Chromaticity(Terms.number(c.number(0)), Terms.number(c.number(1)))));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitWhiteAt(LineParser.WhiteAtContext c) {
        return later(show -> new SetColour(Whites.of(Kelvin.of(Terms.number(c.number())))));
    }

    /** Reads patterns. */
    private static final class Patterns extends LineBaseVisitor<Pattern> {
        @Override
        public Pattern visitEvery(LineParser.EveryContext c) {
            return new Pattern.EveryNth(
                    Terms.integer(c.integer(0)), c.FROM() == null ? 1 : Terms.integer(c.integer(1)));
        }

        @Override
        public Pattern visitBlocks(LineParser.BlocksContext c) {
            return new Pattern.Blocks(Terms.integer(c.integer()));
        }

        @Override
        public Pattern visitPart(LineParser.PartContext c) {
            return new Pattern.Part(Terms.integer(c.integer(0)), Terms.integer(c.integer(1)));
        }

        @Override
        public Pattern visitMirror(LineParser.MirrorContext c) {
            return new Pattern.Mirror();
        }

        @Override
        public Pattern visitReverse(LineParser.ReverseContext c) {
            return new Pattern.Reverse();
        }

        @Override
        public Pattern visitShuffle(LineParser.ShuffleContext c) {
            return new Pattern.Shuffle(c.integer() == null ? 1 : Terms.integer(c.integer()));
        }
    }
}
