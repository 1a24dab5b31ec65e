package app.loculus.core.show;

import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.resolve.Lights;
import app.loculus.core.selection.Ground;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.function.Supplier;

/** A show as the ground that choices are worked out on. @param lights what the lights do; asked only when it matters */
record ShowGround(Show show, Supplier<Lights> lights) implements Ground {

    @Override
    public Patch patch() {
        return show.patch();
    }

    @Override
    public Selection group(GroupId group) {
        return show.group(group)
                .map(g -> g.content().choice().changesWithLight()
                        ? g.content().choice().in(this)
                        : show.units(g))
                .orElse(Selection.EMPTY);
    }

    @Override
    public double level(UnitId unit) {
        return lights.get().level(unit);
    }

    @Override
    public boolean active(UnitId unit) {
        return lights.get().active(unit);
    }

    @Override
    public boolean uses(UnitId unit, PaletteId palette) {
        return lights.get().uses(unit, palette);
    }

    @Override
    public boolean moved(UnitId unit, EffectId effect) {
        return lights.get().moved(unit, effect);
    }
}
