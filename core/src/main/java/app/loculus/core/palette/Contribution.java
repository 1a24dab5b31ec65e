package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.value.AttributeValue;
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
        Optional<Chromaticity> asked,
        Optional<Chromaticity> shown) {

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
