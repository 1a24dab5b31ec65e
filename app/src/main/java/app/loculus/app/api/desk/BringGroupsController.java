package app.loculus.app.api.desk;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Shows;
import app.loculus.core.edit.group.BringGroups;
import java.util.List;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Takes groups of another show over. */
@RestController
class BringGroupsController {

    /**
     * @param from the other show
     * @param numbers which of its groups
     * @param match number or type: by what its fixtures answer to those here
     */
    record BringRequest(Long from, List<Integer> numbers, String match, Boolean preview, Long revision, String key) {}

    private final Shows shows;

    BringGroupsController(Shows shows) {
        this.shows = shows;
    }

    @PostMapping("/api/shows/{id}/groups/bring")
    EditResult bring(@PathVariable long id, @RequestBody BringRequest request, Asked asked) {
        boolean preview = Boolean.TRUE.equals(request.preview());
        List<Integer> numbers = request.numbers() == null
                ? List.of()
                : request.numbers().stream().filter(java.util.Objects::nonNull).toList();
        EditRequest context = asked.editing(preview, "", request.revision(), request.key(), request);
        BringGroups edit = new BringGroups(
                shows.get(request.from() == null ? 0 : request.from()).show(), numbers, "type".equals(request.match()));
        return EditResult.of(shows.edit(id, edit, context), preview);
    }
}
