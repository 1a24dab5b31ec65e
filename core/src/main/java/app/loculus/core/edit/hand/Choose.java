package app.loculus.core.edit.hand;

import app.loculus.core.programmer.Hand;
import app.loculus.core.resolve.Lights;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Selects units. @param asked how it was asked for, which a recipe keeps */
public record Choose(Choice asked, Selection selection) implements ShowEdit {

    public static Choose units(Selection selection) {
        return new Choose(new Choice.Units(selection), selection);
    }

    /** Whoever a choice stands for now. */
    public static ShowEdit of(Choice choice) {
        return draft -> new Choose(choice, draft.chosen(choice)).on(draft);
    }

    /** Meets the selection with a choice: added behind it, taken out of it, or only what is in both. */
    public static ShowEdit joining(Choice.How how, Choice choice) {
        return draft -> {
            Hand hand = draft.hand();
            Selection term = draft.chosen(choice);
            Selection met = how.join(hand.selection(), term, draft.show().patch());
            new Choose(asking(hand, how, choice, met), met).on(draft);
        };
    }

    /** Numbers and numbers are numbers; anything else is remembered as it was put together. */
    private static Choice asking(Hand hand, Choice.How how, Choice choice, Selection met) {
        boolean plain = hand.asking() instanceof Choice.Units && choice instanceof Choice.Units;
        if (hand.selection().isEmpty() && how == Choice.How.PLUS) {
            return choice;
        }
        return plain ? new Choice.Units(met) : Choice.Joined.of(hand.asking(), how, choice);
    }

    @Override
    public void on(Draft draft) {
        // Before they are selected: highlight follows the hand.
        String light = asked.changesWithLight() ? whoLights(draft.lights()) : "";
        draft.hold(draft.hand().choosing(asked, selection));
        draft.say(selection.isEmpty() ? "Nothing selected" : "Selects " + Numbers.count(selection.size(), "unit"));
        if (!light.isEmpty()) {
            draft.say("Lit by " + light);
        }
    }

    /** Which layers hold the light of those that are lit, and of how many. */
    private String whoLights(Lights lights) {
        Map<String, Integer> holders = new TreeMap<>();
        selection.units().stream()
                .filter(u -> lights.level(u) > 0)
                .forEach(u -> holders.merge(lights.holder(u), 1, Integer::sum));
        return holders.entrySet().stream()
                .map(e -> e.getKey() + " (" + e.getValue() + ")")
                .collect(Collectors.joining(", "));
    }
}
