package app.loculus.app.api.looks;

import app.loculus.app.rig.RigForeseen;
import app.loculus.app.session.Shows;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.look.LookContents;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.edit.look.LookLight;
import app.loculus.core.edit.look.Taking;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.Look;
import app.loculus.core.problem.Refusal;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Locale;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What is kept to be played. */
@RestController
class LooksController {

    /**
     * Units that stand alike in a cue.
     *
     * @param who as a group where they are just those, else by number
     * @param kind of what it is about; @param what kind or attribute
     * @param was before, empty when nothing was set
     * @param stands changes, same or carried
     * @param plain whether it follows no palette, intensity aside
     * @param units labels of the units
     */
    record ContentRow(
            String who,
            String kind,
            String what,
            String value,
            String was,
            String stands,
            boolean plain,
            List<String> units) {}

    private final Shows shows;

    LooksController(Shows shows) {
        this.shows = shows;
    }

    @GetMapping("/api/shows/{id}/looks")
    LooksView looks(@PathVariable long id) {
        return LooksView.of(shows.get(id).show());
    }

    /** What stands at a cue, against the cue before it. @param cue its id */
    @GetMapping("/api/shows/{id}/cues/{cue}")
    List<ContentRow> cue(@PathVariable long id, @PathVariable int cue) {
        Show show = shows.get(id).show();
        return rows(LookContents.of(show, found(show, cue)));
    }

    /**
     * How one state differs from another.
     *
     * @param cue id of a cue; @param other id of the cue it is held against, 0 for what is on stage now
     */
    @GetMapping("/api/shows/{id}/cues/{cue}/against/{other}")
    List<ContentRow> against(@PathVariable long id, @PathVariable int cue, @PathVariable int other) {
        Show show = shows.get(id).show();
        return rows(LookContents.between(
                show,
                other == 0 ? Taking.onStage(shows.seen(id)) : LookContents.standing(show, found(show, other)),
                LookContents.standing(show, found(show, cue))));
    }

    /** The rig as it would be lit if a cue stood alone, in the octets of the live feed. @param cue its id */
    @GetMapping(value = "/api/shows/{id}/cues/{cue}/light", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    byte[] cueLight(@PathVariable long id, @PathVariable int cue) {
        Show show = shows.get(id).show();
        return lit(show, LookLight.of(show, found(show, cue)));
    }

    /** The same for a submaster, full up, or a look. @param kind submaster or look; @param number its number */
    @GetMapping(
            value = "/api/shows/{id}/kept/{kind}/{number}/light",
            produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    byte[] keptLight(@PathVariable long id, @PathVariable String kind, @PathVariable int number) {
        Show show = shows.get(id).show();
        return lit(
                show,
                kind.equals("submaster")
                        ? LookLight.of(show, LookFinder.submaster(show, number))
                        : LookLight.of(show, LookFinder.look(show, number)));
    }

    private static byte[] lit(Show show, Scene scene) {
        return RigForeseen.of(show.patch(), new FrameRenderer().render(scene)::slots);
    }

    private static Cue found(Show show, int cue) {
        return show.find(PartKinds.CUES, new CueId(cue))
                .orElseThrow(() -> Refusal.of("cue.unknown", "cue", "There is no such cue."));
    }

    /** What a submaster or a look holds. @param kind submaster or look; @param number its number */
    @GetMapping("/api/shows/{id}/kept/{kind}/{number}")
    List<ContentRow> kept(@PathVariable long id, @PathVariable String kind, @PathVariable int number) {
        Show show = shows.get(id).show();
        Look look = kind.equals("submaster")
                ? show.look(LookFinder.submaster(show, number).look())
                : LookFinder.look(show, number);
        return rows(LookContents.of(show, look.values()));
    }

    private static List<ContentRow> rows(List<LookContents.Row> rows) {
        return rows.stream()
                .map(r -> new ContentRow(
                        r.who(),
                        r.kind().word(),
                        r.what(),
                        r.value(),
                        r.was(),
                        r.stands().name().toLowerCase(Locale.ROOT),
                        r.plain(),
                        r.units()))
                .toList();
    }
}
