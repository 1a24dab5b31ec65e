package app.loculus.app.api.desk;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.desk.Reachable;
import app.loculus.core.desk.ValueRow;
import app.loculus.core.desk.ValueRows;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.edit.palette.UpdatePalette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Taken;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * The selection and what it is doing.
 *
 * @param steps labels of the units of each step, in order
 * @param rest labels of what the patterns leave
 * @param asked how what the patterns take from was asked for, as the line writes it
 * @param recent selections before this one, the latest first
 * @param pictures what further patterns would take of it
 * @param grid rows and columns, where a pattern goes by them
 * @param groups all or some, by the number of each group of which something is selected
 * @param look what highlight looks like
 * @param list the cue list that is chosen, by its id; −1 when there is none
 * @param holds the selection in words
 * @param gamuts colours that the types selected can make
 * @param uses palettes that working values follow, or followed before they were changed by hand
 * @param touchedUnits how many units have working values
 */
record DeskView(
        List<List<String>> steps,
        List<String> rest,
        List<String> patterns,
        String asked,
        List<RecentView> recent,
        List<PatternPicture> pictures,
        GridView grid,
        Map<Integer, String> groups,
        HighlightView look,
        int list,
        int share,
        int shares,
        boolean highlight,
        String holds,
        int touchedUnits,
        List<ValueRow> values,
        List<GamutView> gamuts,
        List<UseView> uses,
        int nextGroup,
        int nextColour) {

    static DeskView of(Show show) {
        Hand hand = show.hand();
        Taken taken = hand.taken(show.patch());
        return new DeskView(
                hand.selection().steps().stream()
                        .map(s -> s.units().stream().map(show::label).toList())
                        .toList(),
                hand.rest().units().stream().map(show::label).toList(),
                hand.patterns().stream().map(Pattern::words).toList(),
                show.words(hand.asked()),
                hand.recent().stream().map(r -> RecentView.of(show, r)).toList(),
                PatternPicture.all(show),
                GridView.of(show),
                HeldGroups.of(show),
                HighlightView.of(show),
                LookFinder.maybeChosen(show).map(l -> l.id().value()).orElse(-1),
                taken.share(),
                taken.shares(),
                hand.highlight(),
                holds(show, hand),
                show.programmer().values().size(),
                new ValueRows(show).rows(),
                GamutView.all(show),
                UseView.all(show),
                app.loculus.core.edit.group.RecordGroup.nextFree(show),
                app.loculus.core.edit.palette.PaletteFinder.nextFree(show, app.loculus.core.profile.Kind.COLOUR));
    }

    /**
     * A palette that working values follow, or followed.
     *
     * @param used units that follow it
     * @param changed units that followed it and were changed by hand since: of the selected, or of all when nothing is
     */
    record UseView(String kind, int number, int used, int changed) {

        static List<UseView> all(Show show) {
            Map<PaletteId, Integer> used = new LinkedHashMap<>();
            show.programmer().values().values().forEach(values -> {
                values.followed().forEach(p -> used.merge(p, 1, Integer::sum));
                values.byAttribute().values().stream()
                        .flatMap(t -> t.was().stream())
                        .forEach(p -> used.putIfAbsent(p, 0));
            });
            return used.entrySet().stream()
                    .flatMap(e -> show
                            .palette(e.getKey())
                            .map(p -> new UseView(
                                    p.kind().word(),
                                    p.number(),
                                    e.getValue(),
                                    UpdatePalette.changed(show, p.id()).size()))
                            .stream())
                    .toList();
        }
    }

    /** Colours a type can make, in u′v′. @param outlines corners in order; @param slots those of its wheels */
    record GamutView(String type, List<List<PlaneView>> outlines, List<PlaneView> slots) {

        /** @param u u′; @param v v′ */
        record PlaneView(double u, double v) {
            static PlaneView of(Chromaticity c) {
                return new PlaneView(c.u(), c.v());
            }
        }

        static List<GamutView> all(Show show) {
            return Reachable.all(show).stream()
                    .map(r -> new GamutView(
                            r.type(),
                            r.outlines().stream()
                                    .map(o -> o.stream().map(PlaneView::of).toList())
                                    .toList(),
                            r.slots().stream().map(PlaneView::of).toList()))
                    .toList();
        }
    }

    /** @param words in short; @param units how many */
    record RecentView(String words, int units) {

        private static final int LONGEST = 60;

        static RecentView of(Show show, Selection selection) {
            String words = show.words(new Choice.Units(selection));
            return new RecentView(
                    words.length() <= LONGEST ? words : words.substring(0, LONGEST - 1) + "…", selection.size());
        }
    }

    private static String holds(Show show, Hand hand) {
        Map<String, Integer> types = new LinkedHashMap<>();
        for (UnitId unit : hand.selection().units()) {
            types.merge(show.patch().profileOf(show.patch().get(unit.fixture())).name(), 1, Integer::sum);
        }
        return types.size() > 3
                ? Numbers.count(types.size(), "type")
                : types.entrySet().stream()
                        .map(e -> e.getValue() + " " + e.getKey())
                        .collect(Collectors.joining(", "));
    }
}
