package app.loculus.core.show;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.Map;

/** Removes a palette; whatever followed it keeps its values, as plain ones. */
public record DeletePalette(PaletteId palette) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette gone = show.palette(palette).orElseThrow();
        Map<UnitId, UnitValues> left = new LinkedHashMap<>();
        show.programmer().values().forEach((unit, values) -> {
            UnitValues plain = plain(show, unit, values);
            if (!plain.equals(values)) {
                left.put(unit, plain);
            }
        });
        draft.setAll(left);
        draft.remove(gone);
        draft.say("Deletes " + gone
                + (left.isEmpty()
                        ? "; nothing follows it"
                        : "; " + Numbers.count(left.size(), "unit") + " keep its values as plain ones"));
    }

    private UnitValues plain(Show show, UnitId unit, UnitValues values) {
        Map<Attribute, Touched> out = new LinkedHashMap<>();
        values.byAttribute().forEach((attribute, touched) -> {
            boolean follows = touched.value() instanceof AttributeValue.Reference r
                    && r.palette().equals(palette);
            if (!follows) {
                out.put(attribute, touched);
            } else {
                show.resolver()
                        .plain(unit, attribute, touched.value())
                        .ifPresent(v -> out.put(attribute, new Touched(v, touched.touched(), touched.companion())));
            }
        });
        return new UnitValues(out);
    }
}
