package app.loculus.app.api.patch;

import app.loculus.app.api.Asked;
import app.loculus.app.api.EditResult;
import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.core.check.Readback;
import app.loculus.core.command.ReadAloud;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Takes numbers and addresses while somebody reads them aloud. */
@RestController
class AloudController {

    /** An entry that was read before. */
    record ReadEntry(int number, String address) {}

    /**
     * @param text one entry such as {@code 14 207}
     * @param universe the universe that was read last
     * @param type profile and mode for numbers that do not exist yet, empty to refuse them
     * @param read what was read before, in order
     */
    record AloudRequest(String text, Integer universe, String type, List<ReadEntry> read, Boolean preview) {}

    /**
     * @param did what it did or would do; empty when it is refused
     * @param flags what was read twice or skipped so far
     * @param problems why not
     */
    record AloudView(
            int number,
            String address,
            int universe,
            String name,
            String did,
            List<String> flags,
            List<ProblemView> problems,
            long revision) {}

    private final Shows shows;
    private final Library library;

    AloudController(Shows shows, Library library) {
        this.shows = shows;
        this.library = library;
    }

    @PostMapping("/api/shows/{id}/aloud")
    AloudView read(@PathVariable long id, @RequestBody AloudRequest request, Asked asked) {
        ReadAloud entry = shows.lines()
                .readAloud(
                        request.text() == null ? "" : request.text(),
                        request.universe() == null ? 1 : request.universe());
        List<ReadAloud> read = all(request, entry);
        boolean preview = Boolean.TRUE.equals(request.preview());
        Edited edited = shows.edit(id, edit(entry, request), asked.editing(preview, "", null, null, request));
        Patch patch = edited.outcome().show().patch();
        return new AloudView(
                entry.number(),
                entry.address().toString(),
                entry.address().universe(),
                patch.numbered(entry.number()).map(f -> f.name()).orElse(""),
                edited.outcome().refused()
                        ? ""
                        : String.join(" · ", edited.outcome().words()),
                Readback.flags(patch, read),
                ProblemView.all(edited.outcome().problems()),
                edited.revision());
    }

    /** @param revision what the entry led to */
    record TakeBackRequest(Long revision) {}

    /** Takes back one entry, and nothing that was done since. */
    @PostMapping("/api/shows/{id}/aloud/take-back")
    EditResult takeBack(@PathVariable long id, @RequestBody TakeBackRequest request, Asked asked) {
        if (request.revision() == null) {
            throw Refusal.of("aloud.revision", "revision", "The request does not say which entry is meant.");
        }
        return EditResult.of(shows.takeBack(id, request.revision(), asked.request(request)), false);
    }

    private static List<ReadAloud> all(AloudRequest request, ReadAloud entry) {
        List<ReadAloud> all = new ArrayList<>();
        if (request.read() != null) {
            request.read().stream()
                    .filter(Objects::nonNull)
                    .limit(Limits.FIXTURES)
                    .forEach(r ->
                            all.add(new ReadAloud(r.number(), Address.parse(r.address() == null ? "" : r.address()))));
        }
        all.add(entry);
        return all;
    }

    private ShowEdit edit(ReadAloud entry, AloudRequest request) {
        return draft -> {
            Show show = draft.show();
            boolean there = show.patch().numbered(entry.number()).isPresent();
            boolean typed = request.type() != null && !request.type().isBlank();
            Optional<Profiles.Type> type = there || !typed
                    ? Optional.empty()
                    : Optional.of(show.profiles().orElse(library.profiles()).type(request.type()));
            new PatchFixtures(
                            List.of(entry.number()),
                            type,
                            Optional.of(entry.address()),
                            0,
                            false,
                            PatchFixtures.Clashing.REFUSE)
                    .on(draft);
        };
    }
}
