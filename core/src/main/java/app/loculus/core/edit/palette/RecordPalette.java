package app.loculus.core.edit.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.palette.Contribution;
import app.loculus.core.palette.Joining;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Recorded;
import app.loculus.core.palette.Recorder;
import app.loculus.core.palette.Scope;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Records touched values of one kind as a palette.
 *
 * @param number the next free one of the kind when absent
 * @param scope worked out from the values when absent
 * @param onto what to do with a palette that has the number already
 */
public record RecordPalette(
        Kind kind, Optional<Integer> number, Optional<String> name, Optional<Scope> scope, Onto onto, What what)
        implements ShowEdit {

    /** What becomes of a palette that is there already. */
    public enum Onto {
        REFUSE,
        MERGE,
        REPLACE
    }

    /** A palette as it would be, and what was recorded for it. */
    private record Result(Recorded recorded, Palette after) {}

    @Override
    public void on(Draft draft) {
        int into = number.orElseGet(() -> PaletteFinder.nextFree(draft.show(), kind));
        from(draft, Contributions.of(draft, kind, what));
        int beside = Contributions.beside(draft, kind, what);
        if (beside > 0) {
            draft.warn(Problem.warning(
                    "palette.beside",
                    "selection",
                    Numbers.count(beside, "more unit") + (beside == 1 ? " is" : " are")
                            + " touched and not selected, so left out.",
                    WayOut.line(
                            "Record them too",
                            line(into) + what.fromEverybody().words() + (onto == Onto.MERGE ? " merge" : " replace"))));
        }
    }

    private String line(int into) {
        return "record " + kind.word() + " " + into
                + name.map(n -> " " + Quoted.of(n)).orElse("")
                + scope.map(s -> " " + s.words()).orElse("");
    }

    /** The same from what certain units bring. */
    void from(Draft draft, List<Contribution> contributions) {
        Show show = draft.show();
        if (contributions.isEmpty()) {
            throw Refusal.of(
                    "palette.nothing",
                    "palette",
                    "Nothing of " + kind.word() + " has been touched, so there is nothing to record.",
                    WayOut.advice("Set a " + kind.word() + " first; values at home are not recorded."));
        }
        int into = number.orElseGet(() -> PaletteFinder.nextFree(show, kind));
        Optional<Palette> existing = show.palette(kind, into);
        if (existing.isPresent() && onto == Onto.REFUSE) {
            throw refusal(show, existing.get(), contributions);
        }
        Result result = result(show, existing.orElseGet(() -> created(show, into)), onto, contributions);
        Palette after = name.map(Names::checked).map(result.after()::named).orElse(result.after());
        draft.put(after);
        tell(draft, existing, after, result.recorded(), contributions);
    }

    private Result result(Show show, Palette onto, Onto how, List<Contribution> contributions) {
        boolean merging = how == Onto.MERGE;
        Recorder recorder = new Recorder(
                show.patch(),
                show.shelf(),
                show.answers(),
                kind,
                contributions,
                Optional.of(onto).filter(p -> merging));
        Recorded recorded = recorder.record(scope, r -> joined(show, onto, merging, r, contributions));
        return new Result(recorded, joined(show, onto, merging, recorded, contributions));
    }

    private Palette joined(
            Show show, Palette onto, boolean merging, Recorded recorded, List<Contribution> contributions) {
        return merging
                ? Joining.merged(show.patch(), onto, recorded, contributions, what.intent())
                : Joining.replaced(onto, recorded, what.intent());
    }

    private Palette created(Show show, int into) {
        String called = kind.word().substring(0, 1).toUpperCase(Locale.ROOT)
                + kind.word().substring(1) + " " + into;
        return new Palette(show.next(PartKinds.PALETTES), kind, into, called, Optional.empty(), List.of());
    }

    private Refusal refusal(Show show, Palette existing, List<Contribution> contributions) {
        String line = line(existing.number());
        return Refusal.of(
                "palette.exists",
                "palette",
                existing + " exists already; say what shall become of it.",
                way(show, existing, Onto.MERGE, line, contributions),
                way(show, existing, Onto.REPLACE, line, contributions));
    }

    private WayOut way(Show show, Palette existing, Onto how, String line, List<Contribution> contributions) {
        String word = how == Onto.MERGE ? "merge" : "replace";
        Palette joined = result(show, existing, how, contributions).after();
        Palette after = name.map(Names::checked).map(joined::named).orElse(joined);
        return WayOut.line(
                (how == Onto.MERGE ? "Merge: " : "Replace: ")
                        + PaletteDifference.of(show, Optional.of(existing), after)
                                .words()
                        + (existing.name().equals(after.name()) ? "" : ", renamed from “" + existing.name() + "”"),
                line + what.words() + " " + word);
    }

    private void tell(
            Draft draft, Optional<Palette> before, Palette after, Recorded recorded, List<Contribution> contributions) {
        draft.say((before.isPresent() ? (onto == Onto.MERGE ? "Merges into " : "Replaces ") : "Records ") + after + ", "
                + recorded.scope().words() + " (" + recorded.reason() + "), from "
                + Numbers.count(
                        (int) contributions.stream()
                                .filter(Contribution::brings)
                                .count(),
                        "unit"));
        draft.say(PaletteDifference.of(draft.show(), before, after).words());
        before.filter(b -> !b.name().equals(after.name()))
                .ifPresent(b -> draft.say("Renames it: it was “" + b.name() + "”"));
        before.flatMap(Palette::intent)
                .ifPresentOrElse(
                        stood -> draft.say(stood(stood, after.intent())),
                        () -> after.intent().ifPresent(c -> draft.say("Stands for " + c)));
    }

    private static String stood(Chromaticity stood, Optional<Chromaticity> stands) {
        if (stands.equals(Optional.of(stood))) {
            return "Still stands for " + stood;
        }
        return stands.map(c -> "Now stands for " + c + ", no longer for " + stood)
                .orElse("No longer stands for one colour: these differ");
    }
}
