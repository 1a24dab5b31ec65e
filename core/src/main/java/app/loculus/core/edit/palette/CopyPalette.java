package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;
import app.loculus.core.value.PaletteId;

/** The same palette once more, under a number of its kind that is free. */
public record CopyPalette(PaletteId palette, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette from = show.palette(palette).orElseThrow();
        show.palette(from.kind(), to).ifPresent(taken -> {
            int free = PaletteFinder.nextFree(show, from.kind());
            throw Refusal.of(
                    "palette.exists",
                    "palette",
                    taken + " exists already.",
                    WayOut.line("Copy to " + free, "copy " + from.kind().word() + " " + from.number() + " to " + free));
        });
        Palette copy = from.copied(show.next(PartKinds.PALETTES), to, called(from));
        draft.put(copy);
        draft.say(copy + " is a copy of " + from);
    }

    private static String called(Palette from) {
        String copy = " copy";
        return from.name().substring(0, Math.min(from.name().length(), Limits.NAME - copy.length())) + copy;
    }
}
