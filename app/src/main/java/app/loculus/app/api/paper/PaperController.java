package app.loculus.app.api.paper;

import app.loculus.app.api.Download;
import app.loculus.app.session.Overview;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.paper.PaperKind;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import app.loculus.formats.paper.About;
import app.loculus.formats.paper.PaperOptions;
import app.loculus.formats.paper.PaperWriter;
import app.loculus.formats.paper.SheetTables;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Sheets of a show: set as PDF, drawn page by page to be looked at, and as tables. */
@RestController
public class PaperController {

    private static final String WORKBOOK = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    /** @param empty whether the show has nothing to put on it */
    record SheetView(String key, String words, boolean empty) {}

    /** @param width in points, as all of its pages; @param height likewise */
    record PagesView(int pages, double width, double height) {}

    private final Shows shows;
    private final Overview overview;
    private final PaperDrawer drawer;
    private final PaperAbout abouts;
    private final MakingBook book;

    PaperController(Shows shows, Overview overview, PaperDrawer drawer, PaperAbout abouts, MakingBook book) {
        this.shows = shows;
        this.overview = overview;
        this.drawer = drawer;
        this.abouts = abouts;
        this.book = book;
    }

    /** Every sheet there is, in the order in which they lie. */
    @GetMapping("/api/shows/{id}/paper")
    List<SheetView> sheets(@PathVariable long id) {
        Show show = shows.get(id).show();
        return Arrays.stream(PaperKind.values())
                .map(k -> new SheetView(k.key(), k.words(), !k.holds(show)))
                .toList();
    }

    /**
     * One sheet, or several with their contents in front.
     *
     * @param sheets their keys, with commas between
     * @param form pdf, xlsx or csv, which holds one sheet
     * @param size a4 or letter
     * @param across the long side lying; each as it is best read when absent
     * @param making a name to ask how far it is, and to stop it; see {@code /api/making}
     */
    @GetMapping("/api/shows/{id}/paper/{sheets}.{form}")
    ResponseEntity<byte[]> paper(
            @PathVariable long id,
            @PathVariable String sheets,
            @PathVariable String form,
            @RequestParam(required = false) String size,
            @RequestParam(required = false) Boolean across,
            @RequestParam(required = false) String making) {
        Snapshot snapshot = shows.get(id);
        List<PaperKind> kinds = kinds(sheets);
        PaperKind.Material material = PaperAbout.material(snapshot, overview);
        String suffix = " " + (kinds.size() == 1 ? kinds.get(0).key() : "paper") + "." + form;
        String name = snapshot.show().name();
        About about = abouts.of(snapshot);
        return switch (form) {
            case "pdf" ->
                Download.of(
                        name,
                        suffix,
                        MediaType.APPLICATION_PDF,
                        book.making(
                                making,
                                watched -> PaperWriter.write(
                                        PaperAbout.sheets(material, kinds, watched),
                                        about,
                                        options(size, across),
                                        watched)));
            case "xlsx" ->
                Download.of(
                        name,
                        suffix,
                        MediaType.parseMediaType(WORKBOOK),
                        book.making(
                                making, watched -> SheetTables.workbook(PaperAbout.sheets(material, kinds, watched))));
            case "csv" -> {
                if (kinds.size() > 1) {
                    throw Refusal.of("paper.form", "form", "Separated text holds one sheet, not " + kinds.size() + ".");
                }
                yield Download.of(
                        name,
                        suffix,
                        MediaType.parseMediaType("text/csv;charset=UTF-8"),
                        book.making(
                                making,
                                watched -> SheetTables.csv(PaperAbout.sheets(material, kinds, watched)
                                        .get(0))));
            }
            default ->
                throw Refusal.of("paper.form", "form", "Paper goes out as pdf, xlsx or csv, not as " + form + ".");
        };
    }

    @GetMapping("/api/shows/{id}/paper/{sheets}/pages")
    PagesView pages(
            @PathVariable long id,
            @PathVariable String sheets,
            @RequestParam(required = false) String size,
            @RequestParam(required = false) Boolean across) {
        PaperDrawer.Drawn drawn = drawer.drawn(shows.get(id), kinds(sheets), options(size, across));
        return new PagesView(drawn.pages(), drawn.width(), drawn.height());
    }

    /** One page as a picture, just as it is printed. @param page from 1 */
    @GetMapping(value = "/api/shows/{id}/paper/{sheets}/pages/{page}.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] page(
            @PathVariable long id,
            @PathVariable String sheets,
            @PathVariable int page,
            @RequestParam(required = false) String size,
            @RequestParam(required = false) Boolean across) {
        return drawer.drawn(shows.get(id), kinds(sheets), options(size, across)).page(page);
    }

    private static List<PaperKind> kinds(String sheets) {
        return Arrays.stream(sheets.split(",")).map(PaperKind::parse).distinct().toList();
    }

    /** @param size a4 or letter; @param across absent for each sheet as it is best read */
    public static PaperOptions options(String size, Boolean across) {
        PaperOptions.Size found = Arrays.stream(PaperOptions.Size.values())
                .filter(s -> s.name().equalsIgnoreCase(size == null ? "a4" : size))
                .findFirst()
                .orElseThrow(
                        () -> Refusal.of("paper.size", "size", "Paper is of size a4 or letter, not “" + size + "”."));
        return new PaperOptions(found, Optional.ofNullable(across));
    }
}
