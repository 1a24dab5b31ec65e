package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;

/** Gives a palette another name. */
public record RenamePalette(PaletteId palette, String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Palette before = draft.show().palette(palette).orElseThrow();
        draft.put(before.named(Names.checked(name)));
        draft.say(before.kind().word() + " " + before.number() + " is called “" + name + "”");
    }
}
