package app.loculus.app.api.paper;

import app.loculus.app.session.Overview;
import app.loculus.app.session.ShowVersions;
import app.loculus.app.store.ShowingStore;
import app.loculus.app.store.ShowingStore.Showing;
import app.loculus.app.store.VersionStore;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.paper.Sheet;
import app.loculus.core.patch.Fixture;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * One version of a show for somebody else to look at: its sheets and its plan, by a link with a token in it. What is shown
 * is read alone, and the link works until it is withdrawn.
 */
@RestController
class ShowingController {

    /** Octets of a token: nobody guesses it. */
    private static final int LONG = 18;

    private static final int MOST = 50;

    private static final List<PaperKind> SHOWN = List.of(
            PaperKind.HOOKUP_BY_NUMBER,
            PaperKind.HOOKUP_BY_OUTPUT,
            PaperKind.GROUPS,
            PaperKind.PALETTES,
            PaperKind.CUES,
            PaperKind.MARKS);

    record ShowingRequest(Long version) {}

    /** @param version its name, empty for one that is gone */
    record LinkView(String token, String version, String madeAt) {}

    /** @param cells what each column holds: text, number, tick or face */
    record TableView(
            String key, String words, String about, List<String> heads, List<String> cells, List<PartView> parts) {}

    record PartView(String heading, String words, List<List<String>> rows) {}

    /** In metres: x to the audience's right, y upstage. */
    record DotView(int number, double x, double y) {}

    record ShownView(String show, String version, String madeAt, List<TableView> tables, List<DotView> plan) {}

    private final ShowVersions versions;
    private final Overview overview;
    private final ShowingStore store;
    private final Clock clock;
    private final SecureRandom chance = new SecureRandom();

    ShowingController(ShowVersions versions, Overview overview, ShowingStore store, Clock clock) {
        this.versions = versions;
        this.overview = overview;
        this.store = store;
        this.clock = clock;
    }

    @GetMapping("/api/shows/{id}/showings")
    List<LinkView> links(@PathVariable long id) {
        return store.of(id).stream()
                .map(s -> new LinkView(
                        s.token(),
                        version(id, s.versionId())
                                .map(VersionStore.Version::name)
                                .orElse(""),
                        s.madeAt().toString()))
                .toList();
    }

    private Optional<VersionStore.Version> version(long show, long version) {
        return versions.of(show).stream().filter(v -> v.id() == version).findFirst();
    }

    @PostMapping("/api/shows/{id}/showings")
    @ResponseStatus(HttpStatus.CREATED)
    List<LinkView> show(@PathVariable long id, @RequestBody ShowingRequest request) {
        long wanted = request.version() == null ? 0 : request.version();
        if (version(id, wanted).isEmpty()) {
            throw Refusal.of(
                    "showing.version",
                    "version",
                    "There is no such version of this show.",
                    WayOut.advice("Save a version first; a link shows just that one."));
        }
        if (store.of(id).size() >= MOST) {
            throw Refusal.of(
                    "showing.many",
                    "version",
                    "There are " + MOST + " links of this show already.",
                    WayOut.advice("Withdraw some of them."));
        }
        byte[] octets = new byte[LONG];
        chance.nextBytes(octets);
        store.put(new Showing(
                Base64.getUrlEncoder().withoutPadding().encodeToString(octets), id, wanted, OffsetDateTime.now(clock)));
        return links(id);
    }

    @DeleteMapping("/api/shows/{id}/showings/{token}")
    List<LinkView> withdraw(@PathVariable long id, @PathVariable String token) {
        store.withdraw(id, token);
        return links(id);
    }

    /** What whoever has the link sees. */
    @GetMapping("/api/showing/{token}")
    ShownView shown(@PathVariable String token) {
        Showing showing = store.find(token)
                .orElseThrow(() -> Refusal.of(
                        "showing.gone",
                        "link",
                        "This link shows nothing, or not any more.",
                        WayOut.advice("Ask whoever sent it for another one.")));
        VersionStore.Version version = version(showing.showId(), showing.versionId())
                .orElseThrow(() ->
                        Refusal.of("showing.version", "link", "The version that this link showed has been deleted."));
        Show show = versions.show(showing.showId(), showing.versionId());
        PaperKind.Material material = new PaperKind.Material(show, () -> overview.of(show), chapter -> false);
        return new ShownView(
                show.name(),
                version.name(),
                version.madeAt().toString(),
                SHOWN.stream().map(k -> table(k, k.of(material))).toList(),
                show.patch().fixtures().stream()
                        .filter(f -> f.pose().isPresent())
                        .map((Fixture f) -> new DotView(
                                f.number(),
                                f.pose().get().place().x(),
                                f.pose().get().place().y()))
                        .toList());
    }

    private static TableView table(PaperKind kind, Sheet sheet) {
        return new TableView(
                kind.key(),
                kind.words(),
                sheet.words(),
                sheet.columns().stream().map(Sheet.Column::head).toList(),
                sheet.columns().stream()
                        .map(c -> c.cells().name().toLowerCase(java.util.Locale.ROOT))
                        .toList(),
                sheet.sections().stream()
                        .filter(s -> !s.rows().isEmpty() || s.chief())
                        .map(s -> new PartView(s.heading(), s.words(), s.rows()))
                        .toList());
    }
}
