package app.loculus.core.profile.words;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** The everyday words people use for attributes, beside the standard's names and a profile's own labels. */
public final class AttributeWords {

    private static final Map<String, List<String>> MEANINGS = Map.ofEntries(
            Map.entry("intensity", List.of("Dimmer")),
            Map.entry("dim", List.of("Dimmer")),
            Map.entry("red", List.of("ColorAdd_R", "ColorRGB_Red")),
            Map.entry("green", List.of("ColorAdd_G", "ColorRGB_Green")),
            Map.entry("blue", List.of("ColorAdd_B", "ColorRGB_Blue")),
            Map.entry("white", List.of("ColorAdd_W")),
            Map.entry("amber", List.of("ColorAdd_RY", "ColorAdd_Y")),
            Map.entry("lime", List.of("ColorAdd_GY")),
            Map.entry("uv", List.of("ColorAdd_UV")),
            Map.entry("cyan", List.of("ColorSub_C")),
            Map.entry("magenta", List.of("ColorSub_M")),
            Map.entry("yellow", List.of("ColorSub_Y")),
            Map.entry("gobo", List.of("Gobo1")),
            Map.entry("frost", List.of("Frost1")),
            Map.entry("focus", List.of("Focus1")),
            Map.entry("shutter", List.of("Shutter1")),
            Map.entry("strobe", List.of("Shutter1Strobe")),
            Map.entry("prism", List.of("Prism1")));

    private AttributeWords() {}

    /** The attribute of a mode that a word means: by name, by label, then by everyday word. */
    public static Optional<Attribute> meant(Profile profile, Mode mode, String word) {
        List<Attribute> attributes = mode.attributes();
        return attributes.stream()
                .filter(a -> profile.definition(a).calledBy(word))
                .findFirst()
                .or(() -> byMeaning(attributes, word));
    }

    private static Optional<Attribute> byMeaning(List<Attribute> attributes, String word) {
        return MEANINGS.getOrDefault(word.toLowerCase(Locale.ROOT), List.of()).stream()
                .map(Attribute::new)
                .filter(attributes::contains)
                .findFirst();
    }
}
