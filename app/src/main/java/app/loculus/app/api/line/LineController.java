package app.loculus.app.api.line;

import app.loculus.app.api.ProblemView;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.core.command.Command;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;
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

        EditRequest edit() {
            return new EditRequest(
                    Boolean.TRUE.equals(preview),
                    gesture == null ? "" : gesture,
                    Optional.ofNullable(revision),
                    key == null ? "" : key);
        }

        String words() {
            return text == null ? "" : text;
        }
    }

    /**
     * @param reading what it does or did, in short
     * @param words the same at length
     * @param problems warnings that come with it
     * @param landings where fixtures land, for the map
     */
    record LineResponse(
            boolean preview,
            String reading,
            List<String> words,
            List<ProblemView> problems,
            long revision,
            List<Landing> landings) {}

    private final Shows shows;

    LineController(Shows shows) {
        this.shows = shows;
    }

    @PostMapping("/api/shows/{id}/line")
    LineResponse line(@PathVariable long id, @RequestBody LineRequest request) {
        List<String> lines = request.words().lines().toList();
        if (lines.size() == 1) {
            Command command = shows.lines().read(lines.get(0));
            if (command instanceof Command.Undo undo) {
                return history(id, request, undo.times(), true);
            }
            if (command instanceof Command.Redo redo) {
                return history(id, request, redo.times(), false);
            }
            if (command instanceof Command.SaveVersion save) {
                return saveVersion(id, request, save.name());
            }
            if (command instanceof Command.RestoreVersion restore) {
                return edited(shows.restore(id, versionNamed(id, restore.name()), request.edit()), request);
            }
        }
        ShowEdit edit = lines.size() == 1 ? single(lines.get(0)) : shows.lines().readAll(lines);
        return edited(shows.edit(id, edit, request.edit()), request);
    }

    private LineResponse saveVersion(long id, LineRequest request, String name) {
        String words = "Keeps the show as it is as version “" + name + "”";
        if (!request.edit().preview()) {
            shows.saveVersion(id, name);
        }
        return new LineResponse(
                request.edit().preview(),
                words,
                List.of(words),
                List.of(),
                shows.get(id).revision(),
                List.of());
    }

    /** The newest version of that name. */
    private long versionNamed(long id, String name) {
        return shows.versions(id).stream()
                .filter(v -> v.name().equalsIgnoreCase(name.strip()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "show.version",
                        "name",
                        "There is no version “" + name + "”.",
                        WayOut.advice(
                                shows.versions(id).isEmpty()
                                        ? "None has been saved yet."
                                        : "The versions are listed in Show.")))
                .id();
    }

    private ShowEdit single(String line) {
        Command command = shows.lines().read(line);
        return command instanceof Command.Edit e ? e.edit() : draft -> draft.say("Nothing to do");
    }

    private LineResponse edited(Edited edited, LineRequest request) {
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        List<String> words = edited.outcome().words();
        return new LineResponse(
                request.edit().preview(),
                String.join(" · ", words.subList(0, Math.min(2, words.size()))),
                words,
                ProblemView.all(edited.outcome().problems()),
                edited.snapshot().revision(),
                Landing.of(edited.outcome()));
    }

    private LineResponse history(long id, LineRequest request, int times, boolean undo) {
        List<String> words = request.edit().preview()
                ? List.of((undo ? "Takes back " : "Does again ") + times + (times == 1 ? " step" : " steps"))
                : undo ? shows.undo(id, times) : shows.redo(id, times);
        String reading = words.isEmpty() ? (undo ? "Nothing to undo" : "Nothing to redo") : words.get(0);
        return new LineResponse(
                request.edit().preview(),
                reading,
                words,
                List.of(),
                shows.get(id).revision(),
                List.of());
    }
}
