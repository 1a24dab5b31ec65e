package app.loculus.app.api.line;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.api.play.PlayWords;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.ShowVersions;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.command.Command;
import app.loculus.core.edit.hand.Sending;
import app.loculus.core.play.Press;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Reads;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.function.Function;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Reads lines, previews them and carries them out. */
@RestController
class LineController {

    /**
     * @param text one line, or several that are all or nothing
     * @param preview whether nothing is to be kept
     * @param gesture edits of one gesture are undone together
     * @param revision the revision the edit was made on
     * @param key repeating a request with the same key changes nothing more
     */
    record LineRequest(String text, Boolean preview, String gesture, Long revision, String key) {

        EditRequest asked(Asked asked) {
            return asked.editing(Boolean.TRUE.equals(preview), gesture, revision, key, text);
        }
    }

    /** Lines sent at once; more is a file in the wrong place. */
    private static final int MOST_LINES = 2000;

    private final Shows shows;
    private final ShowVersions versions;
    private final LiveOutput output;

    LineController(Shows shows, ShowVersions versions, LiveOutput output) {
        this.shows = shows;
        this.versions = versions;
        this.output = output;
    }

    @PostMapping("/api/shows/{id}/line")
    EditResult line(@PathVariable long id, @RequestBody LineRequest request, Asked asked) {
        EditRequest context = request.asked(asked);
        return EditResult.answer(shows, id, context.preview(), () -> done(id, request, context));
    }

    private Edited done(long id, LineRequest request, EditRequest context) {
        List<String> lines = (request.text() == null ? "" : request.text())
                .lines()
                .limit(MOST_LINES + 1)
                .toList();
        if (lines.size() > MOST_LINES) {
            throw Refusal.of("line.many", "line", "More than " + MOST_LINES + " lines were sent at once.");
        }
        return lines.size() == 1
                ? shows.lines().read(lines.get(0)).by(new Doing(id, context))
                : shows.edit(id, shows.lines().readAll(lines), context);
    }

    /** Carries one line out. */
    private final class Doing implements Command.Doer<Edited> {
        private final long id;
        private final EditRequest request;

        Doing(long id, EditRequest request) {
            this.id = id;
            this.request = request;
        }

        @Override
        public Edited edit(ShowEdit edit) {
            return shows.edit(id, edit, request);
        }

        @Override
        public Edited undo(int times) {
            return request.preview()
                    ? foreseen(steps(shows.get(id).history(), times, true))
                    : said(shows.undo(id, times, request), "undo");
        }

        @Override
        public Edited redo(int times) {
            return request.preview()
                    ? foreseen(steps(shows.get(id).history(), times, false))
                    : said(shows.redo(id, times, request), "redo");
        }

        /** One step by what it was, several by how many there are. */
        private static String steps(History history, int times, boolean undo) {
            String word = undo ? "Undoes" : "Does again";
            History left = history;
            String last = "";
            int steps = 0;
            while (steps < times && !(undo ? left.toUndo() : left.toRedo()).isEmpty()) {
                List<History.Entry> run = undo ? left.toUndo() : left.toRedo();
                last = run.get(undo ? 0 : run.size() - 1).words();
                for (int i = 0; i < run.size(); i++) {
                    left = undo ? left.undone(1) : left.redone(1);
                }
                steps++;
            }
            if (steps == 0) {
                return "Nothing to " + (undo ? "undo" : "redo");
            }
            return times == 1
                    ? word + ": " + last
                    : word
                            + (steps < times ? " all " : " ")
                            + steps
                            + (steps == 1 ? " step" : " steps")
                            + (steps < times ? " there " + (steps == 1 ? "is" : "are") : "")
                            + (undo ? ", from " : ", up to ")
                            + last;
        }

        private Edited said(Edited edited, String what) {
            Outcome o = edited.outcome();
            return o.refused() || !o.words().isEmpty()
                    ? edited
                    : new Edited(
                            new Outcome(o.show(), o.delta(), o.reads(), List.of("Nothing to " + what), o.problems()),
                            edited.revision());
        }

        @Override
        public Edited saveVersion(String name) {
            return request.preview()
                    ? foreseen("Keeps the show as it is as version “" + name + "”")
                    : versions.save(id, name, request);
        }

        @Override
        public Edited restoreVersion(String name) {
            return versions.restore(id, versionNamed(name), request);
        }

        /** No edit: it changes no revision and is not in the history. */
        @Override
        public Edited play(Function<Show, Press> press) {
            Press found = press.apply(shows.get(id).show());
            output.check(id, found);
            if (request.preview()) {
                return foreseen("Would play: " + PlayWords.of(shows.get(id).show(), found));
            }
            boolean changed = output.press(id, found);
            String words = PlayWords.of(shows.get(id).show(), found);
            return foreseen(changed ? words : "Nothing runs otherwise for it: " + words);
        }

        /** No edit either: nothing of it is kept. */
        @Override
        public Edited send(Function<Show, Sending.Asked> asked) {
            Sending.Asked found = asked.apply(shows.get(id).show());
            if (request.preview()) {
                return foreseen(found.sending().words());
            }
            output.send(id, found.confirmed());
            return foreseen(found.sending().words());
        }

        @Override
        public Edited nothing() {
            return foreseen("Nothing to do");
        }

        private Edited foreseen(String words) {
            Snapshot now = shows.get(id);
            return new Edited(
                    new Outcome(now.show(), Delta.NONE, new Reads(), List.of(words), List.of()), now.revision());
        }

        /** The newest version of that name. */
        private long versionNamed(String name) {
            return versions.of(id).stream()
                    .filter(v -> v.name().equalsIgnoreCase(name.strip()))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of(
                            "show.version",
                            "name",
                            "There is no version “" + name + "”.",
                            WayOut.advice(
                                    versions.of(id).isEmpty()
                                            ? "None has been saved yet."
                                            : "The versions are listed in Show.")))
                    .id();
        }
    }
}
