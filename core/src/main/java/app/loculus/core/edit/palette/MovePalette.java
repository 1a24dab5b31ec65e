package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.Optional;

/** Puts a palette into another niche of its kind; whichever stands there comes here. */
public record MovePalette(PaletteId palette, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Palette moved = draft.show().palette(palette).orElseThrow();
        Optional<Palette> there = draft.show().palette(moved.kind(), to).filter(p -> !p.id().equals(palette));
        draft.put(moved.numbered(to));
        there.ifPresent(p -> draft.put(p.numbered(moved.number())));
        draft.say(moved + " is number " + to
                + there.map(p -> "; “" + p.name() + "” is number " + moved.number())
                        .orElse(""));
    }
}
