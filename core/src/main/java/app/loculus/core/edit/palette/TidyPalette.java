package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Tidy;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.Optional;

/** Makes entries that all agree one broader entry; nobody gets another output by it. */
public record TidyPalette(PaletteId palette) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        Palette after = Tidy.of(show.patch(), show.resolver().giver(), before);
        if (after.equals(before)) {
            draft.say(before + " is tidy already");
            return;
        }
        draft.put(after);
        draft.say("Tidies " + before + ": " + before.entries().size() + " → "
                + after.entries().size() + " values");
        draft.say(PaletteDifference.of(show, Optional.of(before), after).words());
    }
}
