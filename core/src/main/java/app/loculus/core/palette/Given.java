package app.loculus.core.palette;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.profile.Attribute;
import app.loculus.core.value.AttributeValue;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a palette gives one unit.
 *
 * @param values plain values by attribute; empty when the unit does not follow
 * @param companions those of the values that only come along, so that the others work
 * @param follows the narrowest source used
 * @param difference of what comes out from the colour intent, where there is one
 * @param words how it is reached, or why not
 */
public record Given(
        Map<Attribute, AttributeValue> values,
        Set<Attribute> companions,
        Follows follows,
        Optional<ColourDifference> difference,
        String words) {

    /** Whether it is aimed at a mark that the head cannot get to. */
    public boolean outOfReach() {
        return words.startsWith(Aimed.OUT_OF_REACH);
    }

    public boolean follow() {
        return follows != Follows.NONE;
    }
}
