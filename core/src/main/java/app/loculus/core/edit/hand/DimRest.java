package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;
import java.util.Optional;

/** Says how much of its light everything else keeps while some are shown off. @param percent absent: all of it */
public record DimRest(Optional<Double> percent) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        percent.filter(p -> !(p >= 0 && p <= 100)).ifPresent(p -> {
            throw Refusal.of("highlight.rest", "level", "The rest keeps 0 to 100 percent of its light.");
        });
        HighlightLook look = draft.show().get(PartKinds.HIGHLIGHT, Whole.SHOW);
        draft.put(PartKinds.HIGHLIGHT, Whole.SHOW, look.resting(percent.map(p -> Fraction.clamp(p / 100))));
        draft.say(percent.map(p -> "While some are shown off, the rest keeps " + Decimal.text(p, 2) + " % of its light")
                .orElse("While some are shown off, the rest stays as it is"));
    }
}
