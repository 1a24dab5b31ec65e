package app.loculus.core.selection;

import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;

/** What choices and states are worked out from. */
public interface Ground {

    Patch patch();

    /** The units of a group now; nobody where there is no such group. */
    Selection group(GroupId group);

    /** Intensity as it shows, 0 to 1, all dimmers together; of a divided fixture its brightest cell. */
    double level(UnitId unit);

    /** Whether some attribute of it is not at home. */
    boolean active(UnitId unit);

    /** Whether something of it follows a palette, itself or through another one. */
    boolean uses(UnitId unit, PaletteId palette);

    /** Whether an effect moves something of it. */
    boolean moved(UnitId unit, EffectId effect);
}
