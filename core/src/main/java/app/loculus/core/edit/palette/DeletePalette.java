package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;

/** Removes a palette; whatever followed it keeps its values, as plain ones. */
public record DeletePalette(PaletteId palette) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette gone = show.palette(palette).orElseThrow();
        List<Change<?, ?>> left = References.refitted(show, plain(show));
        left.forEach(draft::change);
        draft.remove(PartKinds.PALETTES, palette);
        long units =
                left.stream().filter(c -> c.of(PartKinds.VALUES).isPresent()).count();
        draft.say("Deletes " + gone
                + (units == 0
                        ? "; nothing follows it"
                        : "; " + Numbers.count((int) units, "unit") + (units == 1 ? " keeps" : " keep")
                                + " its values as plain ones"));
        String groups = References.groups(left);
        if (!groups.isEmpty()) {
            draft.say("Made from those that use it, and now of the units there are: " + groups);
        }
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
            public Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
                return value.value().followed().filter(palette::equals).isEmpty()
                        ? Optional.of(value)
                        : show.resolver()
                                .plain(unit, attribute, value.value())
                                .map(v -> new Touched(v, value.touched(), value.companion()));
            }
        };
    }
}
