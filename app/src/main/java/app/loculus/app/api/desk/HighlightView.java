package app.loculus.app.api.desk;

import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;

/**
 * What highlight looks like.
 *
 * @param settings how many values are said here, where the profiles' own do not count
 * @param types for how many types on their own
 * @param rest percent of its light that everything else keeps; −1: it stays as it is
 */
record HighlightView(int settings, int types, int rest) {

    static HighlightView of(Show show) {
        HighlightLook look = show.get(PartKinds.HIGHLIGHT, Whole.SHOW);
        return new HighlightView(
                look.settings().size(),
                (int) look.settings().stream()
                        .flatMap(s -> s.type().stream())
                        .distinct()
                        .count(),
                look.rest().map(r -> (int) Math.round(r.value() * 100)).orElse(-1));
    }
}
