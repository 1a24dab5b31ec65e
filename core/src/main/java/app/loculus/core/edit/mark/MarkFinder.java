package app.loculus.core.edit.mark;

import app.loculus.core.mark.Mark;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Finds marks by name. */
public final class MarkFinder {

    private MarkFinder() {}

    public static Optional<Mark> find(Show show, String name) {
        return show.marks().stream()
                .filter(m -> m.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    /** @throws Refusal naming the marks there are */
    public static Mark named(Draft draft, String name) {
        Show show = draft.show();
        Mark mark = find(show, name).orElseThrow(() -> unknown(show.marks(), name));
        draft.reads(PartKinds.MARKS, mark.id());
        return mark;
    }

    private static Refusal unknown(List<Mark> there, String name) {
        return Refusal.of(
                "mark.unknown",
                "mark",
                "There is no mark “" + name + "”.",
                WayOut.advice(
                        there.isEmpty()
                                ? "Set one first: mark \"" + name + "\" at 0, 3, 0."
                                : "There are "
                                        + there.stream()
                                                .limit(8)
                                                .map(Mark::toString)
                                                .collect(Collectors.joining(", "))
                                        + "."));
    }
}
