package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Takes what one palette holds into another one: its entries win, others stay; the first one stays as it is. */
public record JoinPalettes(PaletteId from, PaletteId into) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        draft.reads(PartKinds.PALETTES, from);
        Palette source = show.palette(from).orElseThrow();
        Palette before = show.palette(into).orElseThrow();
        if (from.equals(into)) {
            throw Refusal.of("palette.same", "palette", before + " cannot be taken into itself.");
        }
        Map<String, Entry> all = new LinkedHashMap<>();
        // The mix of a colour counts as one: emitters of two mixes make neither of them.
        Set<ScopeKey> mixed = source.entries().stream()
                .filter(e -> e.attribute().isMix())
                .map(Entry::scope)
                .collect(Collectors.toSet());
        before.entries().stream()
                .filter(e -> !e.attribute().isMix() || !mixed.contains(e.scope()))
                .forEach(e -> all.put(e.scope() + " " + e.attribute(), e));
        source.entries().forEach(e -> all.put(e.scope() + " " + e.attribute(), e));
        Palette after = before.holding(List.copyOf(all.values()))
                .standingFor(before.intent().or(source::intent));
        draft.put(after);
        draft.say("Takes " + source + " into " + before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }
}
