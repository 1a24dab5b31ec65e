package app.loculus.core.edit.look;

import app.loculus.core.edit.palette.ApplyPalette;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Lets units follow a palette in a look, whatever is selected. */
public record GiveInLook(LookId look, Choice units, PaletteId palette) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Look before = show.look(look);
        Palette given = show.palette(palette).orElseThrow();
        draft.reads(PartKinds.LOOKS, look);
        draft.reads(PartKinds.PALETTES, palette);
        List<UnitId> to = ApplyPalette.living(show, draft.chosen(units).units());
        Touching touching = draft.touching(before.values());
        if (ApplyPalette.onto(touching, show, given, to, false) == 0) {
            throw Refusal.of(
                    "palette.nobody",
                    "palette",
                    "None of these follows " + given + ": " + ApplyPalette.why(show, given, to) + ".");
        }
        Map<UnitId, UnitValues> after = new LinkedHashMap<>(before.values());
        after.putAll(touching.changed());
        after = draft.companions().needed(after);
        draft.put(PartKinds.LOOKS, before.holding(after));
        draft.say("Gives " + given + " in " + LookHolders.words(show, before) + ": "
                + LookDifference.of(show, before.values(), after).words());
        String carried = Carried.words(show, before, before.values(), after);
        if (!carried.isEmpty()) {
            draft.say(carried);
        }
    }
}
