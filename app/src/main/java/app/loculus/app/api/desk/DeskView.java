package app.loculus.app.api.desk;

import app.loculus.core.desk.ValueRow;
import app.loculus.core.desk.ValueRows;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What is in hand and what it is doing.
 *
 * @param steps labels of the units of each step, in order
 * @param rest labels of what the patterns leave
 * @param holds the selection in words
 * @param touchedUnits how many units have working values
 */
record DeskView(
        List<List<String>> steps,
        List<String> rest,
        List<String> patterns,
        int share,
        int shares,
        boolean highlight,
        String holds,
        int touchedUnits,
        List<ValueRow> values,
        int nextGroup,
        int nextColour) {

    static DeskView of(Show show) {
        Hand hand = show.hand();
        return new DeskView(
                hand.selection().steps().stream()
                        .map(s -> s.units().stream().map(show::label).toList())
                        .toList(),
                hand.rest().units().stream().map(show::label).toList(),
                hand.patterns().stream().map(Pattern::words).toList(),
                hand.share(),
                hand.patterns().isEmpty() ? 1 : hand.shares(),
                hand.highlight(),
                holds(show, hand),
                show.programmer().values().size(),
                new ValueRows(show).rows(),
                app.loculus.core.edit.group.RecordGroup.nextFree(show),
                app.loculus.core.edit.palette.PaletteFinder.nextFree(show, app.loculus.core.profile.Kind.COLOUR));
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
