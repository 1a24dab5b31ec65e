package app.loculus.app.api.desk;

import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Grid;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Sort;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What a pattern would take of the selection.
 *
 * @param words the pattern as the line writes it
 * @param steps how many steps it would make
 * @param taken for units selected, in order, the step each would stand in, from 1; 0 for one that would be left
 */
record PatternPicture(String words, int steps, List<Integer> taken) {

    /** More bars than this are not told apart; of a larger selection so many are drawn. */
    private static final int MOST_BARS = 24;

    private static List<Pattern> offered() {
        Stream<Pattern> sharing = Stream.of(
                new Pattern.EveryNth(2, 1),
                new Pattern.EveryNth(3, 1),
                new Pattern.EveryNth(4, 1),
                new Pattern.Part(1, 2),
                new Pattern.Part(1, 3),
                new Pattern.Part(1, 4));
        Stream<Pattern> arranging = Stream.of(
                new Pattern.Blocks(2),
                new Pattern.Mirror(),
                new Pattern.Reverse(),
                Grid.by(Grid.Way.ROWS),
                Grid.by(Grid.Way.COLUMNS),
                Grid.of(Grid.Way.COLUMNS, 6),
                Sort.by(Sort.By.OUTWARD));
        return Stream.concat(sharing, arranging).toList();
    }

    /** Drawn from the selection now. */
    static List<PatternPicture> all(Show show) {
        Selection held = show.hand().selection();
        return held.isEmpty()
                ? List.of()
                : offered().stream().map(p -> of(show, held, p)).toList();
    }

    private static PatternPicture of(Show show, Selection held, Pattern pattern) {
        List<Step> steps = pattern.take(held.steps(), show.patch());
        Map<UnitId, Integer> place = new HashMap<>();
        for (int i = 0; i < steps.size(); i++) {
            for (UnitId unit : steps.get(i).units()) {
                place.put(unit, i + 1);
            }
        }
        List<UnitId> units = held.units();
        int bars = Math.min(MOST_BARS, units.size());
        List<Integer> taken = new ArrayList<>();
        // What recurs is drawn from the beginning: taken here and there it would show something else.
        boolean recurring = pattern instanceof Pattern.EveryNth || pattern instanceof Pattern.Blocks;
        for (int i = 0; i < bars; i++) {
            boolean each = recurring || bars == units.size();
            UnitId unit = units.get(each ? i : (int) ((long) i * (units.size() - 1) / (bars - 1)));
            taken.add(place.getOrDefault(unit, 0));
        }
        return new PatternPicture(pattern.words(), steps.size(), taken);
    }
}
