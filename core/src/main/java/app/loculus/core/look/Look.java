package app.loculus.core.look;

import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.unit.Limits;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * A set of values by unit and attribute: plain, or referring to palettes and effects.
 *
 * @param number absent for a look that a cue or a submaster holds; else its own, unlike that of any other
 * @param name empty for one that has no number
 * @param values in the order of units
 */
public record Look(LookId id, Optional<Integer> number, String name, Map<UnitId, UnitValues> values) {

    /** As groups and palettes are numbered. */
    public static final int LAST_NUMBER = 9999;

    public Look {
        if (number.isPresent()) {
            name = Limits.name("look.name", "name", name);
            KeptNumber.check("look", number.get());
        }
        Map<UnitId, UnitValues> sorted = new TreeMap<>(values);
        sorted.values().removeIf(UnitValues::isEmpty);
        values = Collections.unmodifiableMap(new LinkedHashMap<>(sorted));
    }

    /** One that a cue or a submaster holds. */
    public static Look held(LookId id, Map<UnitId, UnitValues> values) {
        return new Look(id, Optional.empty(), "", values);
    }

    public Look holding(Map<UnitId, UnitValues> others) {
        return new Look(id, number, name, others);
    }

    public Look named(String other) {
        return new Look(id, number, other, values);
    }

    public Look numbered(int other) {
        return new Look(id, Optional.of(other), name, values);
    }

    /** The palettes its values refer to. */
    public Set<PaletteId> followed() {
        return values.values().stream().flatMap(v -> v.followed().stream()).collect(Collectors.toSet());
    }

    /** Whether an effect moves any of it. */
    public boolean moves() {
        return values.values().stream().anyMatch(UnitValues::moves);
    }

    /** The effects its values refer to. */
    public Set<EffectId> moved() {
        return values.values().stream()
                .flatMap(v -> v.moved().stream())
                .map(Use::effect)
                .collect(Collectors.toSet());
    }

    @Override
    public String toString() {
        return number.map(n -> "look " + n + " “" + name + "”").orElse("a look");
    }
}
