package app.loculus.core.finding;

import app.loculus.core.look.Cue;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.Optional;

/**
 * Where a finding is to be seen.
 *
 * @param what as the line calls it: fixture, group, a kind of palettes, effect, cue, look, submaster, profile, universe
 * @param name its number, or what else it is found by
 * @param list of a cue, its list; else empty
 */
public record Spot(String what, String name, String list) {

    static Spot of(String what, Object number) {
        return new Spot(what, String.valueOf(number), "");
    }

    static Spot of(Palette palette) {
        return of(palette.kind().word(), palette.number());
    }

    /** The cue or submaster that holds a look, or the look itself. */
    static Spot of(Show show, Look look) {
        for (Cue cue : show.all(PartKinds.CUES).values()) {
            if (cue.look().equals(look.id())) {
                return new Spot(
                        "cue",
                        cue.number().toString(),
                        show.list(cue.list())
                                .map(l -> String.valueOf(l.number()))
                                .orElse(""));
            }
        }
        return show.submasters().stream()
                .filter(s -> s.look().equals(look.id()))
                .findFirst()
                .map(s -> of("submaster", s.number()))
                .orElseGet(() -> of("look", look.number().orElse(0)));
    }

    /** As the line writes it: {@code cue 3 of list 1}, {@code colour 5}. */
    String line() {
        return what + " " + name + (list.isEmpty() ? "" : " of list " + list);
    }

    static Optional<Spot> none() {
        return Optional.empty();
    }
}
