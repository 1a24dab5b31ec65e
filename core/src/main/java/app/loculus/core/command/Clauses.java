package app.loculus.core.command;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Layout;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profiles;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Amount;
import app.loculus.core.show.ApplyPalette;
import app.loculus.core.show.Arrange;
import app.loculus.core.show.ChangeType;
import app.loculus.core.show.Choose;
import app.loculus.core.show.Clear;
import app.loculus.core.show.CompactUniverse;
import app.loculus.core.show.DeleteFixtures;
import app.loculus.core.show.DeleteGroup;
import app.loculus.core.show.DeletePalette;
import app.loculus.core.show.DescribeFixtures;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EditGroup;
import app.loculus.core.show.GroupFinder;
import app.loculus.core.show.Highlight;
import app.loculus.core.show.MarkFixtures;
import app.loculus.core.show.NameFixtures;
import app.loculus.core.show.PaletteFinder;
import app.loculus.core.show.PatchFixtures;
import app.loculus.core.show.PlaceFixtures;
import app.loculus.core.show.RecordGroup;
import app.loculus.core.show.RecordPalette;
import app.loculus.core.show.RenameGroup;
import app.loculus.core.show.RenamePalette;
import app.loculus.core.show.Renumber;
import app.loculus.core.show.SendHome;
import app.loculus.core.show.SetColour;
import app.loculus.core.show.SetSpread;
import app.loculus.core.show.SetUniverse;
import app.loculus.core.show.ShiftAddresses;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.StepShare;
import app.loculus.core.show.SwapAddresses;
import app.loculus.core.show.Unpatch;
import app.loculus.core.unit.Kelvin;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;

/** Makes the edits that a command asks for; each looks the show up when its turn comes. */
final class Clauses extends LineBaseVisitor<List<Function<Draft, ShowEdit>>> {

    private final Profiles library;

    Clauses(Profiles library) {
        this.library = library;
    }

    private static List<Function<Draft, ShowEdit>> one(ShowEdit edit) {
        return List.of(draft -> edit);
    }

    /** An edit that needs the show; looked up when it is applied, so that refusals are placed in the text. */
    private static List<Function<Draft, ShowEdit>> later(Function<Show, ShowEdit> edit) {
        return List.of(draft -> inner -> edit.apply(inner.show()).on(inner));
    }

    private static List<Function<Draft, ShowEdit>> onFixtures(
            LineParser.SelectionContext selection, Function<List<FixtureId>, ShowEdit> edit) {
        return later(show -> edit.apply(new Selecting(show).fixtures(selection)));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitPatch(LineParser.PatchContext c) {
        LineParser.LandingContext landing = c.landing();
        return later(show -> new PatchFixtures(
                Terms.numbers(c.numbers()),
                c.profile().stream().findFirst().map(p -> type(show, p)),
                Optional.of(landing.address() == null ? FIRST : Terms.address(landing.address())),
                c.GAP() == null ? 0 : Terms.integer(c.integer()),
                c.ALSO() != null,
                clashing(c.clashing()),
                layout(landing)));
    }

    private static final Address FIRST = new Address(1, 1);

    private static Layout layout(LineParser.LandingContext c) {
        if (c.NEXT() != null) {
            return new Layout.NextGap();
        }
        return c.ONE().isEmpty() ? layout(c.layout()) : new Layout.OneToOne();
    }

    private static Layout layout(LineParser.LayoutContext c) {
        if (c == null) {
            return Layout.RUNNING_ON;
        }
        if (c.OVER() != null) {
            return new Layout.Over(Terms.integer(c.integer()));
        }
        return new Layout.Fresh(c.TYPE() != null ? Layout.By.TYPE : Layout.By.POSITION);
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitRenumber(LineParser.RenumberContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new Renumber(
                        fixtures, Terms.integer(c.integer()), c.step() == null ? 1 : Terms.step(c.step())));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitChange(LineParser.ChangeContext c) {
        return later(show -> new ChangeType(
                new Selecting(show).fixtures(c.selection()),
                type(show, c.profile()),
                Optional.ofNullable(c.address()).map(Terms::address),
                clashing(c.clashing())));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitSwap(LineParser.SwapContext c) {
        return later(show -> new SwapAddresses(
                show.patch().number(Terms.integer(c.integer(0))).id(),
                show.patch().number(Terms.integer(c.integer(1))).id()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitShift(LineParser.ShiftContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new ShiftAddresses(
                        fixtures,
                        c.step() == null ? 0 : Terms.step(c.step()),
                        Optional.ofNullable(c.address()).map(Terms::address)));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitCompact(LineParser.CompactContext c) {
        return one(new CompactUniverse(Terms.integer(c.integer())));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitMark(LineParser.MarkContext c) {
        BringUp.Answer answer = c.ANSWERED() != null
                ? BringUp.Answer.ANSWERED
                : c.WRONG() != null
                        ? BringUp.Answer.WRONG
                        : c.DEAD() != null ? BringUp.Answer.DEAD : BringUp.Answer.NOT_TRIED;
        BringUp how = new BringUp(answer, Terms.maybe(c.text()).orElse(""));
        return onFixtures(c.selection(), fixtures -> new MarkFixtures(fixtures, how));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitPurpose(LineParser.PurposeContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(fixtures, Optional.empty(), Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitNote(LineParser.NoteContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(
                        fixtures, Optional.empty(), Optional.empty(), Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitUniverse(LineParser.UniverseContext c) {
        return one(new SetUniverse(
                Terms.range(c.numberTerm()),
                setup -> c.universeChange().stream()
                        .map(change -> change.accept(new UniverseChanges()))
                        .reduce(setup, (s, change) -> change.apply(s), (a, b) -> b)));
    }

    private static PatchFixtures.Clashing clashing(LineParser.ClashingContext c) {
        if (c == null) {
            return PatchFixtures.Clashing.REFUSE;
        }
        return c.SHARE() != null ? PatchFixtures.Clashing.SHARE : PatchFixtures.Clashing.TAKE_OVER;
    }

    private Profiles.Type type(Show show, LineParser.ProfileContext c) {
        return show.profiles().orElse(library).type(Terms.text(c.text()));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitAdd(LineParser.AddContext c) {
        return later(show -> new PatchFixtures(
                Terms.numbers(c.numbers()),
                Optional.of(type(show, c.profile())),
                Optional.empty(),
                0,
                false,
                PatchFixtures.Clashing.REFUSE));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitUnpatch(LineParser.UnpatchContext c) {
        return onFixtures(c.selection(), Unpatch::new);
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitDeleteFixtures(LineParser.DeleteFixturesContext c) {
        return onFixtures(c.selection(), DeleteFixtures::new);
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
    public List<Function<Draft, ShowEdit>> visitName(LineParser.NameContext c) {
        return onFixtures(c.selection(), fixtures -> new NameFixtures(fixtures, Terms.text(c.text())));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitPlace(LineParser.PlaceContext c) {
        int last = c.point().size() - 1;
        return onFixtures(
                c.selection(),
                fixtures -> PlaceFixtures.evenly(fixtures, Terms.point(c.point(0)), Terms.point(c.point(last))));
    }

    @Override
    public List<Function<Draft, ShowEdit>> visitHang(LineParser.HangContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(fixtures, Optional.of(Terms.text(c.text())), Optional.empty()));
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
