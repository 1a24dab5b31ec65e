package app.loculus.core.edit.look;

import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/**
 * Values of a look that follow no palette, so that no change of one reaches them. Intensity is set plainly on purpose and
 * does not count; what only came along does not either.
 */
public final class Plain {

    private Plain() {}

    /** By unit; units without any are left out. */
    public static Map<UnitId, Set<Attribute>> of(Show show, Map<UnitId, UnitValues> values) {
        Map<UnitId, Set<Attribute>> found = new LinkedHashMap<>();
        values.forEach((unit, held) -> {
            Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
            Set<Attribute> plain = new LinkedHashSet<>();
            held.byAttribute().forEach((attribute, t) -> {
                if (is(t, profile.kindOf(attribute))) {
                    plain.add(attribute);
                }
            });
            if (!plain.isEmpty()) {
                found.put(unit, plain);
            }
        });
        return found;
    }

    /** What an effect moves around counts as what it is. */
    static boolean is(Touched t, Kind kind) {
        boolean stands =
                !(t.value() instanceof AttributeValue.Moved m) || m.over().isPresent();
        return stands && t.value().followed().isEmpty() && !t.companion() && kind != Kind.INTENSITY;
    }

    /** {@code 3 of 40 units hold plain values}; empty when none does. */
    public static String words(Show show, Map<UnitId, UnitValues> values) {
        int plain = of(show, values).size();
        return plain == 0
                ? ""
                : plain + " of " + Numbers.count(values.size(), "unit") + (plain == 1 ? " holds" : " hold")
                        + " plain values";
    }
}
