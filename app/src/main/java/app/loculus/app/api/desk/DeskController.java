package app.loculus.app.api.desk;

import app.loculus.app.session.Shows;
import app.loculus.core.colour.ColourPlane;
import app.loculus.core.desk.ColourMatch;
import app.loculus.core.desk.ValueTable;
import app.loculus.core.edit.group.Starter;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Everything the bench and the niches show. */
@RestController
class DeskController {

    private static final int MOST_ROWS = 500;

    private final Shows shows;

    DeskController(Shows shows) {
        this.shows = shows;
    }

    @GetMapping("/api/shows/{id}/desk")
    DeskView desk(@PathVariable long id) {
        return DeskView.of(shows.seen(id));
    }

    /** How colours selected stand to that of one fixture. @param reference its number */
    @GetMapping("/api/shows/{id}/match/{reference}")
    ColourMatch match(@PathVariable long id, @PathVariable int reference) {
        Show show = shows.seen(id);
        return ColourMatch.of(show, UnitId.whole(show.patch().number(reference).id()));
    }

    /**
     * The selection, unit by unit and attribute by attribute.
     *
     * @param touched only what would be recorded
     * @param from place of the first row; @param rows at most so many, and never more than 500
     */
    @GetMapping("/api/shows/{id}/values")
    ValueTable values(
            @PathVariable long id,
            @RequestParam(defaultValue = "false") boolean touched,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int rows) {
        return ValueTable.of(shows.seen(id), new ValueTable.Window(touched, from, Math.min(rows, MOST_ROWS)));
    }

    /**
     * A page of niches.
     *
     * @param of group, or the kind of its palettes
     * @param first number of the first niche
     */
    record NichePageView(String of, String name, int first, int columns, int rows) {}

    /** Pages of groups and of palettes, by where they begin. */
    @GetMapping("/api/shows/{id}/pages")
    List<NichePageView> pages(@PathVariable long id) {
        return shows.seen(id).nichePages().stream()
                .map(p -> new NichePageView(p.subject(), p.name(), p.first(), p.columns(), p.rows()))
                .toList();
    }

    @GetMapping("/api/shows/{id}/groups")
    List<GroupView> groups(@PathVariable long id) {
        return GroupView.all(shows.seen(id));
    }

    /**
     * @param family type, position or purpose; @param share whole, left, right …
     * @param recipe as the line writes it
     * @param units labels of who it would be now
     * @param there the group that holds the same already, empty when none does
     */
    record StarterView(
            String name, String family, String share, String base, String recipe, List<String> units, String there) {}

    /** Groups that are obvious from the patch. */
    @GetMapping("/api/shows/{id}/groups/starters")
    List<StarterView> starters(@PathVariable long id) {
        Show show = shows.seen(id);
        return Starter.of(show).stream()
                .map(s -> new StarterView(
                        s.name(),
                        s.family(),
                        s.share(),
                        show.words(s.recipe().base()),
                        show.words(s.recipe().choice()),
                        s.units().units().stream().map(show::label).toList(),
                        s.there().orElse("")))
                .toList();
    }

    /** @param rgb three octets a point, row by row from the top, in Base64 */
    record ColourPlaneView(int width, int height, double uFrom, double uTo, double vFrom, double vTo, byte[] rgb) {}

    private static final int PLANE_WIDTH = 52;
    private static final int PLANE_HEIGHT = 59;

    /** Every colour by its place in u′v′, as a screen shows it. */
    @GetMapping("/api/colour-plane")
    ColourPlaneView colourPlane() {
        return new ColourPlaneView(
                PLANE_WIDTH,
                PLANE_HEIGHT,
                ColourPlane.U_FROM,
                ColourPlane.U_TO,
                ColourPlane.V_FROM,
                ColourPlane.V_TO,
                ColourPlane.picture(PLANE_WIDTH, PLANE_HEIGHT));
    }
}
