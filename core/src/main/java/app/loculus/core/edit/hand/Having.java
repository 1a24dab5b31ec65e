package app.loculus.core.edit.hand;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What the selected have to be set. */
final class Having {

    /** More than anybody reads in a refusal. */
    private static final int MOST = 24;

    private Having() {}

    /** That nothing selected has an attribute, and what they have instead. @param wanted as it was asked for */
    static Refusal nobody(Draft draft, String wanted) {
        List<String> words = words(draft.show());
        return Refusal.of(
                "value.nobody",
                "attribute",
                "Nothing selected has " + wanted + ".",
                WayOut.advice(
                        words.isEmpty()
                                ? "The selection has no attributes."
                                : "It has " + String.join(", ", words.subList(0, Math.min(MOST, words.size())))
                                        + (words.size() > MOST ? " and " + (words.size() - MOST) + " more." : ".")));
    }

    private static List<String> words(Show show) {
        Set<String> words = new LinkedHashSet<>();
        for (UnitId held : show.hand().selection().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                Profile profile = show.patch().profileOf(fixture);
                for (Attribute attribute :
                        show.patch().modeOf(fixture).parameters(unit.cell()).keySet()) {
                    words.add(profile.definition(attribute).pretty());
                }
            }
        }
        return List.copyOf(words);
    }
}
