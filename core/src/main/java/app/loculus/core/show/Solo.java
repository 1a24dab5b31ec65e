package app.loculus.core.show;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** A show in which only some fixtures give light, everything else being at home; used to bring fixtures up. */
public final class Solo {

    /** What the fixtures show. */
    public enum Look {
        /** Open, as they are at home. */
        OPEN,
        /** What the profile calls its highlight. */
        HIGHLIGHT,
        RED,
        GREEN,
        BLUE;

        public static Look of(String word) {
            return Stream.of(values())
                    .filter(l -> l.name().equalsIgnoreCase(word))
                    .findFirst()
                    .orElse(OPEN);
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final Chromaticity RED = new Chromaticity(0.64, 0.33);
    private static final Chromaticity GREEN = new Chromaticity(0.30, 0.60);
    private static final Chromaticity BLUE = new Chromaticity(0.15, 0.06);

    private Solo() {}

    /** @param percent intensity, 0 to 100 */
    public static Show of(Show show, List<FixtureId> fixtures, Look look, double percent) {
        Selection these = Selection.of(fixtures.stream().map(UnitId::whole).toList());
        Show dark = with(show, Hand.EMPTY.choosing(these));
        Show lit = applied(dark, new SetSpread("Dimmer", Spread.of(percent), Amount.PERCENT, Optional.empty()));
        return switch (look) {
            case OPEN -> lit;
            case HIGHLIGHT -> applied(lit, new Highlight(true));
            case RED -> applied(lit, new SetColour(RED));
            case GREEN -> applied(lit, new SetColour(GREEN));
            case BLUE -> applied(lit, new SetColour(BLUE));
        };
    }

    private static Show applied(Show show, ShowEdit edit) {
        Outcome outcome = edit.apply(show);
        return outcome.refused() ? show : outcome.show();
    }

    private static Show with(Show show, Hand hand) {
        List<Change> changes = new ArrayList<>();
        changes.add(new Change.OfHand(show.hand(), hand));
        show.programmer()
                .values()
                .forEach((unit, values) -> changes.add(new Change.OfValues(unit, values, UnitValues.NONE)));
        return show.with(new Delta(changes));
    }
}
