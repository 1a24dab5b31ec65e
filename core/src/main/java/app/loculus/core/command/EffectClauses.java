package app.loculus.core.command;

import app.loculus.core.edit.effect.ApplyEffect;
import app.loculus.core.edit.effect.Asked;
import app.loculus.core.edit.effect.ChangeEffect;
import app.loculus.core.edit.effect.EffectFinder;
import app.loculus.core.edit.effect.EndEffects;
import app.loculus.core.edit.effect.KeptEffects;
import app.loculus.core.edit.effect.RecordEffect;
import app.loculus.core.edit.effect.SetMoving;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.edit.starter.RecordStarterEffects;
import app.loculus.core.effect.Along;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Figure;
import app.loculus.core.effect.Form;
import app.loculus.core.palette.Palette;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Effects: setting what moves, and the verbs about those that are kept. */
final class EffectClauses extends RoomClauses {

    /** Degrees across, of a shape where nothing is said. */
    private static final double USUAL_DEGREES = 20;

    /** Metres across, around a mark. */
    private static final double USUAL_METRES = 2;

    /** Percent of a stay that the next palette comes in over. */
    private static final double USUAL_CROSSFADE = 50;

    static Effect effect(Draft draft, LineParser.EffectRefContext c) {
        return c.integer() != null
                ? EffectFinder.number(draft, Terms.integer(c.integer()))
                : EffectFinder.named(draft, Terms.text(c.text()));
    }

    @Override
    public List<ShowEdit> visitApplyEffect(LineParser.ApplyEffectContext c) {
        Optional<Double> rate = last(c.RATE().isEmpty() ? List.of() : numbers(c, LineParser.RATE));
        Optional<Double> size = last(c.SIZE().isEmpty() ? List.of() : numbers(c, LineParser.SIZE));
        return later(draft -> new ApplyEffect(effect(draft, c.effectRef()).id(), rate, size));
    }

    /** The numbers that stand behind a word. */
    private static List<Double> numbers(LineParser.ApplyEffectContext c, int word) {
        List<Double> found = new ArrayList<>();
        for (int i = 0; i + 1 < c.getChildCount(); i++) {
            if (c.getChild(i) instanceof org.antlr.v4.runtime.tree.TerminalNode t
                    && t.getSymbol().getType() == word) {
                found.add(Terms.number((LineParser.NumberContext) c.getChild(i + 1)));
            }
        }
        return found;
    }

    private static Optional<Double> last(List<Double> all) {
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
    }

    @Override
    public List<ShowEdit> visitEndEffects(LineParser.EndEffectsContext c) {
        return later(draft -> new EndEffects(
                Optional.ofNullable(c.effectRef()).map(e -> effect(draft, e).id())));
    }

    @Override
    public List<ShowEdit> visitMoving(LineParser.MovingContext c) {
        List<LineParser.TimingContext> timings = timings(c.movements());
        double rate = rates(timings).reduce((a, b) -> b).orElse(SetMoving.USUAL_RATE);
        Along along = offsets(timings)
                .reduce((a, b) -> b)
                .map(o -> o.apply(Along.ALIKE))
                .orElse(Along.ALIKE);
        return later(draft -> new SetMoving(movements(draft, c.movements()), rate, along));
    }

    /** Rate and offsets are those of the whole, wherever they are said; the last ones count. */
    private static List<LineParser.TimingContext> timings(LineParser.MovementsContext c) {
        List<LineParser.TimingContext> found = new ArrayList<>();
        for (LineParser.MovementContext m : c.movement()) {
            if (m instanceof LineParser.WavedContext w) {
                w.waveOption().forEach(o -> found.add(o.timing()));
            } else if (m instanceof LineParser.ShapedContext s) {
                s.shapeOption().forEach(o -> found.add(o.timing()));
            } else {
                ((LineParser.RanContext) m).runOption().forEach(o -> found.add(o.timing()));
            }
        }
        found.removeIf(java.util.Objects::isNull);
        return found;
    }

    private static Stream<Double> rates(List<LineParser.TimingContext> timings) {
        return timings.stream().filter(t -> t.RATE() != null).map(t -> Terms.number(t.number()));
    }

    private static Stream<UnaryOperator<Along>> offsets(List<LineParser.TimingContext> timings) {
        return timings.stream().filter(t -> t.offset() != null).map(t -> offset(t.offset()));
    }

    private static List<Asked> movements(Draft draft, LineParser.MovementsContext c) {
        return c.movement().stream().map(m -> movement(draft, m)).toList();
    }

    private static Asked movement(Draft draft, LineParser.MovementContext c) {
        if (c instanceof LineParser.ShapedContext shaped) {
            return shape(shaped);
        }
        return c instanceof LineParser.WavedContext waved ? wave(draft, waved) : run(draft, (LineParser.RanContext) c);
    }

    private static Asked shape(LineParser.ShapedContext c) {
        Optional<String> mark = Optional.empty();
        Optional<Double> size = Optional.empty();
        double turned = 0;
        for (LineParser.ShapeOptionContext o : c.shapeOption()) {
            if (o.MARK() != null) {
                mark = Optional.of(Terms.text(o.text()));
            } else if (o.SIZE() != null) {
                size = Optional.of(Terms.number(o.number()));
            } else if (o.TURNED() != null) {
                turned = Terms.number(o.number());
            }
        }
        return new Asked.Shape(
                Figure.valueOf(upper(c.figure().getText())),
                size.orElse(mark.isPresent() ? USUAL_METRES : USUAL_DEGREES),
                turned,
                mark);
    }

    private static String upper(String word) {
        return word.toUpperCase(Locale.ROOT);
    }

    private static Asked wave(Draft draft, LineParser.WavedContext c) {
        double duty = 50;
        int seed = 1;
        Optional<Double> size = Optional.empty();
        for (LineParser.WaveOptionContext o : c.waveOption()) {
            if (o.SIZE() != null) {
                size = Optional.of(Terms.number(o.number()));
            } else if (o.DUTY() != null) {
                duty = Terms.number(o.number());
            } else if (o.SEED() != null) {
                seed = Terms.integer(o.integer());
            }
        }
        if (c.ends() == null && size.isEmpty()) {
            throw Refusal.of(
                    "effect.ends",
                    "movement",
                    "It is not said from where to where.",
                    WayOut.advice("Say at 20 thru 80, or size 40 to move around what is there."));
        }
        Asked.Ends ends = c.ends() == null ? new Asked.Ends.Size(size.get()) : ends(draft, c.ends());
        boolean palettes = ends instanceof Asked.Ends.Palettes;
        if (c.kind() != null && !palettes) {
            throw Refusal.of(
                    "effect.ends",
                    "movement",
                    "“" + c.kind().getText() + "” as a whole moves between palettes.",
                    WayOut.advice("For example at position 1 thru position 2; or name an attribute such as pan."));
        }
        return new Asked.Wave(
                c.kind() == null ? Optional.of(c.attribute().getText()) : Optional.empty(),
                Form.valueOf(upper(c.waveform().getText())),
                ends,
                duty,
                seed);
    }

    private static Asked.Ends ends(Draft draft, LineParser.EndsContext c) {
        if (c.kind().isEmpty()) {
            return new Asked.Ends.Numbers(
                    Terms.number(c.number(0)), Terms.number(c.number(1)), HandClauses.amount(c.measure()));
        }
        Kind from = Kind.parse(c.kind(0).getText());
        Kind to = c.kind().size() > 1 ? Kind.parse(c.kind(1).getText()) : from;
        return new Asked.Ends.Palettes(
                palette(draft, from, c.paletteRef(0)).id(),
                palette(draft, to, c.paletteRef(1)).id());
    }

    private static Palette palette(Draft draft, Kind kind, LineParser.PaletteRefContext c) {
        return c.integer() != null
                ? PaletteFinder.number(draft.show(), kind, Terms.integer(c.integer()))
                : PaletteFinder.named(draft.show(), kind, Terms.text(c.text()));
    }

    private static Asked run(Draft draft, LineParser.RanContext c) {
        List<PaletteId> all = new ArrayList<>();
        Kind kind = null;
        for (int i = 0; i < c.getChildCount(); i++) {
            if (c.getChild(i) instanceof LineParser.KindContext k) {
                kind = Kind.parse(k.getText());
            } else if (c.getChild(i) instanceof LineParser.PaletteRangeContext range) {
                all.addAll(range(draft, kind, range));
            }
        }
        double crossfade = c.runOption().stream()
                .filter(o -> o.CROSSFADE() != null)
                .map(o -> Terms.number(o.number()))
                .reduce((a, b) -> b)
                .orElse(USUAL_CROSSFADE);
        return new Asked.Run(all, crossfade);
    }

    /** Those there are from one number to the other, in that direction. */
    private static List<PaletteId> range(Draft draft, Kind kind, LineParser.PaletteRangeContext c) {
        Palette from = palette(draft, kind, c.paletteRef(0));
        Palette to = c.paletteRef().size() > 1 ? palette(draft, kind, c.paletteRef(1)) : from;
        int low = Math.min(from.number(), to.number());
        int high = Math.max(from.number(), to.number());
        List<PaletteId> between = new ArrayList<>(draft.show().palettes().stream()
                .filter(p -> p.kind() == kind && p.number() >= low && p.number() <= high)
                .map(Palette::id)
                .toList());
        if (from.number() > to.number()) {
            java.util.Collections.reverse(between);
        }
        return between;
    }

    private static UnaryOperator<Along> offset(LineParser.OffsetContext c) {
        List<Double> numbers =
                c.number().stream().map(n -> Terms.number(n) / 100).toList();
        boolean round = c.ROUND() != null;
        int firstInteger = 0;
        int times = 1;
        if (round && c.getChild(2) instanceof LineParser.IntegerContext i) {
            times = Terms.integer(i);
            firstInteger = 1;
        }
        int often = times;
        int blocks = c.BLOCKS().isEmpty()
                ? 1
                : Terms.integer(c.integer(firstInteger + c.BLOCKS().size() - 1));
        boolean mirror = !c.MIRROR().isEmpty();
        boolean reverse = !c.REVERSE().isEmpty();
        return before -> {
            Along way = round
                    ? new Along(Along.Way.ROUND, numbers.isEmpty() ? List.of(0.0) : numbers, often, 1, false, false)
                    : Along.ALIKE.spread(numbers);
            return way.blocks(blocks).mirrored(mirror).backwards(reverse);
        };
    }

    @Override
    public List<ShowEdit> visitRecordEffect(LineParser.RecordEffectContext c) {
        return one(new RecordEffect(Terms.maybe(c.integer()), Terms.maybe(c.text()), c.REPLACE() != null));
    }

    @Override
    public List<ShowEdit> visitEditEffect(LineParser.EditEffectContext c) {
        return later(draft -> new ChangeEffect(
                (c.effectRef() == null ? EffectFinder.inHand(draft) : effect(draft, c.effectRef())).id(),
                Terms.maybe(c.integer()),
                c.effectChange().stream()
                        .flatMap(change -> changes(draft, change).stream())
                        .toList()));
    }

    private static List<ChangeEffect.Change> changes(Draft draft, LineParser.EffectChangeContext c) {
        if (!(c instanceof LineParser.EffectMovementsContext m)) {
            return List.of(change(draft, c));
        }
        List<ChangeEffect.Change> all = new ArrayList<>();
        List<Asked> movements = movements(draft, m.movements());
        all.add(
                m.ALSO() == null
                        ? new ChangeEffect.Change.Instead(movements)
                        : new ChangeEffect.Change.Also(movements));
        List<LineParser.TimingContext> timings = timings(m.movements());
        rates(timings).map(ChangeEffect.Change::rate).forEach(all::add);
        offsets(timings).map(ChangeEffect.Change::offset).forEach(all::add);
        return all;
    }

    private static ChangeEffect.Change change(Draft draft, LineParser.EffectChangeContext c) {
        if (c instanceof LineParser.EffectRateContext r) {
            return ChangeEffect.Change.rate(Terms.number(r.number()));
        }
        if (c instanceof LineParser.EffectOutContext) {
            return new ChangeEffect.Change.Instead(List.of());
        }
        if (c instanceof LineParser.EffectOffsetContext o) {
            return ChangeEffect.Change.offset(offset(o.offset()));
        }
        if (c instanceof LineParser.EffectBlocksContext b) {
            int size = Terms.integer(b.integer());
            return ChangeEffect.Change.offset(a -> a.blocks(size));
        }
        if (c instanceof LineParser.EffectMirrorContext m) {
            return ChangeEffect.Change.offset(a -> a.mirrored(m.OFF() == null));
        }
        if (c instanceof LineParser.EffectReverseContext r) {
            return ChangeEffect.Change.offset(a -> a.backwards(r.OFF() == null));
        }
        if (c instanceof LineParser.EffectEndsContext e) {
            return ChangeEffect.Change.ends(ends(draft, e.ends()));
        }
        if (c instanceof LineParser.EffectSizeContext s) {
            return ChangeEffect.Change.ends(new Asked.Ends.Size(Terms.number(s.number())));
        }
        if (c instanceof LineParser.EffectDutyContext d) {
            return ChangeEffect.Change.duty(Terms.number(d.number()));
        }
        if (c instanceof LineParser.EffectSeedContext s) {
            return ChangeEffect.Change.seed(Terms.integer(s.integer()));
        }
        if (c instanceof LineParser.EffectCrossfadeContext x) {
            return ChangeEffect.Change.crossfade(Terms.number(x.number()));
        }
        if (c instanceof LineParser.EffectTurnedContext t) {
            return ChangeEffect.Change.turned(Terms.number(t.number()));
        }
        if (c instanceof LineParser.EffectAroundContext a) {
            return ChangeEffect.Change.around(Terms.maybe(a.text()));
        }
        return ChangeEffect.Change.called(c.getText());
    }

    @Override
    public List<ShowEdit> visitCopyEffect(LineParser.CopyEffectContext c) {
        return later(draft -> new KeptEffects.Copy(effect(draft, c.effectRef()).id(), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitMoveEffect(LineParser.MoveEffectContext c) {
        return later(draft -> new KeptEffects.Move(effect(draft, c.effectRef()).id(), Terms.integer(c.integer())));
    }

    @Override
    public List<ShowEdit> visitRenameEffect(LineParser.RenameEffectContext c) {
        return later(
                draft -> new KeptEffects.Rename(effect(draft, c.effectRef()).id(), Terms.text(c.text())));
    }

    @Override
    public List<ShowEdit> visitDeleteEffects(LineParser.DeleteEffectsContext c) {
        return later(draft -> new KeptEffects.Delete(
                c.effectRef().stream()
                        .map(e -> effect(draft, e).id())
                        .distinct()
                        .toList(),
                c.AS() != null));
    }

    @Override
    public List<ShowEdit> visitStarterEffects(LineParser.StarterEffectsContext c) {
        return one(new RecordStarterEffects(
                c.text().isEmpty()
                        ? Optional.empty()
                        : Optional.of(c.text().stream().map(Terms::text).toList())));
    }
}
