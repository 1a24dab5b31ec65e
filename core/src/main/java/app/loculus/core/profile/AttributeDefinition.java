package app.loculus.core.profile;

/**
 * What a profile says about one of its attributes.
 *
 * @param pretty short label for people
 * @param feature path such as {@code Color.RGB}
 * @param unit physical unit by the standard's name, for example {@code Angle}
 */
public record AttributeDefinition(Attribute attribute, String pretty, String feature, String unit) {

    public Kind kind() {
        return Kind.ofFeatureGroup(feature.split("\\.", 2)[0]);
    }

    /** Pan and tilt; degrees are what people say there, percent mean nothing. */
    public boolean inDegrees() {
        return unit.equals("Angle") && kind() == Kind.POSITION;
    }

    public boolean calledBy(String word) {
        return attribute.name().equalsIgnoreCase(word) || pretty.equalsIgnoreCase(word);
    }
}
