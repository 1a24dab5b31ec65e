package app.loculus.app.api.carry;

import app.loculus.app.api.Asked;
import app.loculus.app.api.Download;
import app.loculus.app.api.paper.PaperAbout;
import app.loculus.app.api.paper.PaperController;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.ShowVersions;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.carry.Pairer;
import app.loculus.core.carry.Pairing;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.edit.carry.MoveToRig;
import app.loculus.core.geometry.Displacement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.paper.RigSheet;
import app.loculus.core.paper.Sheet;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Limits;
import app.loculus.formats.paper.Making;
import app.loculus.formats.paper.PaperWriter;
import app.loculus.formats.paper.SheetTables;
import app.loculus.formats.picture.GoboLikeness;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.DoubleStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The same show on another rig: told first, then made as a show of its own. */
@RestController
class AnotherRigController {

    /** Metres. */
    record PointView(double x, double y, double z) {

        Vector3 at() {
            if (!DoubleStream.of(x, y, z).allMatch(m -> Math.abs(m) <= FARTHEST)) {
                throw Refusal.of(
                        "carry.points", "points", "A known point is three numbers in metres, each within 1000.");
            }
            return new Vector3(x, y, z);
        }
    }

    /** @param was where it is in the show; @param is where it is in the other rig */
    record KnownPoint(PointView was, PointView is) {

        Displacement.Known known() {
            if (was == null || is == null) {
                throw Refusal.of("carry.points", "points", "A known point has a place in each of the two rooms.");
            }
            return new Displacement.Known(was.at(), is.at());
        }
    }

    /** @param was numbers in the show; @param is numbers in the rig, none when nothing is to stand for them */
    record SaidPair(List<Integer> was, List<Integer> is) {

        Pairer.Said said() {
            if (was == null || is == null || was.contains(null) || is.contains(null)) {
                throw Refusal.of("carry.pairs", "pairs", "A pair is numbers of the show and numbers of the rig.");
            }
            return new Pairer.Said(was, is);
        }
    }

    /**
     * @param rig the show that has the other rig
     * @param pairs what somebody said of some; the rest is found
     * @param points places known in both rooms
     * @param byLight whether levels make the same light instead of the same share of it
     * @param name of the new show
     */
    record RigMoveRequest(Long rig, List<SaidPair> pairs, List<KnownPoint> points, Boolean byLight, String name) {}

    record MadeShow(long id, String name) {}

    private static final int MOST_POINTS = 50;

    /** Metres, as for marks. */
    private static final double FARTHEST = 1000;

    private final Shows shows;
    private final ShowVersions versions;
    private final RigFiles files;
    private final PaperAbout abouts;
    private final PictureLikeness pictures = new GoboLikeness();

    AnotherRigController(Shows shows, ShowVersions versions, RigFiles files, PaperAbout abouts) {
        this.shows = shows;
        this.versions = versions;
        this.files = files;
        this.abouts = abouts;
    }

    private record Move(Snapshot from, Show rig, Pairing pairing, MoveToRig.Moved moved) {}

    @PostMapping("/api/shows/{id}/rig/preview")
    RigMoveView preview(@PathVariable long id, @RequestBody RigMoveRequest request) {
        Move move = move(id, request, "Preview");
        return RigMoveView.of(move.from.show(), move.rig, move.pairing, move.moved.report());
    }

    /** Makes the new show, with a version of it as it was moved, and opens it. */
    @PostMapping("/api/shows/{id}/rig")
    @ResponseStatus(HttpStatus.CREATED)
    MadeShow make(@PathVariable long id, @RequestBody RigMoveRequest request, Asked asked) {
        Move move = move(id, request, Limits.name("show.name", "name", request.name()));
        Snapshot made = shows.create(move.moved.show(), asked.request(request));
        if (versions.of(made.id()).isEmpty()) {
            String version = "From " + move.from.show().name();
            versions.save(made.id(), version.substring(0, Math.min(version.length(), Limits.NAME)), EditRequest.NOW);
        }
        return new MadeShow(made.id(), made.show().name());
    }

    /** @param form pdf, xlsx or csv */
    @PostMapping("/api/shows/{id}/rig/report.{form}")
    ResponseEntity<byte[]> report(
            @PathVariable long id, @PathVariable String form, @RequestBody RigMoveRequest request) {
        Move move = move(id, request, "Report");
        Sheet sheet = RigSheet.of(move.from.show(), move.rig, move.pairing, move.moved.report());
        String name = move.from.show().name();
        return switch (form) {
            case "pdf" ->
                Download.of(
                        name,
                        " on another rig.pdf",
                        MediaType.APPLICATION_PDF,
                        PaperWriter.write(
                                List.of(sheet),
                                abouts.of(move.from),
                                PaperController.options(null, null),
                                Making.UNWATCHED));
            case "xlsx" ->
                Download.of(
                        name,
                        " on another rig.xlsx",
                        MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
                        SheetTables.workbook(List.of(sheet)));
            case "csv" ->
                Download.of(
                        name,
                        " on another rig.csv",
                        MediaType.parseMediaType("text/csv;charset=UTF-8"),
                        SheetTables.csv(sheet));
            default ->
                throw Refusal.of("paper.form", "form", "Paper goes out as pdf, xlsx or csv, not as " + form + ".");
        };
    }

    /** Reads a rig from a hookup, a scene or a show file and keeps it as a show beside the open one. */
    @PostMapping(path = "/api/shows/{id}/rig/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    MadeShow file(@PathVariable long id, @RequestParam("file") MultipartFile file, Asked asked) throws IOException {
        byte[] octets = file.getBytes();
        Show rig = files.read(String.valueOf(file.getOriginalFilename()), octets);
        long made = shows.createAside(rig, asked.request(Arrays.hashCode(octets), octets.length));
        return new MadeShow(made, rig.name());
    }

    /** What was given; an empty place in a list says nothing. */
    private static <T> List<T> given(List<T> list) {
        return list == null ? List.of() : list.stream().filter(Objects::nonNull).toList();
    }

    private Move move(long id, RigMoveRequest request, String name) {
        if (request.rig() == null || request.rig() == id) {
            throw Refusal.of(
                    "carry.rig",
                    "rig",
                    "It is to be said which rig the show goes to.",
                    WayOut.advice("Choose another show, or open a hookup, a scene or a show file."));
        }
        List<KnownPoint> points = given(request.points());
        if (points.size() > MOST_POINTS) {
            throw Refusal.of("carry.points", "points", "At most " + MOST_POINTS + " points are taken.");
        }
        Snapshot from = shows.get(id);
        Show rig = shows.get(request.rig()).show();
        if (rig.patch().size() == 0) {
            throw Refusal.of("carry.rig", "rig", "“" + rig.name() + "” has no fixtures.");
        }
        Pairing pairing = Pairer.of(
                from.show().patch(),
                rig.patch(),
                given(request.pairs()).stream().map(SaidPair::said).toList());
        MoveToRig.Wishes wishes = new MoveToRig.Wishes(
                name, points.stream().map(KnownPoint::known).toList(), Boolean.TRUE.equals(request.byLight()));
        return new Move(from, rig, pairing, MoveToRig.of(from.show(), rig, pairing, wishes, pictures));
    }
}
