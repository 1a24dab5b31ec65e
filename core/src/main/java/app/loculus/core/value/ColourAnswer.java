package app.loculus.core.value;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.profile.Attribute;
import java.util.Map;

/**
 * How one fixture shows a colour.
 *
 * @param values what to set, in the order of the fixture's attributes; mode channels are left to whoever sets them
 * @param closings what else is sent home so that it does not stack: wheels, temperature
 * @param shown the colour it really gives, after rounding to slots
 * @param difference of that from the wanted colour
 * @param way in words: {@code computed mix}, {@code slot 5 “Jade”}
 */
public record ColourAnswer(
        Map<Attribute, AttributeValue> values,
        Map<Attribute, AttributeValue> closings,
        Chromaticity shown,
        ColourDifference difference,
        String way) {}
