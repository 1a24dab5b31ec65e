package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;

/**
 * Changes one value within a palette, or takes it out.
 *
 * @param value absent: it is taken out
 */
public record EditEntry(PaletteId palette, ScopeKey scope, Attribute attribute, Optional<AttributeValue> value)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        Entry held = before.entries(scope).get(attribute);
        if (held == null) {
            throw Refusal.of(
                    "palette.entry",
                    "attribute",
                    before + " holds no " + attribute + " for " + PaletteWords.owner(show, scope) + ".");
        }
        List<Entry> all = before.entries().stream()
                .flatMap(e -> e.equals(held)
                        ? value.map(v -> new Entry(scope, attribute, v, e.companion())).stream()
                        : java.util.stream.Stream.of(e))
                .toList();
        Palette after = before.holding(all);
        draft.put(after);
        draft.say(before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }
}
