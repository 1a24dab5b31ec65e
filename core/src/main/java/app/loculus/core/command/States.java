package app.loculus.core.command;

import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.patch.BringUp;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.State;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import java.util.ArrayList;
import java.util.List;

/** Reads what is the case with lights. */
final class States extends LineBaseVisitor<State> {

    private final Draft draft;
    private final Choices choices;

    States(Draft draft, Choices choices) {
        this.draft = draft;
        this.choices = choices;
    }

    @Override
    public State visitNestedState(LineParser.NestedStateContext c) {
        return visit(c.state());
    }

    @Override
    public State visitNotState(LineParser.NotStateContext c) {
        return new State.Not(visit(c.state()));
    }

    @Override
    public State visitAndState(LineParser.AndStateContext c) {
        return new State.And(parts(c.state(), LineParser.AndStateContext.class));
    }

    @Override
    public State visitOrState(LineParser.OrStateContext c) {
        return new State.Or(parts(c.state(), LineParser.OrStateContext.class));
    }

    /** {@code a and b and c} is one list of three. */
    private List<State> parts(List<LineParser.StateContext> states, Class<? extends LineParser.StateContext> same) {
        List<State> parts = new ArrayList<>();
        for (LineParser.StateContext part : states) {
            State state = visit(part);
            parts.addAll(same.isInstance(part) ? state.parts() : List.of(state));
        }
        return parts;
    }

    @Override
    public State visitLit(LineParser.LitContext c) {
        return new State.Lit();
    }

    @Override
    public State visitDark(LineParser.DarkContext c) {
        return new State.Dark();
    }

    @Override
    public State visitActive(LineParser.ActiveContext c) {
        return new State.Active();
    }

    @Override
    public State visitAtLevel(LineParser.AtLevelContext c) {
        if (c.FULL() != null || c.OUT() != null) {
            double level = c.FULL() != null ? 100 : 0;
            return new State.Level(level, level);
        }
        double from = Terms.number(c.number(0));
        double to = c.number().size() > 1 ? Terms.number(c.number(1)) : from;
        if (from < 0 || to < 0 || from > 100 || to > 100) {
            throw Refusal.of("selection.level", "selection", "A level is from 0 to 100 percent.");
        }
        return new State.Level(Math.min(from, to), Math.max(from, to));
    }

    @Override
    public State visitUsesPalette(LineParser.UsesPaletteContext c) {
        Kind kind = Kind.parse(c.kind().getText());
        var palette = c.paletteRef().integer() != null
                ? PaletteFinder.number(
                        draft.show(), kind, Terms.integer(c.paletteRef().integer()))
                : PaletteFinder.named(
                        draft.show(), kind, Terms.text(c.paletteRef().text()));
        draft.reads(PartKinds.PALETTES, palette.id());
        return new State.Uses(palette.id());
    }

    @Override
    public State visitUsesEffect(LineParser.UsesEffectContext c) {
        return new State.MovedBy(EffectClauses.effect(draft, c.effectRef()).id());
    }

    @Override
    public State visitInGroup(LineParser.InGroupContext c) {
        return new State.InGroup(choices.group(c.groupRef()).id());
    }

    @Override
    public State visitUnpatched(LineParser.UnpatchedContext c) {
        return new State.Unpatched();
    }

    @Override
    public State visitAnsweredSo(LineParser.AnsweredSoContext c) {
        String word = c.NOT() != null ? "not tried" : c.getText();
        return new State.Answered(BringUp.Answer.of(word).orElseThrow());
    }

    @Override
    public State visitAmongState(LineParser.AmongStateContext c) {
        return new State.Among(choices.described(c.described()));
    }
}
