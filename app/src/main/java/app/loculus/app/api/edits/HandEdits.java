package app.loculus.app.api.edits;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.command.AskedFor;
import app.loculus.core.edit.hand.Amount;
import app.loculus.core.edit.hand.MoveStep;
import app.loculus.core.edit.hand.NudgeValue;
import app.loculus.core.edit.hand.SendHome;
import app.loculus.core.edit.hand.SetColour;
import app.loculus.core.edit.hand.SetSpread;
import app.loculus.core.edit.hand.StepShare;
import app.loculus.core.edit.hand.Whole;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Kelvin;
import app.loculus.core.unit.Limits;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** Choosing, arranging and setting. */
public sealed interface HandEdits extends TypedEdit {

    /** How what is asked for meets the selection when its turn comes. */
    enum How {
        HOLD,
        ADD,
        LESS,
        BOTH;

        static How of(String word) {
            return Arrays.stream(values())
                    .filter(h -> h.name().equalsIgnoreCase(TypedEdit.orBlank(word)))
                    .findFirst()
                    .orElse(HOLD);
        }

        ShowEdit choosing(Choice choice) {
            return switch (this) {
                case HOLD -> app.loculus.core.edit.hand.Choose.of(choice);
                case ADD -> app.loculus.core.edit.hand.Choose.joining(Choice.How.PLUS, choice);
                case LESS -> app.loculus.core.edit.hand.Choose.joining(Choice.How.MINUS, choice);
                case BOTH -> app.loculus.core.edit.hand.Choose.joining(Choice.How.AND, choice);
            };
        }
    }

    /** Takes units selected, in this order. @param how hold, add, less or both */
    record Select(List<String> units, String how) implements HandEdits {

        public Select {
            units = TypedEdit.orNone(units);
        }

        @Override
        public ShowEdit edit(Here here) {
            return draft -> How.of(how)
                    .choosing(new Choice.Units(Named.units(draft, units)))
                    .on(draft);
        }
    }

    /** Takes a group selected, in its steps. @param how hold, add, less or both */
    record HoldGroup(int number, String how) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> How.of(how)
                    .choosing(new Choice.OfGroup(Named.group(draft, number).id()))
                    .on(draft);
        }
    }

    /** Takes selected whoever the words stand for. @param words as the line writes it, with patterns behind */
    record Choose(String words, String how) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            AskedFor asked = WORDS.readAskedFor(TypedEdit.orBlank(words));
            return draft -> {
                How.of(how).choosing(asked.base().apply(draft)).on(draft);
                asked.patterns().forEach(p -> new app.loculus.core.edit.hand.Arrange(p).on(draft));
            };
        }
    }

    /** Sets values of certain units, whatever is selected. @param words as the line writes values: {@code zoom at 12 deg} */
    record ValuesOf(List<String> units, String words) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            ShowEdit values = WORDS.readValues(TypedEdit.orBlank(words));
            return draft ->
                    new app.loculus.core.edit.hand.With(Named.units(draft, TypedEdit.orNone(units)), values).on(draft);
        }
    }

    /** Takes a selection of before selected again. @param index among the recent ones, from 0, the latest first */
    record Recent(int index) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                List<Selection> recent = draft.hand().recent();
                if (index < 0 || index >= recent.size()) {
                    throw Refusal.of("selection.recent", "selection", "That selection is not remembered any more.");
                }
                app.loculus.core.edit.hand.Choose.units(recent.get(index)).on(draft);
            };
        }
    }

    /** Takes the others selected. @param within position or type; all without one */
    record Invert(String within) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.Invert(app.loculus.core.edit.hand.Invert.Within.of(within));
        }
    }

    /** Lays a pattern. @param words as the line writes it, such as every 2 from 3 */
    record Arrange(String words) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.Arrange(WORDS.readPattern(TypedEdit.orBlank(words)));
        }
    }

    /** Shuffles, and again: each time with the next seed, worked out from what lies on the hand by then. */
    record ShuffleAgain() implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> {
                List<Pattern> laid = draft.hand().patterns();
                boolean again = !laid.isEmpty() && laid.get(laid.size() - 1) instanceof Pattern.Shuffle;
                long seed = again ? ((Pattern.Shuffle) laid.get(laid.size() - 1)).seed() % MOST_SEEDS + 1 : 1;
                new app.loculus.core.edit.hand.Arrange(new Pattern.Shuffle(seed)).on(draft);
            };
        }

        private static final int MOST_SEEDS = 999;
    }

    /** Takes a pattern off, or all. @param index among the patterns, from 0; all without one */
    record Lift(Integer index) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new Whole(index == null ? OptionalInt.empty() : OptionalInt.of(Math.max(0, index)));
        }
    }

    /** Puts a step elsewhere in the order. @param from its place, from 1; @param to its place afterwards */
    record Order(int from, int to) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new MoveStep(from, to);
        }
    }

    /** What is touched on the units selected is what highlight looks like. @param with kinds beside intensity, colour, beam */
    record RecordHighlight(boolean perType, List<String> with) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.highlight.RecordHighlight(
                    perType, TypedEdit.orNone(with).stream().map(Kind::parse).collect(Collectors.toSet()));
        }
    }

    /** Highlight looks as the profiles say again. */
    record ForgetHighlight() implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.highlight.ForgetHighlight();
        }
    }

    /** What everything else keeps of its light while some are shown off. @param percent all of it when absent */
    record DimRest(Double percent) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.DimRest(Optional.ofNullable(percent));
        }
    }

    /** The next share, or the one before. */
    record Step(boolean back) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new StepShare(back ? -1 : 1);
        }
    }

    /** Goes on by one place of a wheel, each unit from its own. @param attribute as the line names it */
    record StepSlot(String attribute, boolean back) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.StepSlot(TypedEdit.orBlank(attribute), !back);
        }
    }

    record Highlight(boolean on) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.Highlight(on);
        }
    }

    record Clear(boolean all) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.hand.Clear(all);
        }
    }

    /** Sends one kind home, or everything without one. */
    record Home(String kind) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new SendHome(Optional.ofNullable(kind).map(Named::kind), Optional.empty());
        }
    }

    /**
     * Sets an attribute along the steps selected.
     *
     * @param points percent of its range, spread evenly; with {@code name} none are needed
     * @param name a named range instead
     */
    record SetValue(String attribute, List<Double> points, String name) implements HandEdits {

        private static final int MOST_POINTS = 100;

        public SetValue {
            points = TypedEdit.orNone(points);
        }

        @Override
        public ShowEdit edit(Here here) {
            if (points.isEmpty() && name == null || points.size() > MOST_POINTS) {
                throw Refusal.of("edit.points", "points", "1 to " + MOST_POINTS + " values are needed.");
            }
            return new SetSpread(
                    Limits.text("edit.attribute", "attribute", attribute, Limits.NAME),
                    points.isEmpty() ? Spread.of(0.0) : new Spread(points),
                    Amount.PERCENT,
                    Optional.ofNullable(name));
        }
    }

    /** Shifts attributes of the selection from where they are. @param by degrees for pan and tilt, else percent */
    record Nudge(Map<String, Double> by) implements HandEdits {

        private static final int MOST = 8;

        @Override
        public ShowEdit edit(Here here) {
            if (by == null || by.isEmpty() || by.size() > MOST || by.containsValue(null)) {
                throw Refusal.of("edit.nudge", "by", "1 to " + MOST + " attributes with a number each are needed.");
            }
            by.keySet().forEach(a -> Limits.text("edit.attribute", "by", a, Limits.NAME));
            return new NudgeValue(by);
        }
    }

    /** A colour by CIE 1976 u′ and v′. */
    record Colour(double u, double v) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new SetColour(Chromaticity.ofUv(u, v));
        }
    }

    /** White of a colour temperature in kelvin. @param tint distance from the locus, positive to green; 0 when left out */
    record White(double kelvin, Double tint) implements HandEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new SetColour(Whites.of(Kelvin.of(kelvin), tint == null ? 0 : tint));
        }
    }
}
