package app.loculus.core.edit.hand;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Shifts attributes of the selection from where they are, each unit from its own. At the end of its range it stays.
 *
 * @param by attributes as people call them; degrees for pan and tilt, else percent
 */
public record NudgeValue(Map<String, Double> by) implements ShowEdit {

    private static final int MOST_NAMED = 8;
    private static final double NEXT_TO = 1e-9;

    @Override
    public void on(Draft draft) {
        if (by.values().stream().anyMatch(d -> !Double.isFinite(d))) {
            throw Refusal.of("value.nudge", "value", "A nudge is a number.");
        }
        FromNow hand = new FromNow(draft);
        Set<String> moved = new LinkedHashSet<>();
        List<String> ends = new ArrayList<>();
        by.forEach((word, step) -> moved.addAll(hand.set(word, at -> Optional.of(shifted(at, step, ends)))));
        hand.keep(moved, String.join(" or ", by.keySet()));
        draft.say("Shifts "
                + by.entrySet().stream()
                        .map(e -> e.getKey() + " by " + Decimal.text(e.getValue(), 2))
                        .collect(Collectors.joining(", "))
                + " for " + Numbers.count(moved.size(), "unit"));
        if (!ends.isEmpty()) {
            draft.warn(Problem.warning(
                    "value.end",
                    "value",
                    Numbers.count(ends.size(), "value") + (ends.size() == 1 ? " is" : " are")
                            + " at the end of the range: "
                            + ends.stream().distinct().limit(MOST_NAMED).collect(Collectors.joining(", ")) + "."));
        }
    }

    private static AttributeValue shifted(FromNow.At at, double step, List<String> ends) {
        String name = at.profile().name() + " "
                + at.profile().definition(at.attribute()).pretty();
        if (!at.inDegrees()) {
            double wanted = at.place().share().value() + step / 100;
            note(Math.abs(wanted - Math.max(0, Math.min(1, wanted))), name, ends);
            return new AttributeValue.Level(Fraction.clamp(wanted));
        }
        double[] range = at.ends();
        double wanted = at.physical() + step;
        double to = Math.max(range[0], Math.min(range[1], wanted));
        note(Math.abs(wanted - to), name, ends);
        return new AttributeValue.Physical(to);
    }

    private static void note(double beyond, String name, List<String> ends) {
        if (beyond > NEXT_TO) {
            ends.add(name);
        }
    }
}
