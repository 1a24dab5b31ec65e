package app.loculus.app.api.patch;

import app.loculus.app.api.Asked;
import app.loculus.app.api.Download;
import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.Comparison;
import app.loculus.core.check.DrawingComparison;
import app.loculus.core.drawing.Drawing;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.drawing.Scenery;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.check.ProfileDifference;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.formats.mvr.SceneReader;
import app.loculus.formats.mvr.SceneWriter;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Scene files in and out: held against the show first, taken where somebody says so. */
@RestController
class SceneController {

    private static final MediaType SCENE = MediaType.APPLICATION_OCTET_STREAM;

    /**
     * @param fixtures how many are drawn; {@code marks} focus points, {@code scenery} all else
     * @param differences of fixtures by number, of marks behind them
     * @param words what taking does or did
     * @param problems why that cannot be done, or warnings that come with it
     * @param remarks about the file itself
     * @param profiles those that are another one in the scene than here
     * @param paper what the patch is held to, empty for nothing
     * @param onPaper where the drawing ({@code ours}) and that paper ({@code theirs}) do not agree
     */
    record SceneView(
            String file,
            int fixtures,
            int marks,
            int scenery,
            int agreeing,
            List<DifferenceView> differences,
            List<String> words,
            List<ProblemView> problems,
            List<String> remarks,
            List<OtherProfileView> profiles,
            String paper,
            List<DifferenceView> onPaper,
            boolean done,
            long revision) {}

    /** @param held id of the one here; @param differs how that in the scene differs from it */
    record OtherProfileView(String name, String held, List<String> differs) {}

    /** @param x to the audience's right, @param y upstage, @param z up; metres */
    record CornerView(double x, double y, double z) {

        static CornerView of(Vector3 v) {
            return new CornerView(v.x(), v.y(), v.z());
        }
    }

    /** @param corners eight of a box, or one where only its place is known */
    record SceneryView(String kind, String name, List<CornerView> corners) {

        static SceneryView of(Scenery s) {
            return new SceneryView(
                    s.kind().words(),
                    s.name(),
                    s.corners().stream().map(CornerView::of).toList());
        }
    }

    record DrawingView(String file, String on, int fixtures, List<SceneryView> scenery) {

        static DrawingView of(KeptDrawing d) {
            return new DrawingView(
                    d.file().name(),
                    d.on(),
                    (int) d.fixtures().stream().filter(k -> !k.gone()).count(),
                    d.scenery().stream().map(SceneryView::of).toList());
        }
    }

    private final Shows shows;
    private final Library library;
    private final Clock clock;

    SceneController(Shows shows, Library library, Clock clock) {
        this.shows = shows;
        this.library = library;
        this.clock = clock;
    }

    /** What the show keeps of the drawings that were taken in. */
    @GetMapping("/api/shows/{id}/scenery")
    List<DrawingView> scenery(@PathVariable long id) {
        return shows.get(id).show().all(PartKinds.DRAWINGS).values().stream()
                .map(DrawingView::of)
                .toList();
    }

    @GetMapping("/api/shows/{id}/scene.mvr")
    ResponseEntity<byte[]> write(@PathVariable long id) {
        Show show = shows.get(id).show();
        return Download.of(show.name(), ".mvr", SCENE, SceneWriter.write(show));
    }

    /** @param take keys of the differences in which the drawing is right, a line each; all that the drawing has when absent */
    @PostMapping(path = "/api/shows/{id}/scene/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SceneView preview(
            @PathVariable long id,
            @RequestParam("file") MultipartFile file,
            @RequestParam(required = false) String take,
            Asked asked)
            throws IOException {
        Read read = read(id, file, take);
        Edited edited = shows.edit(
                id,
                read.comparison.taking(read.take, today()),
                asked.editing(true, "", read.before.revision(), null, read.take));
        return view(read, read.comparison, edited, false);
    }

    /** Keeps the drawing with the show, and takes its word where that is asked for. */
    @PostMapping(path = "/api/shows/{id}/scene", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SceneView take(
            @PathVariable long id,
            @RequestParam("file") MultipartFile file,
            @RequestParam(required = false) String take,
            Asked asked)
            throws IOException {
        Read read = read(id, file, take);
        EditRequest context =
                asked.editing(false, "", read.before.revision(), null, read.take, Arrays.hashCode(file.getBytes()));
        Edited edited = shows.edit(id, read.comparison.taking(read.take, today()), context);
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        Show now = shows.get(id).show();
        return view(read, DrawingComparison.of(now, profiles(now), read.drawing), edited, true);
    }

    private record Other(Profile ours, Profile theirs) {}

    /** Profiles of the drawing that are called as one here and are another one. */
    private List<Other> others(Show show, Drawing drawing) {
        Profiles here = profiles(show);
        return drawing.profiles().all().stream()
                .flatMap(theirs -> here.all().stream()
                        .filter(ours -> ours.fullName().equals(theirs.fullName())
                                && !ours.id().equals(theirs.id()))
                        // What the library has by now is offered there.
                        .filter(ours -> library.profiles().find(theirs.id()).isEmpty())
                        .map(ours -> new Other(ours, theirs)))
                .toList();
    }

    /** Puts the profiles of a scene that are another one here into the library; shows keep theirs until they take them. */
    @PostMapping(path = "/api/shows/{id}/scene/profiles", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    List<String> takeProfiles(@PathVariable long id, @RequestParam("file") MultipartFile file) throws IOException {
        Drawing drawing = SceneReader.read(String.valueOf(file.getOriginalFilename()), file.getBytes());
        List<Other> others = others(shows.get(id).show(), drawing);
        others.forEach(o -> library.add(o.theirs(), Library.Origin.IMPORTED));
        return others.stream().map(o -> o.theirs().fullName()).toList();
    }

    private String today() {
        return LocalDate.now(clock.withZone(ZoneId.systemDefault())).toString();
    }

    private record Read(Snapshot before, Drawing drawing, DrawingComparison comparison, List<String> take) {}

    private Read read(long id, MultipartFile file, String take) throws IOException {
        Snapshot before = shows.get(id);
        Drawing drawing = SceneReader.read(String.valueOf(file.getOriginalFilename()), file.getBytes());
        DrawingComparison comparison = DrawingComparison.of(before.show(), profiles(before.show()), drawing);
        return new Read(
                before,
                drawing,
                comparison,
                take == null
                        ? comparison.takeable()
                        : take.lines().filter(k -> !k.isBlank()).toList());
    }

    private Profiles profiles(Show show) {
        return show.profiles().orElse(library.profiles());
    }

    private SceneView view(Read read, DrawingComparison comparison, Edited edited, boolean done) {
        Paperwork paper = read.before.show().get(PartKinds.PAPERWORK, Whole.SHOW);
        return new SceneView(
                read.drawing.file().name(),
                read.drawing.fixtures().size(),
                read.drawing.marks().size(),
                read.drawing.scenery().size(),
                comparison.agreeing(),
                Stream.concat(
                                comparison.differences().stream().map(DifferenceView::of),
                                comparison.marks().stream().map(DifferenceView::of))
                        .toList(),
                edited.outcome().words(),
                ProblemView.all(edited.outcome().problems()),
                read.drawing.remarks(),
                others(read.before.show(), read.drawing).stream()
                        .map(o -> new OtherProfileView(
                                o.theirs().fullName(),
                                o.ours().id().value(),
                                ProfileDifference.words(o.ours(), o.theirs())))
                        .toList(),
                paper.none() ? "" : paper.name(),
                paper.none() ? List.of() : onPaper(read.drawing, paper),
                done,
                edited.revision());
    }

    /** The drawing as a show of its own, held against the paper. */
    private List<DifferenceView> onPaper(Drawing drawing, Paperwork paper) {
        Show nothing = Show.empty("drawing");
        DrawingComparison all = DrawingComparison.of(nothing, library.profiles(), drawing);
        var outcome = all.taking(all.takeable(), "").apply(nothing);
        return outcome.refused()
                ? List.of()
                : Comparison.of(outcome.show(), library.profiles(), paper.rows(), paper.columns())
                        .differences()
                        .stream()
                        .map(DifferenceView::of)
                        .toList();
    }
}
