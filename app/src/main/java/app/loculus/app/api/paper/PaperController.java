package app.loculus.app.api.paper;

import app.loculus.app.api.Download;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.paper.GroupsSheet;
import app.loculus.core.paper.LooksSheet;
import app.loculus.core.paper.Sheet;
import app.loculus.core.problem.Refusal;
import app.loculus.formats.paper.PaperWriter;
import java.time.LocalDate;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Sheets of a show, set as PDF. */
@RestController
class PaperController {

    private final Shows shows;

    PaperController(Shows shows) {
        this.shows = shows;
    }

    /** @param sheet groups or looks */
    @GetMapping("/api/shows/{id}/paper/{sheet}.pdf")
    ResponseEntity<byte[]> paper(@PathVariable long id, @PathVariable String sheet) {
        Snapshot snapshot = shows.get(id);
        Sheet found = switch (sheet) {
            case "groups" -> GroupsSheet.of(snapshot.show());
            case "looks" -> LooksSheet.of(snapshot.show());
            default ->
                throw Refusal.of("paper.sheet", "sheet", "Paper is made of groups or looks, not of " + sheet + ".");
        };
        String name = snapshot.show().name();
        String state = "revision " + snapshot.revision() + ", printed " + LocalDate.now();
        return Download.of(
                name, " " + sheet + ".pdf", MediaType.APPLICATION_PDF, PaperWriter.write(found, name, state));
    }
}
