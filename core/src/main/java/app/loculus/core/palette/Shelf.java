package app.loculus.core.palette;

import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.value.PaletteId;
import java.util.Map;

/** Everything that values may refer to: palettes, and the marks that those stand at. */
public record Shelf(Map<PaletteId, Palette> palettes, Map<MarkId, Mark> marks) {

    public static final Shelf EMPTY = new Shelf(Map.of(), Map.of());

    /** Whether it is the very same as another one; comparing what lies on it would take longer than it is worth. */
    public boolean sameAs(Shelf other) {
        return palettes == other.palettes && marks == other.marks;
    }
}
