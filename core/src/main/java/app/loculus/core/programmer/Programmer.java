package app.loculus.core.programmer;

import app.loculus.core.patch.UnitId;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** The selection, and the working values. */
public record Programmer(Hand hand, Map<UnitId, UnitValues> values) {

    public static final Programmer EMPTY = new Programmer(Hand.EMPTY, Map.of());

    public Programmer {
        values = Collections.unmodifiableMap(values);
    }

    public UnitValues of(UnitId unit) {
        return values.getOrDefault(unit, UnitValues.NONE);
    }

    /** Whether an effect moves any of the values. */
    public boolean moves() {
        for (UnitValues held : values.values()) {
            if (held.moves()) {
                return true;
            }
        }
        return false;
    }

    public Programmer holding(Hand newHand) {
        return new Programmer(newHand, values);
    }

    /** With these units' values put in; empty ones are taken out. */
    public Programmer with(Map<UnitId, UnitValues> changed) {
        Map<UnitId, UnitValues> all = new LinkedHashMap<>(values);
        changed.forEach((unit, unitValues) -> {
            if (unitValues.isEmpty()) {
                all.remove(unit);
            } else {
                all.put(unit, unitValues);
            }
        });
        return new Programmer(hand, all);
    }
}
