package app.loculus.core.edit.hand;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Layer;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Only some fixtures give light, everything else being at home; used to bring fixtures up. */
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

    /**
     * The layers that make it so: what lies below does not count.
     *
     * @param owner whose they are
     * @param percent intensity, 0 to 100
     * @param sinceMillis when they came
     */
    public static List<Layer> layers(
            Show show, List<FixtureId> fixtures, Look look, double percent, String owner, long sinceMillis) {
        Show lit = of(show, fixtures, look, percent);
        Set<UnitId> shownOff = look == Look.HIGHLIGHT
                ? fixtures.stream().map(UnitId::whole).collect(Collectors.toCollection(LinkedHashSet::new))
                : Set.of();
        return List.of(
                new Layer.Values(
                        owner,
                        sinceMillis,
                        Layer.Merge.LATEST,
                        true,
                        lit.programmer().values()),
                new Layer.Highlighted(owner, sinceMillis, shownOff, HighlightLook.PROFILES, List.of()));
    }

    private static Show of(Show show, List<FixtureId> fixtures, Look look, double percent) {
        Selection these = Selection.of(fixtures.stream().map(UnitId::whole).toList());
        Show dark = with(show, Hand.EMPTY.choosing(these));
        Show lit = applied(dark, new SetSpread("Dimmer", Spread.of(percent), Amount.PERCENT, Optional.empty()));
        return switch (look) {
            case OPEN, HIGHLIGHT -> lit;
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
        ShowEdit alone = draft -> {
            draft.hold(hand);
            Map<UnitId, UnitValues> none = new LinkedHashMap<>();
            show.programmer().values().keySet().forEach(unit -> none.put(unit, UnitValues.NONE));
            draft.setAll(none);
        };
        return alone.apply(show).show();
    }
}
