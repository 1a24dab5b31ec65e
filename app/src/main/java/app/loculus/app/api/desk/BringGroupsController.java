package app.loculus.app.api.desk;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Shows;
import app.loculus.core.edit.group.BringGroups;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
     * @param told pairs that were asked for, before the rule
     */
    record BringRequest(
            Long from,
            List<Integer> numbers,
            String match,
            List<Answering> told,
            Boolean preview,
            Long revision,
            String key) {}

    /** A fixture of the other show and the one here that answers to it, by number. */
    record Answering(int theirs, int ours) {}

    private final Shows shows;

    BringGroupsController(Shows shows) {
        this.shows = shows;
    }

    @PostMapping("/api/shows/{id}/groups/bring")
    EditResult bring(@PathVariable long id, @RequestBody BringRequest request, Asked asked) {
        boolean preview = Boolean.TRUE.equals(request.preview());
        List<Integer> numbers = request.numbers() == null
                ? List.of()
                : request.numbers().stream().filter(Objects::nonNull).toList();
        EditRequest context = asked.editing(preview, "", request.revision(), request.key(), request);
        Map<Integer, Integer> told = new LinkedHashMap<>();
        if (request.told() != null) {
            request.told().stream().filter(Objects::nonNull).forEach(a -> told.put(a.theirs(), a.ours()));
        }
        BringGroups edit = new BringGroups(
                shows.get(request.from() == null ? 0 : request.from()).show(),
                numbers,
                "type".equals(request.match()),
                told);
        return EditResult.of(shows.edit(id, edit, context), preview);
    }
}
