package app.loculus.app.store;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;

/** Attribute values as a form, a number and a text. */
record Values(String form, double number, String text) {

    static Values of(AttributeValue value) {
        if (value instanceof AttributeValue.Level level) {
            return new Values("level", level.fraction().value(), "");
        }
        if (value instanceof AttributeValue.Physical physical) {
            return new Values("physical", physical.value(), "");
        }
        if (value instanceof AttributeValue.Named named) {
            return new Values("named", 0, named.name());
        }
        return new Values(
                "reference", ((AttributeValue.Reference) value).palette().value(), "");
    }

    AttributeValue value() {
        return switch (form) {
            case "level" -> new AttributeValue.Level(Fraction.of(number));
            case "physical" -> new AttributeValue.Physical(number);
            case "named" -> new AttributeValue.Named(text);
            case "reference" -> new AttributeValue.Reference(new PaletteId((int) number));
            default ->
                throw Refusal.of(
                        "store.value", "value", "The database holds a value of the unknown form “" + form + "”.");
        };
    }
}
