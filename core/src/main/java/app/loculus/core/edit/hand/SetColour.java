package app.loculus.core.edit.hand;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswer;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Sets the selection to a colour, each fixture in its own way, as plain values. */
public record SetColour(Chromaticity colour) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Touching touching = draft.touching();
        Map<String, Tally> byType = new LinkedHashMap<>();
        for (UnitId held : draft.held().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                show.answers()
                        .answer(show.patch().modeOf(fixture), unit.cell(), colour)
                        .ifPresent(answer -> {
                            touching.setTogether(
                                    unit, all(answer), answer.closings().keySet(), Optional.of(colour));
                            byType.computeIfAbsent(
                                            show.patch().profileOf(fixture).name(), t -> new Tally())
                                    .count(answer);
                        });
            }
        }
        if (byType.isEmpty()) {
            throw Refusal.of("value.nobody", "colour", "Nothing selected can make a colour.");
        }
        draft.setAll(touching.changed());
        draft.say("Colour " + colour);
        byType.forEach((type, tally) ->
                draft.say(tally.units + " × " + type + ": " + tally.answer.way() + ", " + tally.answer.difference()));
    }

    private static final class Tally {
        private int units;
        private ColourAnswer answer;

        void count(ColourAnswer next) {
            units++;
            boolean worse = answer == null
                    || next.difference().deltaUv() > answer.difference().deltaUv();
            answer = worse ? next : answer;
        }
    }

    private static Map<Attribute, AttributeValue> all(ColourAnswer answer) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>(answer.values());
        values.putAll(answer.closings());
        return values;
    }
}
