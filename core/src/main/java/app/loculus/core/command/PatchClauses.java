package app.loculus.core.command;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Layout;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.ChangeType;
import app.loculus.core.show.CompactUniverse;
import app.loculus.core.show.DeleteFixtures;
import app.loculus.core.show.DescribeFixtures;
import app.loculus.core.show.Draft;
import app.loculus.core.show.MarkFixtures;
import app.loculus.core.show.NameFixtures;
import app.loculus.core.show.PatchFixtures;
import app.loculus.core.show.PlaceFixtures;
import app.loculus.core.show.Renumber;
import app.loculus.core.show.SetUniverse;
import app.loculus.core.show.ShiftAddresses;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.SwapAddresses;
import app.loculus.core.show.Unpatch;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Makes the edits of the patch's verbs; each looks the show up when its turn comes. */
abstract class PatchClauses extends LineBaseVisitor<List<Function<Draft, ShowEdit>>> {

    private static final Address FIRST = new Address(1, 1);

    private final Profiles library;

    PatchClauses(Profiles library) {
        this.library = library;
    }

    static List<Function<Draft, ShowEdit>> one(ShowEdit edit) {
        return List.of(draft -> edit);
    }

    /** An edit that needs the show; looked up when it is applied, so that refusals are placed in the text. */
    static List<Function<Draft, ShowEdit>> later(Function<Show, ShowEdit> edit) {
        return List.of(draft -> inner -> edit.apply(inner.show()).on(inner));
    }

    static List<Function<Draft, ShowEdit>> onFixtures(
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
}
