package app.loculus.core.profile;

import java.util.function.Predicate;
import java.util.stream.Stream;

/** What sort of fixture a profile is, told from its attributes; the first that fits. */
public enum Family {
    MOVING_HEAD("moving heads", a -> a.equals(Attribute.PAN) || a.equals(Attribute.TILT)),
    ATMOSPHERE("haze and fog", a -> a.name().matches("(Haze|Fog|Fan|Blower)\\d*")),
    COLOUR_MIXING("colour mixing", Attribute::isMix),
    COLOUR_WHEEL("wheels and scrollers", Attribute::isColourWheel),
    STROBE("strobes", a -> a.name().startsWith("Shutter") || a.name().startsWith("Strobe")),
    DIMMER("dimmers", Attribute.DIMMER::equals),
    OTHER("other", a -> true);

    private final String words;
    private final Predicate<Attribute> sign;

    Family(String words, Predicate<Attribute> sign) {
        this.words = words;
        this.sign = sign;
    }

    public String words() {
        return words;
    }

    public static Family of(Profile profile) {
        return Stream.of(values())
                .filter(f -> profile.modes().stream()
                        .flatMap(m -> m.attributes().stream())
                        .anyMatch(f.sign))
                .findFirst()
                .orElse(OTHER);
    }
}
