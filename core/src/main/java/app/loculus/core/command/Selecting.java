package app.loculus.core.command;

import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.group.Group;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.antlr.v4.runtime.tree.ParseTree;

/** Looks selections up in a show. */
final class Selecting extends LineBaseVisitor<Selection> {

    private final Draft draft;
    private final Show show;

    Selecting(Draft draft) {
        this.draft = draft;
        this.show = draft.show();
    }

    @Override
    public Selection visit(ParseTree tree) {
        Selection found = super.visit(tree);
        found.units().stream().map(UnitId::fixture).distinct().forEach(draft::reads);
        return found;
    }

    List<FixtureId> fixtures(LineParser.SelectionContext context) {
        return visit(context).units().stream().map(UnitId::fixture).distinct().toList();
    }

    @Override
    public Selection visitSelection(LineParser.SelectionContext context) {
        Selection all = visit(context.selectionTerm(0));
        for (int i = 1; i < context.selectionTerm().size(); i++) {
            Selection term = visit(context.selectionTerm(i));
            boolean plus = context.getChild(2 * i - 1).getText().equals("+");
            all = plus ? all.plus(term) : all.minus(term);
        }
        return all;
    }

    @Override
    public Selection visitJoined(LineParser.JoinedContext context) {
        return visit(context.selectionTerm());
    }

    @Override
    public Selection visitTaken(LineParser.TakenContext context) {
        return visit(context.selectionTerm());
    }

    @Override
    public Selection visitRange(LineParser.RangeContext context) {
        if (context.unit().size() == 1) {
            return Selection.of(List.of(unit(context.unit(0).getText())));
        }
        String first = context.unit(0).getText();
        String last = context.unit(1).getText();
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

    /** Cells in order, from one fixture's to another's, forwards or backwards. */
    private Selection cells(UnitId from, UnitId to) {
        Patch patch = show.patch();
        List<UnitId> all = new ArrayList<>();
        patch.between(
                        patch.get(from.fixture()).number(),
                        patch.get(to.fixture()).number())
                .forEach(f -> all.addAll(cellsOf(f)));
        boolean backwards =
                patch.get(from.fixture()).number() > patch.get(to.fixture()).number()
                        || from.fixture().equals(to.fixture()) && from.cell() > to.cell();
        if (backwards && from.fixture().equals(to.fixture())) {
            java.util.Collections.reverse(all);
        }
        int start = all.indexOf(from);
        int end = all.indexOf(to);
        return start < 0 || end < start ? Selection.of(List.of(from, to)) : Selection.of(all.subList(start, end + 1));
    }

    private List<UnitId> cellsOf(Fixture fixture) {
        List<UnitId> cells = new ArrayList<>();
        for (int cell = 1; cell <= show.patch().modeOf(fixture).cells(); cell++) {
            cells.add(new UnitId(fixture.id(), cell));
        }
        return cells.isEmpty() ? List.of(UnitId.whole(fixture.id())) : cells;
    }

    @Override
    public Selection visitOfGroup(LineParser.OfGroupContext context) {
        LineParser.GroupRefContext ref = context.groupRef();
        Group group = ref.integer() != null
                ? GroupFinder.number(show, Terms.integer(ref.integer()))
                : GroupFinder.named(show, Terms.text(ref.text()));
        draft.reads(PartKinds.GROUPS, group.id());
        return group.content().selection();
    }

    @Override
    public Selection visitOfType(LineParser.OfTypeContext context) {
        String wanted = Terms.text(context.text());
        return those(
                f -> show.patch().profileOf(f).name().equalsIgnoreCase(wanted)
                        || show.patch().profileOf(f).fullName().equalsIgnoreCase(wanted),
                "of type “" + wanted + "”",
                show.patch().fixtures().stream()
                        .map(f -> show.patch().profileOf(f).name())
                        .distinct()
                        .collect(Collectors.joining(", ")));
    }

    @Override
    public Selection visitAtPosition(LineParser.AtPositionContext context) {
        String wanted = Terms.text(context.text());
        return those(
                f -> f.position().equalsIgnoreCase(wanted),
                "on “" + wanted + "”",
                show.patch().fixtures().stream()
                        .map(Fixture::position)
                        .filter(p -> !p.isEmpty())
                        .distinct()
                        .collect(Collectors.joining(", ")));
    }

    private Selection those(Predicate<Fixture> wanted, String words, String there) {
        List<UnitId> units = show.patch().fixtures().stream()
                .filter(wanted)
                .map(f -> UnitId.whole(f.id()))
                .toList();
        if (units.isEmpty()) {
            throw Refusal.of(
                    "selection.nobody",
                    "selection",
                    "No fixture is " + words + ".",
                    WayOut.advice(there.isEmpty() ? "None are named yet." : "There are: " + there + "."));
        }
        return Selection.of(units);
    }

    @Override
    public Selection visitEverything(LineParser.EverythingContext context) {
        return Selection.of(
                show.patch().fixtures().stream().map(f -> UnitId.whole(f.id())).toList());
    }

    @Override
    public Selection visitLastSelection(LineParser.LastSelectionContext context) {
        return draft.hand().last();
    }
}
