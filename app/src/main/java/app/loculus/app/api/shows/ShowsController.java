package app.loculus.app.api.shows;

import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.ShowStore;
import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Shows and their history. */
@RestController
class ShowsController {

    record CreateShowRequest(String name) {}

    record ListedShow(long id, String name, long revision, boolean live, String createdAt, String changedAt) {

        static ListedShow of(ShowStore.Listed s) {
            return new ListedShow(
                    s.id(),
                    s.name(),
                    s.revision(),
                    s.live(),
                    s.createdAt().toString(),
                    s.changedAt().toString());
        }
    }

    record Slots(int universe, List<Integer> slots) {}

    record Moved(long revision, List<String> words) {}

    record EditResult(long revision, List<String> words) {}

    private final Shows shows;
    private final LiveOutput output;

    ShowsController(Shows shows, LiveOutput output) {
        this.shows = shows;
        this.output = output;
    }

    @GetMapping("/api/shows")
    List<ListedShow> list() {
        return shows.list().stream().map(ListedShow::of).toList();
    }

    @PostMapping("/api/shows")
    @ResponseStatus(HttpStatus.CREATED)
    ShowView create(@RequestBody CreateShowRequest request) {
        return ShowView.of(shows.create(request.name()), true);
    }

    @GetMapping("/api/shows/{id}")
    ShowView show(@PathVariable long id) {
        return view(id);
    }

    @PostMapping("/api/shows/{id}/live")
    ShowView open(@PathVariable long id) {
        return ShowView.of(shows.makeLive(id), true);
    }

    @PostMapping("/api/shows/{id}/undo")
    Moved undo(@PathVariable long id) {
        List<String> words = shows.undo(id, 1);
        return new Moved(shows.get(id).revision(), words);
    }

    @PostMapping("/api/shows/{id}/redo")
    Moved redo(@PathVariable long id) {
        List<String> words = shows.redo(id, 1);
        return new Moved(shows.get(id).revision(), words);
    }

    /** Typed edits: what pointing does, where a typed line would be too long or too slow to write. */
    @PostMapping("/api/shows/{id}/edits")
    EditResult edit(@PathVariable long id, @RequestBody TypedEditRequest request) {
        Edited edited = shows.edit(id, request.edit(shows.get(id).show()), request.context());
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        return new EditResult(edited.snapshot().revision(), edited.outcome().words());
    }

    @GetMapping("/api/shows/{id}/output/{universe}")
    Slots output(@PathVariable long id, @PathVariable int universe) {
        new Address(universe, 1);
        List<Integer> slots = new ArrayList<>();
        for (byte slot : output.frames(shows.get(id)).slots(universe)) {
            slots.add(slot & 0xFF);
        }
        return new Slots(universe, slots);
    }

    private ShowView view(long id) {
        Snapshot snapshot = shows.get(id);
        Optional<Snapshot> live = shows.live();
        return ShowView.of(snapshot, live.filter(l -> l.id() == id).isPresent());
    }
}
