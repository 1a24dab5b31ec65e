package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;

/** Removes several palettes as {@link DeletePalette} does one; those that follow others of them go first. */
public record DeletePalettes(List<PaletteId> palettes, boolean asValues) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<PaletteId> left = new ArrayList<>(palettes.stream().distinct().toList());
        while (!left.isEmpty()) {
            Show show = draft.show();
            PaletteId next = left.stream()
                    .filter(id -> left.stream().noneMatch(other -> follows(show, other, id)))
                    .findFirst()
                    .orElse(left.get(0));
            new DeletePalette(next, asValues).on(draft);
            left.remove(next);
        }
    }

    private static boolean follows(Show show, PaletteId one, PaletteId other) {
        return show.palette(one).map(Palette::followed).orElseThrow().contains(other);
    }
}
