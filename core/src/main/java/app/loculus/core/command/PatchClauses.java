package app.loculus.core.command;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.edit.patch.CompactUniverse;
import app.loculus.core.edit.patch.DeleteFixtures;
import app.loculus.core.edit.patch.DescribeFixtures;
import app.loculus.core.edit.patch.InvertFixtures;
import app.loculus.core.edit.patch.MarkFixtures;
import app.loculus.core.edit.patch.NameFixtures;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.edit.patch.PlaceFixtures;
import app.loculus.core.edit.patch.Renumber;
import app.loculus.core.edit.patch.SetGel;
import app.loculus.core.edit.patch.SetUniverse;
import app.loculus.core.edit.patch.ShiftAddresses;
import app.loculus.core.edit.patch.SwapAddresses;
import app.loculus.core.edit.patch.Unpatch;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Layout;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.ShowEdit;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** The verbs of the patch. */
final class PatchClauses extends RoomClauses {

    private static final Address FIRST = new Address(1, 1);

    private final TypeWords types;

    PatchClauses(TypeWords types) {
        this.types = types;
    }

    @Override
    public List<ShowEdit> visitPatch(LineParser.PatchContext c) {
        LineParser.LandingContext landing = c.landing();
        return later(draft -> new PatchFixtures(
                Terms.numbers(c.numbers()),
                c.profile().stream().findFirst().map(p -> types.type(draft, p)),
                Optional.of(landing.address() == null ? FIRST : Terms.address(landing.address())),
                c.GAP() == null ? 0 : Terms.integer(c.integer()),
                c.ALSO() != null,
                types.clashing(c.clashing()),
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
    public List<ShowEdit> visitRenumber(LineParser.RenumberContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new Renumber(
                        fixtures, Terms.integer(c.integer()), c.step() == null ? 1 : Terms.step(c.step())));
    }

    @Override
    public List<ShowEdit> visitSwap(LineParser.SwapContext c) {
        return later(draft -> new SwapAddresses(
                draft.show().patch().number(Terms.integer(c.integer(0))).id(),
                draft.show().patch().number(Terms.integer(c.integer(1))).id()));
    }

    @Override
    public List<ShowEdit> visitShift(LineParser.ShiftContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new ShiftAddresses(
                        fixtures,
                        Optional.ofNullable(c.from).map(Terms::address),
                        c.step() == null ? 0 : Terms.step(c.step()),
                        Optional.ofNullable(c.to).map(Terms::address)));
    }

    @Override
    public List<ShowEdit> visitCompact(LineParser.CompactContext c) {
        return one(new CompactUniverse(Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitMark(LineParser.MarkContext c) {
        BringUp.Answer answer = c.ANSWERED() != null
                ? BringUp.Answer.ANSWERED
                : c.WRONG() != null
                        ? BringUp.Answer.WRONG
                        : c.DEAD() != null ? BringUp.Answer.DEAD : BringUp.Answer.NOT_TRIED;
        BringUp how = new BringUp(answer, Terms.maybe(c.text()).orElse(""));
        return onFixtures(c.selection(), fixtures -> new MarkFixtures(fixtures, how));
    }

    @Override
    public List<ShowEdit> visitPurpose(LineParser.PurposeContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(fixtures, Optional.empty(), Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<ShowEdit> visitNote(LineParser.NoteContext c) {
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(
                        fixtures, Optional.empty(), Optional.empty(), Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<ShowEdit> visitUniverse(LineParser.UniverseContext c) {
        return one(new SetUniverse(
                Terms.range(c.numberTerm()),
                setup -> UniverseChanges.of(c.universeChange()).apply(setup)));
    }

    @Override
    public List<ShowEdit> visitAdd(LineParser.AddContext c) {
        return later(draft -> new PatchFixtures(
                Terms.numbers(c.numbers()),
                Optional.of(types.type(draft, c.profile())),
                Optional.empty(),
                0,
                false,
                PatchFixtures.Clashing.REFUSE));
    }

    @Override
    public List<ShowEdit> visitUnpatch(LineParser.UnpatchContext c) {
        return onFixtures(c.selection(), Unpatch::new);
    }

    @Override
    public List<ShowEdit> visitDeleteFixtures(LineParser.DeleteFixturesContext c) {
        return onFixtures(c.selection(), DeleteFixtures::new);
    }

    @Override
    public List<ShowEdit> visitName(LineParser.NameContext c) {
        return onFixtures(c.selection(), fixtures -> new NameFixtures(fixtures, Terms.text(c.text())));
    }

    @Override
    public List<ShowEdit> visitPlace(LineParser.PlaceContext c) {
        int last = c.point().size() - 1;
        return onFixtures(
                c.selection(),
                fixtures -> PlaceFixtures.evenly(fixtures, Terms.point(c.point(0)), Terms.point(c.point(last))));
    }

    @Override
    public List<ShowEdit> visitHang(LineParser.HangContext c) {
        if (!c.inverting().isEmpty()) {
            return onFixtures(c.selection(), fixtures -> {
                Map<String, Boolean> ways = inverting(c.inverting());
                return new InvertFixtures(
                        fixtures, Optional.ofNullable(ways.get("pan")), Optional.ofNullable(ways.get("tilt")));
            });
        }
        return onFixtures(
                c.selection(),
                fixtures -> new DescribeFixtures(fixtures, Optional.of(Terms.text(c.text())), Optional.empty()));
    }

    @Override
    public List<ShowEdit> visitGel(LineParser.GelContext c) {
        return onFixtures(c.selection(), fixtures -> new SetGel(fixtures, gel(c)));
    }

    private static Optional<Gel> gel(LineParser.GelContext c) {
        if (c.OFF() != null) {
            return Optional.empty();
        }
        Chromaticity colour = new Chromaticity(Terms.number(c.number(0)), Terms.number(c.number(1)));
        return Optional.of(new Gel(colour, c.number().size() > 2 ? Terms.number(c.number(2)) : 100));
    }

    private static Map<String, Boolean> inverting(List<LineParser.InvertingContext> said) {
        Map<String, Boolean> ways = new HashMap<>();
        for (LineParser.InvertingContext one : said) {
            for (LineParser.AttributeContext attribute : one.attribute()) {
                String word = attribute.getText().toLowerCase(Locale.ROOT);
                if (!word.equals("pan") && !word.equals("tilt")) {
                    throw Refusal.of(
                            "patch.invert",
                            "attribute",
                            "“" + attribute.getText() + "” cannot be inverted where a fixture hangs.",
                            WayOut.advice("Pan and tilt can: hang 101 invert pan, hang 101 invert pan off."));
                }
                ways.put(word, one.OFF() == null);
            }
        }
        return ways;
    }
}
