package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;

/** The unit a typed number is in. */
public enum Amount {
    /** Percent, or degrees for pan and tilt. */
    PLAIN,
    /** Percent of the range, whatever the attribute. */
    PERCENT,
    DEGREES,
    HERTZ,
    DMX,
    KELVIN;

    /** The typed number as a value of this attribute. */
    AttributeValue value(double number, AttributeDefinition definition, ChannelFunction function) {
        if (this == DMX) {
            return dmx(number);
        }
        if (this == PERCENT || this == PLAIN && !definition.inDegrees()) {
            return new AttributeValue.Level(Fraction.ofPercent(number));
        }
        if (!function.reaches(number)) {
            throw Refusal.of(
                    "value.range",
                    "value",
                    Decimal.text(number, 2) + " is outside " + Decimal.text(function.physicalFrom(), 2) + " to "
                            + Decimal.text(function.physicalTo(), 2) + " of " + definition.pretty() + ".");
        }
        return new AttributeValue.Physical(number);
    }

    private static AttributeValue dmx(double number) {
        if (number < 0 || number > 255) {
            throw Refusal.of("value.range", "value", Decimal.text(number, 2) + " is outside DMX 0 to 255.");
        }
        return new AttributeValue.Level(Fraction.of(number / 255));
    }
}
