package app.loculus.core.command;

import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.group.Group;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.antlr.v4.runtime.tree.ParseTree;

/** Reads how lights are asked for. What names nobody is refused with what there is. */
final class Choices extends LineBaseVisitor<Choice> {

    private final Draft draft;
    private final Show show;

    Choices(Draft draft) {
        this.draft = draft;
        this.show = draft.show();
    }

    @Override
    public Choice visitSelection(LineParser.SelectionContext context) {
        Choice all = visit(context.selectionTerm(0));
        for (int i = 1; i < context.selectionTerm().size(); i++) {
            all = joined(all, how(context.getChild(2 * i - 1).getText()), visit(context.selectionTerm(i)));
        }
        return context.state() == null ? all : new Choice.Where(all, new States(draft, this).visit(context.state()));
    }

    private static Choice.How how(String sign) {
        return sign.equals("+") ? Choice.How.PLUS : sign.equals("-") ? Choice.How.MINUS : Choice.How.AND;
    }

    /** Numbers and numbers are numbers. */
    private Choice joined(Choice held, Choice.How how, Choice term) {
        return held instanceof Choice.Units one && term instanceof Choice.Units other
                ? new Choice.Units(how.join(one.selection(), other.selection(), show.patch()))
                : Choice.Joined.of(held, how, term);
    }

    @Override
    public Choice visitNested(LineParser.NestedContext context) {
        Choice inside = visit(context.selection());
        List<Pattern> patterns =
                context.pattern().stream().map(p -> p.accept(new Patterns())).toList();
        return patterns.isEmpty() ? inside : new Choice.Arranged(inside, patterns);
    }

    @Override
    public Choice visitJoined(LineParser.JoinedContext context) {
        return visit(context.selectionTerm());
    }

    @Override
    public Choice visitTaken(LineParser.TakenContext context) {
        return visit(context.selectionTerm());
    }

    @Override
    public Choice visitRange(LineParser.RangeContext context) {
        return new Choice.Units(range(context));
    }

    /** From one to the other; downwards it takes the second away, as with blanks. */
    @Override
    public Choice visitSpan(LineParser.SpanContext context) {
        List<String> ends = Terms.ends(context.SPAN());
        return Double.parseDouble(ends.get(0)) < Double.parseDouble(ends.get(1))
                ? new Choice.Units(between(ends.get(0), ends.get(1)))
                : joined(
                        new Choice.Units(Selection.of(List.of(unit(ends.get(0))))),
                        Choice.How.MINUS,
                        new Choice.Units(Selection.of(List.of(unit(ends.get(1))))));
    }

    @Override
    public Choice visitLessSpan(LineParser.LessSpanContext context) {
        List<String> ends = Terms.ends(context.SPAN());
        Choice held = context.unit() == null
                ? new Choice.OfGroup(numbered(Terms.integer(ends.get(0))).id())
                : new Choice.Units(between(context.unit().getText(), ends.get(0)));
        return joined(held, Choice.How.MINUS, new Choice.Units(Selection.of(List.of(unit(ends.get(1))))));
    }

    private Selection range(LineParser.RangeContext context) {
        return context.unit().size() == 1
                ? Selection.of(List.of(unit(context.unit(0).getText())))
                : between(context.unit(0).getText(), context.unit(1).getText());
    }

    private Selection between(String first, String last) {
        if (first.contains(".") || last.contains(".")) {
            return cells(unit(first), unit(last));
        }
        List<Fixture> between = show.patch().between(Terms.integer(first), Terms.integer(last));
        if (between.isEmpty()) {
            throw Refusal.of(
                    "selection.nobody",
                    "selection",
                    "There is no fixture from " + first + " to " + last + ".",
                    WayOut.advice(
                            show.patch().size() == 0
                                    ? "This show has no fixtures yet."
                                    : "The table in Patch lists them."));
        }
        return Selection.of(between.stream().map(f -> UnitId.whole(f.id())).toList());
    }

    private UnitId unit(String text) {
        String[] parts = text.split("\\.");
        Fixture fixture = show.patch().number(Terms.integer(parts[0]));
        int cell = parts.length > 1 ? Terms.integer(parts[1]) : 0;
        int cells = show.patch().modeOf(fixture).cells();
        if (cell > cells) {
            throw Refusal.of(
                    "selection.cell",
                    "selection",
                    "Fixture " + fixture.number() + " has " + (cells == 0 ? "no cells" : "cells 1 to " + cells)
                            + ", so there is no " + text + ".");
        }
        return new UnitId(fixture.id(), cell);
    }

    /** Cells in order, from one fixture's to another's; a range that runs backwards does so in every fixture. */
    private Selection cells(UnitId from, UnitId to) {
        Patch patch = show.patch();
        int first = patch.get(from.fixture()).number();
        int last = patch.get(to.fixture()).number();
        boolean backwards = first > last || first == last && from.cell() > to.cell();
        List<UnitId> all = new ArrayList<>();
        for (Fixture fixture : patch.between(first, last)) {
            List<UnitId> cells = new ArrayList<>(every(fixture));
            if (backwards) {
                Collections.reverse(cells);
            }
            all.addAll(cells);
        }
        int start = all.indexOf(from);
        int end = all.indexOf(to);
        return start < 0 || end < start ? Selection.of(List.of(from, to)) : Selection.of(all.subList(start, end + 1));
    }

    private List<UnitId> every(Fixture fixture) {
        List<UnitId> cells = new ArrayList<>();
        for (int cell = 1; cell <= show.patch().modeOf(fixture).cells(); cell++) {
            cells.add(new UnitId(fixture.id(), cell));
        }
        return cells.isEmpty() ? List.of(UnitId.whole(fixture.id())) : cells;
    }

    @Override
    public Choice visitOfGroup(LineParser.OfGroupContext context) {
        return new Choice.OfGroup(group(context.groupRef()).id());
    }

    /** The group that a reference means; the edit goes by it. */
    Group group(LineParser.GroupRefContext ref) {
        if (ref.integer() != null) {
            return numbered(Terms.integer(ref.integer()));
        }
        Group group = GroupFinder.named(show, Terms.text(ref.text()));
        draft.reads(PartKinds.GROUPS, group.id());
        return group;
    }

    private Group numbered(int number) {
        Group group = GroupFinder.number(show, number);
        draft.reads(PartKinds.GROUPS, group.id());
        return group;
    }

    @Override
    public Choice visitOfDescription(LineParser.OfDescriptionContext context) {
        return described(context.described());
    }

    /** @throws Refusal when it names nobody */
    Choice.Described described(LineParser.DescribedContext context) {
        return (Choice.Described) visit(context);
    }

    @Override
    public Choice visitOfType(LineParser.OfTypeContext context) {
        String name = Terms.text(context.text());
        return somebody(
                new Choice.OfType(name),
                "of type “" + name + "”",
                f -> show.patch().profileOf(f).name());
    }

    @Override
    public Choice visitAtPosition(LineParser.AtPositionContext context) {
        String name = Terms.text(context.text());
        return somebody(new Choice.AtPosition(name), "on “" + name + "”", Fixture::position);
    }

    @Override
    public Choice visitForPurpose(LineParser.ForPurposeContext context) {
        String name = Terms.text(context.text());
        return somebody(new Choice.ForPurpose(name), "for “" + name + "”", Fixture::purpose);
    }

    @Override
    public Choice visitOnUniverse(LineParser.OnUniverseContext context) {
        int universe = Terms.integer(context.integer());
        return somebody(
                new Choice.OnUniverse(universe),
                "in universe " + universe,
                f -> f.patched() ? "universe " + f.addresses().get(0).address().universe() : "");
    }

    private Choice somebody(Choice.Described choice, String words, Function<Fixture, String> called) {
        if (show.patch().fixtures().stream().noneMatch(f -> choice.admits(f, show.patch()))) {
            String there = show.patch().fixtures().stream()
                    .map(called)
                    .filter(n -> !n.isEmpty())
                    .distinct()
                    .collect(Collectors.joining(", "));
            throw Refusal.of(
                    "selection.nobody",
                    "selection",
                    "No fixture is " + words + ".",
                    WayOut.advice(there.isEmpty() ? "None are named yet." : "There are: " + there + "."));
        }
        return choice;
    }

    @Override
    public Choice visitEverything(LineParser.EverythingContext context) {
        return new Choice.Everything();
    }

    @Override
    public Choice visitLastSelection(LineParser.LastSelectionContext context) {
        return new Choice.Units(draft.hand().last());
    }

    @Override
    public Choice visitInHand(LineParser.InHandContext context) {
        return new Choice.Units(draft.hand().selection());
    }

    @Override
    public Choice visit(ParseTree tree) {
        return tree.accept(this);
    }
}
