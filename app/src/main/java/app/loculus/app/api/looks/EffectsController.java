package app.loculus.app.api.looks;

import app.loculus.app.output.LiveOutput;
import app.loculus.app.session.Shows;
import app.loculus.core.edit.starter.StarterEffects;
import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Effects: those that are kept, those that are set, and the obvious ones. */
@RestController
class EffectsController {

    private final Shows shows;
    private final LiveOutput output;

    EffectsController(Shows shows, LiveOutput output) {
        this.shows = shows;
        this.output = output;
    }

    /** @param effects those with a number in its order, then those that are set and not recorded */
    record EffectsView(List<EffectView> effects) {}

    @GetMapping("/api/shows/{id}/effects")
    EffectsView effects(@PathVariable long id) {
        Show show = shows.seen(id);
        Beats beats = output.beats(id);
        List<Effect> all = new ArrayList<>(show.effects());
        show.all(PartKinds.EFFECTS).values().stream()
                .filter(e -> e.number().isEmpty())
                .forEach(all::add);
        return new EffectsView(
                all.stream().map(e -> EffectView.of(show, e, beats)).toList());
    }

    /**
     * One that is obvious from the patch.
     *
     * @param there whether the show has one of its name
     * @param able how many fixtures can do it
     * @param trial what it would look like
     */
    record StarterEffectView(EffectView effect, boolean there, int able, EffectTrial trial) {}

    @GetMapping("/api/shows/{id}/effects/starters")
    List<StarterEffectView> starters(@PathVariable long id) {
        Show show = shows.get(id).show();
        Set<String> there = show.effects().stream()
                .map(e -> e.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
        return StarterEffects.of(show).stream()
                .map(e -> new StarterEffectView(
                        EffectView.of(show, e, Beats.STILL),
                        there.contains(e.name().toLowerCase(Locale.ROOT)),
                        StarterEffects.able(show, e).size(),
                        EffectTrial.of(show, e)))
                .toList();
    }
}
