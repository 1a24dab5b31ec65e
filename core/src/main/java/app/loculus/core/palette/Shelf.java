package app.loculus.core.palette;

import app.loculus.core.effect.Effect;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.Map;

/** Everything that values may refer to: palettes, the marks that those stand at, and effects. */
public record Shelf(Map<PaletteId, Palette> palettes, Map<MarkId, Mark> marks, Map<EffectId, Effect> effects) {

    public static final Shelf EMPTY = new Shelf(Map.of(), Map.of(), Map.of());

    /** Whether palettes give the very same. */
    public boolean gives(Shelf other) {
        return palettes == other.palettes && marks == other.marks;
    }

    /** Whether it is the very same as another one; comparing what lies on it would take longer than it is worth. */
    public boolean sameAs(Shelf other) {
        return gives(other) && effects == other.effects;
    }
}
