package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one unit brings to a recording.
 *
 * @param label the unit as people call it, for words
 * @param kinds the kind each of its attributes belongs to
 * @param values plain values, or references where those are kept
 * @param companions those of the values that only came along
 * @param beside mode channels of the whole fixture that they need, as they stand, by the unit that has them
 * @param asked the colour that was asked for
 * @param shown the colour it shows with them
 */
public record Contribution(
        UnitId unit,
        String label,
        ProfileId type,
        String mode,
        Map<Attribute, Kind> kinds,
        Map<Attribute, AttributeValue> values,
        Set<Attribute> companions,
        Map<UnitId, Map<Attribute, AttributeValue>> beside,
        Optional<Chromaticity> asked,
        Optional<Chromaticity> shown) {

    /** The same with mode channels that something else needs; what it says of them itself stays. */
    public Contribution along(Patch patch, Map<Attribute, AttributeValue> modes) {
        Mode of = patch.modeOf(patch.get(unit.fixture()));
        Map<Attribute, AttributeValue> all = new LinkedHashMap<>(values);
        Set<Attribute> with = new LinkedHashSet<>(companions);
        modes.forEach((attribute, value) -> {
            if (of.sharing(unit.cell(), attribute).stream().noneMatch(all::containsKey)) {
                all.put(attribute, value);
                with.add(attribute);
            }
        });
        return new Contribution(unit, label, type, mode, kinds, all, with, beside, asked, shown);
    }

    /** Whether it brings something for its own sake. */
    public boolean brings() {
        return !companions.containsAll(values.keySet());
    }

    /** The colour it brings: what was asked for, else what is seen. */
    Optional<Chromaticity> colour() {
        return asked.or(() -> shown);
    }

    /** For whom an entry of it holds at a scope. */
    ScopeKey key(Scope scope) {
        return switch (scope) {
            case GLOBAL -> new ScopeKey.Global();
            case PER_TYPE -> new ScopeKey.Type(type);
            case PER_FIXTURE -> new ScopeKey.Unit(unit);
        };
    }

    /** For whom entries hold that it follows before those of a scope. */
    java.util.List<ScopeKey> narrowerThan(Scope scope) {
        java.util.List<ScopeKey> keys =
                java.util.List.of(new ScopeKey.Unit(unit), new ScopeKey.TypeMode(type, mode), new ScopeKey.Type(type));
        return keys.subList(
                0,
                switch (scope) {
                    case GLOBAL -> 3;
                    case PER_TYPE -> 2;
                    case PER_FIXTURE -> 0;
                });
    }
}
