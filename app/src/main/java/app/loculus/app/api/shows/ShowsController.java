package app.loculus.app.api.shows;

import app.loculus.app.api.Asked;
import app.loculus.app.api.Download;
import app.loculus.app.api.EditResult;
import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.DemoShow;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.MendedBook;
import app.loculus.app.session.Overview;
import app.loculus.app.session.ShowVersions;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.ShowStore;
import app.loculus.app.store.VersionStore;
import app.loculus.core.edit.show.NewShow;
import app.loculus.core.finding.Findings;
import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Differences;
import app.loculus.core.show.Show;
import app.loculus.formats.parcel.Parcel;
import app.loculus.formats.showfile.ShowArchive;
import app.loculus.formats.showfile.ShowFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
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

    /** @param inFile whether the show file holds it; the oldest do not fit where versions are large */
    record VersionView(long id, String name, long revision, String madeAt, int fixtures, boolean inFile) {}

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
            boolean archived,
            String damage) {

        static ListedShow of(ShowStore.Listed s, String damage) {
            return new ListedShow(
                    s.id(),
                    s.name(),
                    s.revision(),
                    s.live(),
                    s.createdAt().toString(),
                    s.changedAt().toString(),
                    s.template(),
                    s.archived(),
                    damage);
        }
    }

    record Slots(int universe, List<Integer> slots) {}

    record Moved(long revision, List<String> words, List<ProblemView> problems) {

        static Moved of(Edited edited) {
            if (edited.outcome().refused()) {
                throw new Refusal(edited.outcome().problems());
            }
            return new Moved(
                    edited.revision(),
                    edited.outcome().words(),
                    ProblemView.all(edited.outcome().problems()));
        }
    }

    private final Shows shows;
    private final ShowVersions versions;
    private final LiveOutput output;

    private final Library library;
    private final Overview overview;
    private final MendedBook mended;
    private final DemoShow demo;

    ShowsController(
            Shows shows,
            ShowVersions versions,
            LiveOutput output,
            Library library,
            Overview overview,
            MendedBook mended,
            DemoShow demo) {
        this.demo = demo;
        this.mended = mended;
        this.library = library;
        this.overview = overview;
        this.shows = shows;
        this.versions = versions;
        this.output = output;
    }

    @GetMapping("/api/shows")
    List<ListedShow> list() {
        return shows.list().stream()
                .map(s -> ListedShow.of(s, shows.damage(s.id()).orElse("")))
                .toList();
    }

    @PostMapping("/api/shows")
    @ResponseStatus(HttpStatus.CREATED)
    ShowView create(@RequestBody CreateShowRequest request, Asked asked) {
        EditRequest context = asked.request(request);
        if (request.from() != null) {
            return view(shows.create(request.name(), request.from(), context).id());
        }
        int dimmers = request.dimmers() == null ? 0 : request.dimmers();
        return view(shows.create(NewShow.ofDimmers(request.name(), dimmers, library.profiles()), context)
                .id());
    }

    @PostMapping("/api/shows/{id}/template")
    TemplateView template(@PathVariable long id, @RequestBody NamedRequest request, Asked asked) {
        return new TemplateView(shows.saveAsTemplate(id, request.name(), asked.request(request)));
    }

    @PutMapping("/api/shows/{id}/archived")
    List<ListedShow> archive(@PathVariable long id, @RequestBody ArchiveRequest request) {
        shows.archive(id, Boolean.TRUE.equals(request.archived()));
        return list();
    }

    /** The whole show as one file. */
    @GetMapping("/api/shows/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable long id) {
        ShowFile file = versions.file(id);
        return Download.of(
                file.show().name(), ShowArchive.SUFFIX, MediaType.APPLICATION_OCTET_STREAM, ShowArchive.write(file));
    }

    @PostMapping(path = "/api/shows/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ShowView takeIn(@RequestParam("file") MultipartFile file, Asked asked) throws IOException {
        byte[] octets = file.getBytes();
        byte[] show = Parcel.looksLikeOne(octets) ? Parcel.showFile(octets) : octets;
        return view(shows.takeIn(ShowArchive.readFile(show), asked.request(Arrays.hashCode(octets), octets.length))
                .id());
    }

    @GetMapping("/api/shows/{id}/versions")
    List<VersionView> versions(@PathVariable long id) {
        List<VersionStore.Version> all = versions.of(id);
        int held = VersionStore.held(all);
        List<VersionView> views = new ArrayList<>();
        for (VersionStore.Version v : all) {
            views.add(new VersionView(
                    v.id(), v.name(), v.revision(), v.madeAt().toString(), v.fixtures(), views.size() < held));
        }
        return views;
    }

    @PostMapping("/api/shows/{id}/versions")
    List<VersionView> saveVersion(@PathVariable long id, @RequestBody NamedRequest request, Asked asked) {
        versions.save(id, request.name(), asked.request(request));
        return versions(id);
    }

    @DeleteMapping("/api/shows/{id}/versions/{version}")
    List<VersionView> deleteVersion(@PathVariable long id, @PathVariable long version) {
        versions.delete(id, version);
        return versions(id);
    }

    /** From a version to another one, or to the show as it is now when {@code to} is 0. */
    @GetMapping("/api/shows/{id}/versions/{from}/to/{to}")
    VersionComparison compare(@PathVariable long id, @PathVariable long from, @PathVariable long to) {
        Show older = versions.show(id, from);
        Show newer = to == 0 ? shows.get(id).show() : versions.show(id, to);
        return new VersionComparison(String.valueOf(from), String.valueOf(to), Differences.words(older, newer));
    }

    @PostMapping("/api/shows/{id}/versions/{version}/restore")
    EditResult restore(@PathVariable long id, @PathVariable long version, Asked asked) {
        return EditResult.of(versions.restore(id, version, asked.request()), false);
    }

    /** Where its lights are, as a small picture; found without loading the show. */
    @GetMapping(path = "/api/shows/{id}/plan.svg", produces = "image/svg+xml")
    String plan(@PathVariable long id) {
        return PlanPicture.of(shows.plan(id));
    }

    /** Opens the made-up show that ships with the application; it is made when there is none. */
    @PostMapping("/api/shows/demo")
    @ResponseStatus(HttpStatus.CREATED)
    ShowView demo() {
        return view(demo.open());
    }

    @GetMapping("/api/shows/{id}")
    ShowView show(@PathVariable long id) {
        return view(id);
    }

    @PostMapping("/api/shows/{id}/live")
    ShowView open(@PathVariable long id) {
        shows.makeLive(id);
        return view(id);
    }

    /** @param missing what could not be read */
    record Readable(ShowView show, List<String> missing) {}

    /** Keeps what can be read of a damaged show as a new one. */
    @PostMapping("/api/shows/{id}/readable")
    @ResponseStatus(HttpStatus.CREATED)
    Readable saveReadable(@PathVariable long id) {
        List<String> missing = new ArrayList<>();
        long made = shows.saveReadable(id, missing);
        return new Readable(view(made), missing);
    }

    @PostMapping("/api/shows/{id}/undo")
    Moved undo(@PathVariable long id, Asked asked) {
        return Moved.of(shows.undo(id, 1, asked.request()));
    }

    @PostMapping("/api/shows/{id}/redo")
    Moved redo(@PathVariable long id, Asked asked) {
        return Moved.of(shows.redo(id, 1, asked.request()));
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
        Findings findings = overview.of(snapshot);
        mended.look(snapshot, findings);
        return ShowView.of(snapshot, findings, shows.isLive(id), shows.historyEnds(id));
    }
}
