package app.loculus.core.show;

import app.loculus.core.problem.Refusal;
import app.loculus.core.resolve.Layer;
import java.util.List;
import java.util.function.Supplier;

/** Something that can be done to a show. Knows how to do it to a draft; the draft keeps what reverses it. */
public interface ShowEdit {

    /** @throws Refusal with every problem found; the draft is then thrown away */
    void on(Draft draft);

    /** The same while other layers lie around the show: what the lights do is looked at through them. */
    default ShowEdit within(Supplier<Around> around) {
        return draft -> {
            draft.within(around.get());
            on(draft);
        };
    }

    /**
     * What lies around a show's own layers.
     *
     * @param below what runs under its working values
     * @param above what lies over all of it
     */
    record Around(List<Layer> below, List<Layer> above) {

        public static final Around NOTHING = new Around(List.of(), List.of());

        public Around {
            below = List.copyOf(below);
            above = List.copyOf(above);
        }
    }

    /** The outcome on a show. Nothing is kept: a preview and the real thing are the same call. */
    default Outcome apply(Show show) {
        Draft draft = new Draft(show);
        try {
            on(draft);
            return draft.outcome();
        } catch (Refusal refusal) {
            return Outcome.refused(show, refusal.problems());
        }
    }
}
