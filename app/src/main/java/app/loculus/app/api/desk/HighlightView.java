package app.loculus.app.api.desk;

import app.loculus.core.edit.highlight.HighlightWords;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import java.util.List;

/**
 * What highlight looks like.
 *
 * @param lines what is said here, where the profiles' own do not count: a type and its values each
 * @param without types that cannot show some of it
 * @param rest percent of its light that everything else keeps; −1: it stays as it is
 */
record HighlightView(List<String> lines, List<String> without, int rest) {

    static HighlightView of(Show show) {
        HighlightLook look = show.get(PartKinds.HIGHLIGHT, Whole.SHOW);
        return new HighlightView(
                HighlightWords.lines(show, look),
                HighlightWords.without(show, look),
                look.rest().map(r -> (int) Math.round(r.value() * 100)).orElse(-1));
    }
}
