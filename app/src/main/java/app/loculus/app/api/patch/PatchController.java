package app.loculus.app.api.patch;

import app.loculus.app.api.Asked;
import app.loculus.app.api.Download;
import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.EditRequest;
import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.check.Hookup;
import app.loculus.core.check.HookupPaper;
import app.loculus.core.check.RowVerdict;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Limits;
import app.loculus.formats.csv.HookupReader;
import app.loculus.formats.csv.HookupWriter;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Looks at the patch and takes paperwork in. */
@RestController
class PatchController {

    /**
     * @param text rows as text
     * @param file its octets in Base64 instead: a workbook, or text in whatever encoding
     * @param mapping field by header, an empty text to leave a column out; only for headers a person has mapped
     * @param clashing unpatched, share or move
     */
    record HookupRequest(String text, byte[] file, Map<String, String> mapping, String clashing, Boolean preview) {

        Paper paper() {
            return new Paper(text, file, mapping);
        }
    }

    record HookupRowView(
            int line,
            String number,
            String name,
            String profile,
            String mode,
            String address,
            String position,
            String purpose,
            boolean lands,
            String landsAt,
            List<ProblemView> problems) {}

    record HookupView(
            boolean preview,
            List<Paper.HeaderView> headers,
            List<String> fields,
            List<HookupRowView> rows,
            int landing,
            int left,
            List<String> remarks,
            long revision) {}

    private static final String WORKBOOK = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    private final Shows shows;
    private final Library library;

    PatchController(Shows shows, Library library) {
        this.shows = shows;
        this.library = library;
    }

    /** @param ids only these fixtures, by identity; clashes and universes are always whole */
    @GetMapping("/api/shows/{id}/patch")
    PatchView patch(@PathVariable long id, @RequestParam(required = false) List<Integer> ids) {
        Snapshot now = shows.get(id);
        if (ids == null) {
            return PatchView.of(now.show(), now.revision());
        }
        List<Fixture> some = ids.stream()
                .limit(Limits.FIXTURES)
                .flatMap(i -> now.show().patch().find(new FixtureId(i)).stream())
                .toList();
        return PatchView.of(now.show(), some, now.revision());
    }

    /** The paperwork of the demo show, to try taking a hookup in. */
    @GetMapping(value = "/api/demo/hookup", produces = "text/csv;charset=UTF-8")
    String demoHookup() {
        return app.loculus.app.session.DemoShow.paperwork();
    }

    /** The hookup of the show, to be taken in again elsewhere. @param form {@code csv} or {@code xlsx} */
    @GetMapping("/api/shows/{id}/hookup.{form}")
    ResponseEntity<byte[]> paper(@PathVariable long id, @PathVariable String form) {
        Show show = shows.get(id).show();
        boolean workbook = form.equals("xlsx");
        if (!workbook && !form.equals("csv")) {
            throw Refusal.of("hookup.form", "form", "A hookup goes out as csv or xlsx, not as " + form + ".");
        }
        List<HookupRow> rows = HookupPaper.of(show);
        return Download.of(
                show.name(),
                " hookup." + form,
                MediaType.parseMediaType(workbook ? WORKBOOK : "text/csv;charset=UTF-8"),
                workbook ? HookupWriter.workbook(rows) : HookupWriter.csv(rows));
    }

    @PostMapping("/api/shows/{id}/hookup")
    HookupView hookup(@PathVariable long id, @RequestBody HookupRequest request, Asked asked) {
        Paper.Understood paper = request.paper().read();
        HookupReader.Read read = paper.read();
        Snapshot examined = shows.get(id);
        List<RowVerdict> verdicts =
                Hookup.examine(examined.show(), library.profiles(), read.rows(), clashing(request.clashing()));
        boolean preview = Boolean.TRUE.equals(request.preview());
        if (!preview) {
            takeIn(
                    examined,
                    verdicts,
                    asked.editing(
                            false,
                            "",
                            examined.revision(),
                            null,
                            request.text(),
                            Arrays.hashCode(request.file()),
                            request.clashing()));
        }
        return view(preview, paper, verdicts, shows.get(id).revision());
    }

    private void takeIn(Snapshot examined, List<RowVerdict> verdicts, EditRequest madeOn) {
        if (verdicts.isEmpty()) {
            throw Refusal.of(
                    "hookup.columns",
                    "file",
                    "No columns hold the fixture number and the profile.",
                    WayOut.advice("Say which columns do."));
        }
        if (verdicts.stream().noneMatch(v -> v.landing().isPresent())) {
            throw Refusal.of("hookup.none", "file", "Not one row can be taken in.");
        }
        Edited edited = shows.edit(examined.id(), Hookup.takeIn(verdicts), madeOn);
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
    }

    private static Hookup.Clashing clashing(String word) {
        return Arrays.stream(Hookup.Clashing.values())
                .filter(c -> c.name().equalsIgnoreCase(word))
                .findFirst()
                .orElse(Hookup.Clashing.UNPATCHED);
    }

    private static HookupView view(boolean preview, Paper.Understood paper, List<RowVerdict> verdicts, long revision) {
        int landing =
                (int) verdicts.stream().filter(v -> v.landing().isPresent()).count();
        return new HookupView(
                preview,
                Paper.headers(paper.read()),
                Paper.fields(),
                verdicts.stream().map(PatchController::row).toList(),
                landing,
                verdicts.size() - landing,
                paper.remarks(),
                revision);
    }

    private static HookupRowView row(RowVerdict v) {
        HookupRow r = v.row();
        String at = v.landing()
                .map(l -> l.starts().none() ? "no address" : l.starts().toString())
                .orElse("");
        return new HookupRowView(
                r.line(),
                r.number(),
                r.name(),
                r.profile(),
                r.mode(),
                r.address(),
                r.position(),
                r.purpose(),
                v.landing().isPresent(),
                at,
                ProblemView.all(v.problems()));
    }
}
