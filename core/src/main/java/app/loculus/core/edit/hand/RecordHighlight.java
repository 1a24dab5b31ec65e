package app.loculus.core.edit.hand;

import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Makes what is touched on the units in hand the look of highlight: for every type, or for the types in hand alone. Of
 * several values of one attribute the first in the order of the selection counts.
 */
public record RecordHighlight(boolean perType) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Map<Optional<ProfileId>, Map<Attribute, AttributeValue>> found = new LinkedHashMap<>();
        for (UnitId unit : draft.held().units()) {
            draft.reads(PartKinds.VALUES, unit);
            collect(draft.show(), unit, found);
        }
        if (found.isEmpty()) {
            throw Refusal.of(
                    "highlight.empty",
                    "selection",
                    "Nothing is touched on what is in hand.",
                    WayOut.advice("Set what highlight is to look like first, for example at full white at 5600 k."));
        }
        HighlightLook look = draft.show().get(PartKinds.HIGHLIGHT, Whole.SHOW);
        for (Map.Entry<Optional<ProfileId>, Map<Attribute, AttributeValue>> e : found.entrySet()) {
            look = look.with(e.getKey(), e.getValue());
        }
        draft.put(PartKinds.HIGHLIGHT, Whole.SHOW, look);
        int values = found.values().stream().mapToInt(Map::size).sum();
        draft.say("Highlight shows these " + Numbers.count(values, "value")
                + (perType ? " for " + Numbers.count(found.size(), "type") : " for every type"));
    }

    private void collect(Show show, UnitId unit, Map<Optional<ProfileId>, Map<Attribute, AttributeValue>> found) {
        ProfileId type = show.patch().get(unit.fixture()).profile();
        show.programmer()
                .of(unit)
                .byAttribute()
                .forEach((attribute, touched) -> show.resolver()
                        .plain(unit, attribute, touched.value())
                        .ifPresent(value -> found.computeIfAbsent(
                                        perType ? Optional.of(type) : Optional.empty(), t -> new LinkedHashMap<>())
                                .putIfAbsent(attribute, value)));
    }
}
