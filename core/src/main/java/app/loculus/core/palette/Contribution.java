package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.value.AttributeValue;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one unit brings to a recording.
 *
 * @param label the unit as people call it, for words
 * @param values plain values, no references
 * @param companions those of the values that only came along
 * @param shown the colour it shows with them
 */
public record Contribution(
        UnitId unit,
        String label,
        ProfileId type,
        Map<Attribute, AttributeValue> values,
        Set<Attribute> companions,
        Optional<Chromaticity> shown) {}
