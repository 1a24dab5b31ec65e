package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Resolution;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.stream.Collectors;

/** The unit a typed number is in. */
public enum Amount {
    /** Percent, or degrees for pan and tilt. */
    PLAIN,
    /** Percent of the range, whatever the attribute. */
    PERCENT,
    DEGREES,
    HERTZ,
    /** What is sent, as one octet, 0 to 255. */
    DMX,
    /** What is sent, as two octets, 0 to 65535; a channel of one octet takes the coarse one. */
    DMX16,
    KELVIN;

    /**
     * The typed number as a value of a parameter.
     *
     * @throws Refusal when the attribute is not measured in this unit, or none of its functions reaches so far
     */
    public AttributeValue value(double number, AttributeDefinition definition, Mode mode, Parameter parameter) {
        if (this == DMX || this == DMX16) {
            return dmx(number, this == DMX ? 1 : 2);
        }
        if (this == PERCENT || this == PLAIN && !definition.inDegrees()) {
            return new AttributeValue.Level(Fraction.ofPercent(number));
        }
        if (this != PLAIN && !measures(definition)) {
            throw Refusal.of(
                    "value.unit",
                    "value",
                    definition.pretty() + " is not measured in " + words() + ".",
                    WayOut.advice("Say " + said(definition) + "."));
        }
        List<ChannelFunction> functions = mode.channelOf(parameter).functions().stream()
                .filter(f -> f.attribute().equals(parameter.attribute()))
                .toList();
        if (functions.stream().noneMatch(f -> f.reaches(number))) {
            throw Refusal.of(
                    "value.range",
                    "value",
                    Decimal.text(number, 2) + " is outside "
                            + functions.stream()
                                    .map(f -> Decimal.text(f.physicalFrom(), 2) + " to "
                                            + Decimal.text(f.physicalTo(), 2))
                                    .collect(Collectors.joining(" and "))
                            + " of " + definition.pretty() + ".");
        }
        return new AttributeValue.Physical(number);
    }

    private boolean measures(AttributeDefinition definition) {
        return switch (this) {
            case DEGREES -> definition.unit().equals("Angle");
            case HERTZ -> definition.unit().equals("Frequency");
            case KELVIN -> definition.unit().equals("Temperature");
            default -> true;
        };
    }

    /** The unit as the line has it. */
    String words() {
        return switch (this) {
            case PLAIN -> "";
            case PERCENT -> "%";
            case DEGREES -> "deg";
            case HERTZ -> "hz";
            case DMX -> "dmx";
            case DMX16 -> "dmx16";
            case KELVIN -> "k";
        };
    }

    private static String said(AttributeDefinition definition) {
        return switch (definition.unit()) {
            case "Angle" -> "degrees, as 20 deg, or percent";
            case "Frequency" -> "hertz, as 4 hz, or percent";
            case "Temperature" -> "kelvin, as 3200 k, or percent";
            default -> "percent, or what is sent, as 128 dmx";
        };
    }

    private static AttributeValue dmx(double number, int octets) {
        long most = new Resolution(octets).max();
        if (number < 0 || number > most) {
            throw Refusal.of(
                    "value.range",
                    "value",
                    Decimal.text(number, 2) + " is outside DMX 0 to " + most + ".",
                    WayOut.advice("One octet is 0 to 255 dmx, two are 0 to 65535 dmx16."));
        }
        return new AttributeValue.Dmx(new DmxValue(Math.round(number), octets, false));
    }
}
