package app.loculus.core.palette;

import app.loculus.core.effect.Effect;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** Everything that values may refer to: palettes, the marks that those stand at, and effects. */
public record Shelf(Map<PaletteId, Palette> palettes, Map<MarkId, Mark> marks, Map<EffectId, Effect> effects) {

    public static final Shelf EMPTY = new Shelf(Map.of(), Map.of(), Map.of());

    /** Whether palettes give the very same. */
    public boolean gives(Shelf other) {
        return palettes == other.palettes && marks == other.marks;
    }

    /** Whether a palette gives the very same there: it, all that it follows, and the marks that those stand at. */
    public boolean givesAlike(Palette palette, Shelf other) {
        return gives(other) || alike(palette.id(), other, new HashSet<>());
    }

    private boolean alike(PaletteId id, Shelf other, Set<PaletteId> seen) {
        Palette here = palettes.get(id);
        return here == other.palettes.get(id)
                && (here == null
                        || !seen.add(id)
                        || here.aim().stream().allMatch(m -> marks.get(m) == other.marks.get(m))
                                && here.followed().stream().allMatch(f -> alike(f, other, seen)));
    }

    /** Whether it is the very same as another one; comparing what lies on it would take longer than it is worth. */
    public boolean sameAs(Shelf other) {
        return gives(other) && effects == other.effects;
    }
}
