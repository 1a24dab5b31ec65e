package app.loculus.app.api.shows;

import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.ShowStore;
import app.loculus.core.check.Gaps;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Layout;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Differences;
import app.loculus.core.show.PatchFixtures;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.showfile.ShowArchive;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Shows and their history. */
@RestController
class ShowsController {

    /**
     * @param name what it is to be called
     * @param from a show or template whose content it begins with
     * @param dimmers how many dimmers to create, one to one, from 1.1 on
     */
    record CreateShowRequest(String name, Long from, Integer dimmers) {}

    record NamedRequest(String name) {}

    record ArchiveRequest(Boolean archived) {}

    record VersionView(long id, String name, long revision, String madeAt, int fixtures) {}

    record VersionComparison(String from, String to, List<String> words) {}

    record TemplateView(long id) {}

    record ListedShow(
            long id,
            String name,
            long revision,
            boolean live,
            String createdAt,
            String changedAt,
            boolean template,
            boolean archived) {

        static ListedShow of(ShowStore.Listed s) {
            return new ListedShow(
                    s.id(),
                    s.name(),
                    s.revision(),
                    s.live(),
                    s.createdAt().toString(),
                    s.changedAt().toString(),
                    s.template(),
                    s.archived());
        }
    }

    record Slots(int universe, List<Integer> slots) {}

    record Moved(long revision, List<String> words) {}

    record EditResult(boolean preview, String reading, List<String> words, List<ProblemView> problems, long revision) {}

    private final Shows shows;
    private final LiveOutput output;

    private final Library library;

    ShowsController(Shows shows, LiveOutput output, Library library) {
        this.library = library;
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
        Snapshot made =
                request.from() == null ? shows.create(request.name()) : shows.create(request.name(), request.from());
        if (request.dimmers() != null && request.dimmers() > 0) {
            answered(shows.edit(made.id(), dimmers(made.show(), request.dimmers()), EditRequest.NOW), false);
        }
        return view(made.id());
    }

    /** A dimmer for every slot, one to one. */
    private ShowEdit dimmers(Show show, int count) {
        if (count > MOST_DIMMERS) {
            throw Refusal.of("show.dimmers", "dimmers", count + " dimmers are too many; at most " + MOST_DIMMERS + ".");
        }
        return new PatchFixtures(
                IntStream.rangeClosed(1, count).boxed().toList(),
                Optional.of(show.profiles().orElse(library.profiles()).type("House Dimmer")),
                Optional.of(new Address(1, 1)),
                0,
                false,
                PatchFixtures.Clashing.REFUSE,
                new Layout.OneToOne());
    }

    @PostMapping("/api/shows/{id}/template")
    TemplateView template(@PathVariable long id, @RequestBody NamedRequest request) {
        return new TemplateView(shows.saveAsTemplate(id, request.name()));
    }

    @PutMapping("/api/shows/{id}/archived")
    List<ListedShow> archive(@PathVariable long id, @RequestBody ArchiveRequest request) {
        shows.archive(id, Boolean.TRUE.equals(request.archived()));
        return list();
    }

    /** The whole show as one file. */
    @GetMapping("/api/shows/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable long id) {
        Show show = shows.get(id).show();
        String name = show.name().replaceAll("[^\\p{L}\\p{N} ._-]", "_") + ShowArchive.SUFFIX;
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(ShowArchive.write(show));
    }

    @PostMapping(path = "/api/shows/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ShowView takeIn(@RequestParam("file") MultipartFile file) throws IOException {
        return view(shows.takeIn(ShowArchive.read(file.getBytes())).id());
    }

    record GapView(String kind, String state, String words, List<Integer> numbers) {}

    /** What is missing, clashing or does not answer. */
    @GetMapping("/api/shows/{id}/check")
    List<GapView> check(@PathVariable long id) {
        return Gaps.of(shows.get(id).show()).stream()
                .map(g -> new GapView(g.kind(), ShowView.word(g.state()), g.words(), g.numbers()))
                .toList();
    }

    @GetMapping("/api/shows/{id}/versions")
    List<VersionView> versions(@PathVariable long id) {
        return shows.versions(id).stream()
                .map(v -> new VersionView(
                        v.id(), v.name(), v.revision(), v.madeAt().toString(), v.fixtures()))
                .toList();
    }

    @PostMapping("/api/shows/{id}/versions")
    List<VersionView> saveVersion(@PathVariable long id, @RequestBody NamedRequest request) {
        shows.saveVersion(id, request.name());
        return versions(id);
    }

    @DeleteMapping("/api/shows/{id}/versions/{version}")
    List<VersionView> deleteVersion(@PathVariable long id, @PathVariable long version) {
        shows.deleteVersion(id, version);
        return versions(id);
    }

    /** From a version to another one, or to the show as it is now when {@code to} is 0. */
    @GetMapping("/api/shows/{id}/versions/{from}/to/{to}")
    VersionComparison compare(@PathVariable long id, @PathVariable long from, @PathVariable long to) {
        Show older = shows.version(id, from);
        Show newer = to == 0 ? shows.get(id).show() : shows.version(id, to);
        return new VersionComparison(String.valueOf(from), String.valueOf(to), Differences.words(older, newer));
    }

    @PostMapping("/api/shows/{id}/versions/{version}/restore")
    EditResult restore(@PathVariable long id, @PathVariable long version) {
        return answered(shows.restore(id, version, EditRequest.NOW), false);
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
        EditRequest context = request.context();
        return answered(
                shows.edit(id, request.edit(shows.get(id).show(), library.profiles()), context), context.preview());
    }

    private static EditResult answered(Edited edited, boolean preview) {
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        List<String> words = edited.outcome().words();
        return new EditResult(
                preview,
                String.join(" · ", words.subList(0, Math.min(2, words.size()))),
                words,
                ProblemView.all(edited.outcome().problems()),
                edited.snapshot().revision());
    }

    /** As many slots as 64 universes have. */
    private static final int MOST_DIMMERS = 64 * Address.SLOTS;

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
