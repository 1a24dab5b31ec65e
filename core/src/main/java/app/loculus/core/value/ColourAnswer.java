package app.loculus.core.value;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.profile.Attribute;
import app.loculus.core.unit.Fraction;
import java.util.Map;

/**
 * How one fixture shows a colour.
 *
 * @param levels what to set, in the order of the fixture's attributes
 * @param shown the colour it really gives
 * @param difference from the wanted colour
 * @param way in words: {@code computed mix}, {@code slot 5 “Jade”}
 */
public record ColourAnswer(
        Map<Attribute, Fraction> levels, Chromaticity shown, ColourDifference difference, String way) {}
