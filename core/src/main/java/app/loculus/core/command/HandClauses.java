package app.loculus.core.command;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.edit.hand.Amount;
import app.loculus.core.edit.hand.Arrange;
import app.loculus.core.edit.hand.Choose;
import app.loculus.core.edit.hand.Clear;
import app.loculus.core.edit.hand.DimRest;
import app.loculus.core.edit.hand.Flip;
import app.loculus.core.edit.hand.Highlight;
import app.loculus.core.edit.hand.Invert;
import app.loculus.core.edit.hand.InvertValue;
import app.loculus.core.edit.hand.NudgeColour;
import app.loculus.core.edit.hand.NudgeValue;
import app.loculus.core.edit.hand.Release;
import app.loculus.core.edit.hand.SendHome;
import app.loculus.core.edit.hand.SetColour;
import app.loculus.core.edit.hand.SetSpread;
import app.loculus.core.edit.hand.StepShare;
import app.loculus.core.edit.hand.StepSlot;
import app.loculus.core.edit.hand.Whole;
import app.loculus.core.edit.highlight.ForgetHighlight;
import app.loculus.core.edit.highlight.RecordHighlight;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Kelvin;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.antlr.v4.runtime.tree.TerminalNode;

/** Choosing, arranging and setting. */
final class HandClauses extends RoomClauses {

    /** Hexadecimal digits of one octet. */
    private static final int OCTET_DIGITS = 2;

    /** One octet among values of two stands for itself twice, as everywhere: 0xC8 is 0xC8C8. */
    private static final double REPEATED = 0x101;

    private final Clauses all;

    /** @param all reads values that belong to other rooms */
    HandClauses(Clauses all) {
        this.all = all;
    }

    @Override
    public List<ShowEdit> visitChoose(LineParser.ChooseContext c) {
        List<ShowEdit> edits = new ArrayList<>();
        if (c.selection() != null) {
            edits.addAll(later(draft -> Choose.of(new Choices(draft).visit(c.selection()))));
        }
        c.pattern().forEach(p -> edits.addAll(later(draft -> new Arrange(p.accept(new Patterns())))));
        c.value().forEach(v -> edits.addAll(all.edits(v)));
        return edits;
    }

    @Override
    public List<ShowEdit> visitHome(LineParser.HomeContext c) {
        return one(new SendHome(
                Optional.ofNullable(c.kind()).map(k -> Kind.parse(k.getText())),
                Optional.ofNullable(c.attribute()).map(a -> a.getText())));
    }

    @Override
    public List<ShowEdit> visitHomeThese(LineParser.HomeTheseContext c) {
        return one(new SendHome(
                Optional.ofNullable(c.kind()).map(k -> Kind.parse(k.getText())),
                Optional.ofNullable(c.attribute()).map(a -> a.getText())));
    }

    @Override
    public List<ShowEdit> visitAttributeHome(LineParser.AttributeHomeContext c) {
        return one(new SendHome(Optional.empty(), Optional.of(c.attribute().getText())));
    }

    @Override
    public List<ShowEdit> visitClear(LineParser.ClearContext c) {
        return one(new Clear(c.ALL() != null));
    }

    @Override
    public List<ShowEdit> visitNext(LineParser.NextContext c) {
        return one(new StepShare(1));
    }

    @Override
    public List<ShowEdit> visitPrevious(LineParser.PreviousContext c) {
        return one(new StepShare(-1));
    }

    @Override
    public List<ShowEdit> visitWhole(LineParser.WholeContext c) {
        return one(new Whole(OptionalInt.empty()));
    }

    @Override
    public List<ShowEdit> visitHighlight(LineParser.HighlightContext c) {
        if (c.REST() == null) {
            return one(new Highlight(c.ON() != null));
        }
        return one(new DimRest(Optional.ofNullable(c.number()).map(Terms::number)));
    }

    @Override
    public List<ShowEdit> visitInvert(LineParser.InvertContext c) {
        return one(new Invert(
                c.POSITION() != null
                        ? Invert.Within.POSITION
                        : c.TYPE() != null ? Invert.Within.TYPE : Invert.Within.ALL));
    }

    @Override
    public List<ShowEdit> visitRecordHighlight(LineParser.RecordHighlightContext c) {
        return one(new RecordHighlight(
                c.TYPE() != null,
                c.kind().stream().map(k -> Kind.parse(k.getText())).collect(Collectors.toSet())));
    }

    @Override
    public List<ShowEdit> visitForgetHighlight(LineParser.ForgetHighlightContext c) {
        return one(new ForgetHighlight());
    }

    @Override
    public List<ShowEdit> visitIntensity(LineParser.IntensityContext c) {
        return one(spread("Dimmer", c.amount()));
    }

    @Override
    public List<ShowEdit> visitSetAttribute(LineParser.SetAttributeContext c) {
        return one(spread(c.attribute().getText(), c.amount()));
    }

    @Override
    public List<ShowEdit> visitSetNamed(LineParser.SetNamedContext c) {
        return one(new SetSpread(
                c.attribute().getText(), Spread.of(0.0), Amount.PLAIN, Optional.of(Terms.text(c.text()))));
    }

    @Override
    public List<ShowEdit> visitNudgeColour(LineParser.NudgeColourContext c) {
        return one(new NudgeColour(Terms.number(c.number(0)), Terms.number(c.number(1))));
    }

    @Override
    public List<ShowEdit> visitNudgeValue(LineParser.NudgeValueContext c) {
        Map<String, Double> by = new LinkedHashMap<>();
        for (int i = 0; i < c.attribute().size(); i++) {
            by.merge(c.attribute(i).getText(), Terms.number(c.number(i)), Double::sum);
        }
        return one(new NudgeValue(by));
    }

    @Override
    public List<ShowEdit> visitFlip(LineParser.FlipContext c) {
        return one(new Flip());
    }

    @Override
    public List<ShowEdit> visitStepSlot(LineParser.StepSlotContext c) {
        return one(new StepSlot(c.attribute().getText(), c.NEXT() != null));
    }

    @Override
    public List<ShowEdit> visitInvertValue(LineParser.InvertValueContext c) {
        return one(new InvertValue(c.attribute().getText()));
    }

    @Override
    public List<ShowEdit> visitReleaseValue(LineParser.ReleaseValueContext c) {
        return one(new Release(
                Optional.ofNullable(c.kind()).map(k -> Kind.parse(k.getText())),
                c.attribute() == null ? "" : c.attribute().getText()));
    }

    private static SetSpread spread(String word, LineParser.AmountContext c) {
        if (c.FULL() != null || c.OUT() != null) {
            return new SetSpread(word, Spread.of(c.FULL() != null ? 100.0 : 0.0), Amount.PERCENT, Optional.empty());
        }
        if (!c.HEX().isEmpty()) {
            return hexadecimal(word, c.HEX());
        }
        List<Double> points = c.SPAN() != null
                ? Terms.ends(c.SPAN()).stream().map(Double::parseDouble).toList()
                : c.number().stream().map(Terms::number).toList();
        return new SetSpread(word, new Spread(points), amount(c.measure()), Optional.empty());
    }

    private static SetSpread hexadecimal(String word, List<TerminalNode> written) {
        List<String> digits =
                written.stream().map(h -> h.getText().substring("0x".length())).toList();
        digits.stream().filter(d -> d.length() > OCTET_DIGITS * 2).findFirst().ifPresent(d -> {
            throw Refusal.of("value.range", "value", "0x" + d + " is more than two octets, 0x0 to 0xFFFF.");
        });
        boolean fine = digits.stream().anyMatch(d -> d.length() > OCTET_DIGITS);
        List<Double> points = digits.stream()
                .map(d -> Integer.parseInt(d, 16) * (fine && d.length() <= OCTET_DIGITS ? REPEATED : 1.0))
                .toList();
        return new SetSpread(word, new Spread(points), fine ? Amount.DMX16 : Amount.DMX, Optional.empty());
    }

    static Amount amount(LineParser.MeasureContext c) {
        if (c == null) {
            return Amount.PLAIN;
        }
        BiFunction<Object, Amount, Optional<Amount>> when =
                (token, amount) -> Optional.ofNullable(token).map(t -> amount);
        return when.apply(c.PERCENT(), Amount.PERCENT)
                .or(() -> when.apply(c.DEG(), Amount.DEGREES))
                .or(() -> when.apply(c.HZ(), Amount.HERTZ))
                .or(() -> when.apply(c.DMX(), Amount.DMX))
                .or(() -> when.apply(c.DMX16(), Amount.DMX16))
                .orElse(Amount.KELVIN);
    }

    @Override
    public List<ShowEdit> visitColourXy(LineParser.ColourXyContext c) {
        return later(draft -> new SetColour(new Chromaticity(Terms.number(c.number(0)), Terms.number(c.number(1)))));
    }

    @Override
    public List<ShowEdit> visitWhiteAt(LineParser.WhiteAtContext c) {
        double tint = c.TINT() == null ? 0 : Terms.number(c.number(1));
        return later(draft -> new SetColour(Whites.of(Kelvin.of(Terms.number(c.number(0))), tint)));
    }
}
