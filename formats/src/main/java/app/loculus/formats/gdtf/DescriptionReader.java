package app.loculus.formats.gdtf;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.w3c.dom.Element;

/** Reads a {@code description.xml}. */
public final class DescriptionReader {

    private static final int ID_DIGITS = 16;

    private final Report report = new Report();

    private DescriptionReader() {}

    /** @throws Refusal when the text is not a description that can be understood */
    public static Profile read(String xml) {
        return new DescriptionReader().profile(xml);
    }

    private Profile profile(String xml) {
        Element root = Xml.parse(xml);
        Element type = Xml.child(root, "FixtureType")
                .filter(t -> root.getTagName().equals("GDTF"))
                .orElseThrow(() -> Refusal.of(
                        "gdtf.root",
                        "description.xml",
                        "This is no fixture description: GDTF / FixtureType is missing."));
        List<Wheel> wheels =
                Xml.path(type, "Wheels", "Wheel").stream().map(this::wheel).toList();
        Map<String, Tristimulus> emitters = emitters(type);
        List<Mode> modes = Xml.path(type, "DMXModes", "DMXMode").stream()
                .map(mode -> new ModeReader(type, mode, emitters, wheels, report).read())
                .toList();
        if (modes.isEmpty()) {
            throw Refusal.of(
                    "gdtf.modes", "DMXModes", "The description has no DMX mode, so nothing can be patched with it.");
        }
        return new Profile(
                new ProfileId(fingerprint(xml)),
                Xml.text(type, "Manufacturer", "Unknown maker"),
                Xml.text(type, "LongName", Xml.text(type, "Name", "Unnamed")),
                attributes(type),
                wheels,
                modes,
                report.warnings(),
                xml);
    }

    private static String fingerprint(String xml) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(xml.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, ID_DIGITS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<AttributeDefinition> attributes(Element type) {
        return Xml.path(type, "AttributeDefinitions", "Attributes", "Attribute").stream()
                .map(a -> new AttributeDefinition(
                        new Attribute(a.getAttribute("Name")),
                        Xml.text(a, "Pretty", a.getAttribute("Name")),
                        Xml.text(a, "Feature", "Control.Control"),
                        Xml.text(a, "PhysicalUnit", "None")))
                .toList();
    }

    private Wheel wheel(Element wheel) {
        List<WheelSlot> slots = new ArrayList<>();
        for (Element slot : Xml.children(wheel, "Slot")) {
            Optional<String> picture =
                    Optional.of(slot.getAttribute("MediaFileName")).filter(s -> !s.isBlank());
            Optional<Tristimulus> colour =
                    slot.getAttribute("Color").isBlank() ? Optional.empty() : colour(slot, "Color");
            slots.add(new WheelSlot(slot.getAttribute("Name"), colour, picture));
        }
        return new Wheel(wheel.getAttribute("Name"), slots);
    }

    private Map<String, Tristimulus> emitters(Element type) {
        Map<String, Tristimulus> found = new LinkedHashMap<>();
        for (Element emitter : Xml.path(type, "PhysicalDescriptions", "Emitters", "Emitter")) {
            colour(emitter, "Color").ifPresent(c -> found.put(emitter.getAttribute("Name"), c));
        }
        return found;
    }

    /** {@code x,y,Y}. */
    private Optional<Tristimulus> colour(Element element, String attribute) {
        String[] parts = Xml.text(element, attribute, "0.3127,0.3290,100.0").split(",");
        try {
            Chromaticity c = new Chromaticity(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
            return Optional.of(c.withLuminance(Double.parseDouble(parts[2])));
        } catch (RuntimeException e) {
            report.odd(
                    element,
                    attribute + " “" + element.getAttribute(attribute) + "” is no colour x,y,Y; it is left out.");
            return Optional.empty();
        }
    }
}
