package app.loculus.app.api.edits;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.edit.hand.Amount;
import app.loculus.core.edit.hand.Choose;
import app.loculus.core.edit.hand.SendHome;
import app.loculus.core.edit.hand.SetColour;
import app.loculus.core.edit.hand.SetSpread;
import app.loculus.core.edit.hand.StepShare;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Kelvin;
import app.loculus.core.unit.Limits;
import java.util.List;
import java.util.Optional;

/** Choosing, arranging and setting. */
public sealed interface HandEdits extends TypedEdit {

    /** Takes units in hand, in this order; {@code how} is hold, add or less, worked out from what is in hand then. */
    record Select(List<String> units, String how) implements HandEdits {

        public Select {
            units = TypedEdit.orNone(units);
        }

        @Override
        public ShowEdit edit(Profiles library) {
            return draft -> {
                Selection named = Named.units(draft, units);
                Selection held = draft.hand().selection();
                new Choose("add".equals(how) ? held.plus(named) : "less".equals(how) ? held.minus(named) : named)
                        .on(draft);
            };
        }
    }

    /** Takes a group in hand, in its steps. */
    record HoldGroup(int number) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return draft -> new Choose(Named.group(draft, number).content().selection()).on(draft);
        }
    }

    /** Lays a pattern: every (n), blocks (n), part (first of n), mirror or reverse. */
    record Arrange(String pattern, Integer n) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            int of = n == null ? 2 : n;
            Pattern laid = switch (TypedEdit.orBlank(pattern)) {
                case "every" -> new Pattern.EveryNth(of, 1);
                case "blocks" -> new Pattern.Blocks(of);
                case "part" -> new Pattern.Part(1, of);
                case "mirror" -> new Pattern.Mirror();
                case "reverse" -> new Pattern.Reverse();
                default -> throw Refusal.of("edit.pattern", "pattern", "There is no pattern “" + pattern + "”.");
            };
            return new app.loculus.core.edit.hand.Arrange(laid);
        }
    }

    /** The next share, or the one before. */
    record Step(boolean back) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new StepShare(back ? -1 : 1);
        }
    }

    record Highlight(boolean on) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new app.loculus.core.edit.hand.Highlight(on);
        }
    }

    record Clear(boolean all) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new app.loculus.core.edit.hand.Clear(all);
        }
    }

    /** Sends one kind home, or everything without one. */
    record Home(String kind) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new SendHome(Optional.ofNullable(kind).map(Named::kind));
        }
    }

    /**
     * Sets an attribute along the steps in hand.
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
        public ShowEdit edit(Profiles library) {
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

    /** A colour by CIE 1976 u′ and v′. */
    record Colour(double u, double v) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new SetColour(Chromaticity.ofUv(u, v));
        }
    }

    /** White of a colour temperature in kelvin. */
    record White(double kelvin) implements HandEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new SetColour(Whites.of(Kelvin.of(kelvin)));
        }
    }
}
