package app.loculus.app.api.desk;

import app.loculus.app.session.Shows;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Everything the bench and the niches show. */
@RestController
class DeskController {

    private final Shows shows;

    DeskController(Shows shows) {
        this.shows = shows;
    }

    @GetMapping("/api/shows/{id}/desk")
    DeskView desk(@PathVariable long id) {
        return DeskView.of(shows.get(id).show());
    }

    @GetMapping("/api/shows/{id}/groups")
    List<GroupView> groups(@PathVariable long id) {
        return GroupView.all(shows.get(id).show());
    }

    @GetMapping("/api/shows/{id}/palettes")
    List<PaletteView> palettes(@PathVariable long id) {
        return PaletteView.all(shows.get(id).show());
    }
}
