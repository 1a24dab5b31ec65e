package app.loculus.core.show;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import java.util.List;
import java.util.Optional;

/**
 * What becomes of everything that names units, types or palettes when those change. Whoever deletes, changes a type or
 * looks for what leads nowhere says it here; the kinds of parts are walked once for all of them.
 */
public interface Refit {

    /** Whether a unit stays. */
    default boolean keeps(UnitId unit) {
        return true;
    }

    /** What becomes of one entry of a palette: itself, others beside it, or nothing. */
    default List<Entry> entry(Palette palette, Entry entry) {
        return entry.scope().ownUnit().map(this::keeps).orElse(true) ? List.of(entry) : List.of();
    }

    /** What becomes of a working value. */
    default Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
        return Optional.of(value);
    }
}
