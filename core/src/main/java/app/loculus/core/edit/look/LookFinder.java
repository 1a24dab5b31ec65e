package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Look;
import app.loculus.core.look.Submaster;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Finds looks, lists, cues and submasters by number or name. */
public final class LookFinder {

    private static final int MOST_NAMED = 8;

    private LookFinder() {}

    /** @throws Refusal naming the lists there are */
    public static CueList list(Show show, int number) {
        return show.lists().stream()
                .filter(l -> l.number() == number)
                .findFirst()
                .orElseThrow(() -> noList(show, "list " + number));
    }

    /** @throws Refusal naming the lists there are */
    public static CueList list(Show show, String name) {
        return show.lists().stream()
                .filter(l -> l.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> noList(show, "list “" + name + "”"));
    }

    /** The list that is meant where none is named. @throws Refusal when there is none */
    public static CueList chosen(Show show) {
        return maybeChosen(show).orElseThrow(() -> noList(show, "list"));
    }

    /** The list that is chosen, or the one with the lowest number; empty when there is none. */
    public static Optional<CueList> maybeChosen(Show show) {
        return show.hand()
                .list()
                .flatMap(show::list)
                .or(() -> show.lists().stream().findFirst());
    }

    private static Refusal noList(Show show, String wanted) {
        return Refusal.of(
                "list.unknown",
                "list",
                "There is no " + wanted + ".",
                show.lists().isEmpty()
                        ? WayOut.advice("Record a cue and there is one.")
                        : WayOut.advice("There are " + named(show.lists()) + "."));
    }

    /** @throws Refusal naming the cues around it */
    public static Cue cue(Show show, CueList list, CueNumber number) {
        return show.cue(list.id(), number)
                .orElseThrow(() -> Refusal.of(
                        "cue.unknown",
                        "cue",
                        "There is no cue " + number + " in " + list + ".",
                        WayOut.advice(cues(show, list))));
    }

    private static String cues(Show show, CueList list) {
        List<Cue> cues = show.cues(list.id());
        return cues.isEmpty()
                ? "It has no cues yet."
                : "It goes from " + cues.get(0).number() + " to "
                        + cues.get(cues.size() - 1).number() + ", " + cues.size() + " in all.";
    }

    /** @throws Refusal naming the looks there are */
    public static Look look(Show show, int number) {
        return show.looks().stream()
                .filter(l -> l.number().equals(Optional.of(number)))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "look.unknown",
                        "look",
                        "There is no look " + number + ".",
                        WayOut.advice(
                                show.looks().isEmpty()
                                        ? "None has been recorded yet."
                                        : "There are " + named(show.looks()) + ".")));
    }

    /** @throws Refusal naming the submasters there are */
    public static Submaster submaster(Show show, int number) {
        return show.submasters().stream()
                .filter(s -> s.number() == number)
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "submaster.unknown",
                        "submaster",
                        "There is no submaster " + number + ".",
                        WayOut.advice(
                                show.submasters().isEmpty()
                                        ? "None has been recorded yet."
                                        : "There are " + named(show.submasters()) + ".")));
    }

    private static String named(Collection<?> all) {
        return all.stream().limit(MOST_NAMED).map(Object::toString).collect(Collectors.joining(", "))
                + (all.size() > MOST_NAMED ? " and " + (all.size() - MOST_NAMED) + " more" : "");
    }

    /** The lowest number that none of these has. */
    static int nextFree(IntStream taken) {
        int next = 1;
        for (int number : taken.sorted().toArray()) {
            next = number == next ? next + 1 : next;
        }
        return next;
    }
}
