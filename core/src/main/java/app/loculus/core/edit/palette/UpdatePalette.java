package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Takes what was changed by hand back into the palette it followed before; those follow it again then.
 *
 * @param scope for whom; worked out from the values when absent. Per fixture, nobody else changes; per type, it is the
 *     correction of those types
 */
public record UpdatePalette(PaletteId palette, Optional<Scope> scope) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        draft.reads(PartKinds.PALETTES, palette);
        List<UnitId> changed = changed(show, palette);
        if (changed.isEmpty()) {
            throw Refusal.of(
                    "palette.update",
                    "palette",
                    "Nothing that follows " + before + " has been changed by hand.",
                    WayOut.advice("Apply it, change values, then take them back into it."));
        }
        What what = new What(
                before.kind() == Kind.COMBINED ? Set.of() : kinds(show, before),
                List.of(),
                List.of(),
                false,
                false,
                false,
                app.loculus.core.palette.Joining.Intent.AS_FITS);
        new RecordPalette(
                        before.kind(),
                        Optional.of(before.number()),
                        Optional.empty(),
                        scope,
                        RecordPalette.Onto.MERGE,
                        what)
                .from(draft, Contributions.of(draft, before.kind(), what, changed));
        Map<UnitId, UnitValues> back = new LinkedHashMap<>();
        changed.forEach(unit -> back.put(unit, following(show.programmer().of(unit))));
        draft.setAll(back);
        draft.say(Numbers.count(changed.size(), "unit") + (changed.size() == 1 ? " follows" : " follow") + " it again");
    }

    /** Units selected, or all, with something that followed the palette before. */
    public static List<UnitId> changed(Show show, PaletteId palette) {
        return Contributions.units(show).stream()
                .filter(u -> show.programmer().of(u).byAttribute().values().stream()
                        .anyMatch(t -> t.was().equals(Optional.of(palette))))
                .toList();
    }

    /** What it holds beside its own kind was recorded on purpose. */
    private static Set<Kind> kinds(Show show, Palette palette) {
        return palette.entries().stream()
                .filter(e -> !e.companion())
                .flatMap(e -> show.profiles().all().stream()
                        .filter(p -> p.attributes().stream()
                                .anyMatch(d -> d.attribute().equals(e.attribute())))
                        .map(p -> p.kindOf(e.attribute())))
                .filter(k -> k != palette.kind())
                .collect(java.util.stream.Collectors.toSet());
    }

    private UnitValues following(UnitValues values) {
        Map<Attribute, Touched> all = new LinkedHashMap<>();
        values.byAttribute()
                .forEach((attribute, t) -> all.put(
                        attribute,
                        t.was().equals(Optional.of(palette))
                                ? new Touched(new AttributeValue.Reference(palette), t.touched(), t.companion())
                                : t));
        return new UnitValues(all);
    }
}
