package app.loculus.core.edit.palette;

import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Removes a palette; whatever followed it keeps its values, as plain ones.
 *
 * @param asValues also in palettes that follow it; without it that is refused and they are named
 */
public record DeletePalette(PaletteId palette, boolean asValues) implements ShowEdit {

    private static final int MOST_NAMED = 6;

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette gone = show.palette(palette).orElseThrow();
        List<Palette> users = show.palettes().stream()
                .filter(p -> p.followed().contains(palette))
                .toList();
        List<Look> looks = LookHolders.following(show, palette);
        if (!(users.isEmpty()
                        && looks.isEmpty()
                        && EffectUsers.of(show, palette).isEmpty())
                && !asValues) {
            throw refusal(show, gone, users, looks);
        }
        List<Effect> effects = EffectUsers.of(show, palette);
        List<Change<?, ?>> left = References.refitted(show, plain(show)).stream()
                .filter(c -> c.of(PartKinds.PALETTES)
                        .filter(p -> p.key().equals(palette))
                        .isEmpty())
                .toList();
        left.forEach(draft::change);
        draft.remove(PartKinds.PALETTES, palette);
        long units =
                left.stream().filter(c -> c.of(PartKinds.VALUES).isPresent()).count();
        draft.say("Deletes " + gone
                + (units == 0
                        ? "; nothing follows it"
                        : "; " + Numbers.count((int) units, "unit") + (units == 1 ? " keeps" : " keep")
                                + " its values as plain ones"));
        if (!users.isEmpty()) {
            draft.say("Made from it, and now of plain values: " + names(users));
        }
        if (!looks.isEmpty()) {
            draft.say("Of plain values now: " + looks(show, looks));
        }
        if (!effects.isEmpty()) {
            draft.say("No longer through it: " + EffectUsers.names(effects));
        }
        String groups = References.groups(left);
        if (!groups.isEmpty()) {
            draft.say("Made from those that use it, and now of the units there are: " + groups);
        }
    }

    private static Refusal refusal(Show show, Palette gone, List<Palette> users, List<Look> looks) {
        return Refusal.of(
                "palette.used",
                "palette",
                gone + " is followed by "
                        + Stream.of(
                                        names(users),
                                        looks(show, looks),
                                        EffectUsers.names(EffectUsers.of(show, gone.id())))
                                .filter(t -> !t.isEmpty())
                                .collect(Collectors.joining(", "))
                        + ".",
                WayOut.line(
                        "Delete it and leave plain values there",
                        "delete " + gone.kind().word() + " " + gone.number() + " as values"));
    }

    private static String names(List<Palette> palettes) {
        return palettes.stream().map(Palette::toString).collect(Collectors.joining(", "));
    }

    private static String looks(Show show, List<Look> looks) {
        return looks.stream()
                        .limit(MOST_NAMED)
                        .map(l -> LookHolders.words(show, l))
                        .collect(Collectors.joining(", "))
                + (looks.size() > MOST_NAMED ? " and " + (looks.size() - MOST_NAMED) + " more looks" : "");
    }

    /** Plain values instead of the palette, each as its unit has it now. */
    private Refit plain(Show show) {
        return new Refit() {
            @Override
            public boolean keepsPalette(PaletteId other) {
                return !other.equals(palette);
            }

            @Override
            public Selection standing(Choice choice) {
                return show.chosen(choice);
            }

            @Override
            public List<Entry> entries(Palette of, List<Entry> entries) {
                return PlainEntries.without(show, palette, of, entries);
            }

            @Override
            public UnitValues values(UnitId unit, UnitValues values) {
                if (!values.followed().contains(palette)) {
                    return values;
                }
                Map<Attribute, Touched> plain = new LinkedHashMap<>(values.byAttribute());
                plain.values().removeIf(t -> t.value().followed().equals(Optional.of(palette)));
                show.resolver().held(unit, values).forEach((attribute, held) -> {
                    if (held.from().equals(Optional.of(palette))) {
                        plain.put(attribute, new Touched(held.plain(), held.touched(), held.companion()));
                    }
                });
                return new UnitValues(
                        plain, values.asked().or(() -> show.palette(palette).flatMap(Palette::intent)));
            }
        };
    }
}
