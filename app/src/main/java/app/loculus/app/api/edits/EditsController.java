package app.loculus.app.api.edits;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.library.Library;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Overview;
import app.loculus.app.session.Shows;
import app.loculus.core.problem.Refusal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Takes what pages ask for. */
@RestController
class EditsController {

    /**
     * @param edit what to do
     * @param preview whether nothing is to be kept
     * @param gesture edits of one gesture are undone together
     * @param revision the revision the edit was made on
     * @param key repeating a request with the same key changes nothing more
     */
    record TypedEditRequest(TypedEdit edit, Boolean preview, String gesture, Long revision, String key) {}

    private final Shows shows;
    private final Library library;
    private final Overview overview;
    private final Clock clock;

    EditsController(Shows shows, Library library, Overview overview, Clock clock) {
        this.clock = clock;
        this.shows = shows;
        this.library = library;
        this.overview = overview;
    }

    @PostMapping("/api/shows/{id}/edits")
    EditResult edit(@PathVariable long id, @RequestBody TypedEditRequest request, Asked asked) {
        if (request.edit() == null) {
            throw Refusal.of("edit.none", "edit", "The request names no edit.");
        }
        boolean preview = Boolean.TRUE.equals(request.preview());
        EditRequest context =
                asked.editing(preview, request.gesture(), request.revision(), request.key(), request.edit());
        TypedEdit.Here here = new TypedEdit.Here(
                library.profiles(),
                LocalDate.now(clock.withZone(ZoneId.systemDefault())),
                draft -> overview.of(shows.get(id), draft));
        return EditResult.answer(
                shows, id, preview, () -> shows.edit(id, request.edit().edit(here), context));
    }
}
