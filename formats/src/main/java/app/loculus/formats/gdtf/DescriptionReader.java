package app.loculus.formats.gdtf;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Spectrum;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.core.profile.facts.ProfileFacts;
import app.loculus.formats.xml.Xml;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import org.w3c.dom.Element;

/** Reads a {@code description.xml}. */
public final class DescriptionReader {

    private static final int ID_DIGITS = 16;

    /** The format's default for a colour. */
    private static final Tristimulus WHITE = new Chromaticity(0.3127, 0.3290).withLuminance(100);

    /** Far above any fixture. */
    private static final int MOST_MODES = 500;

    private final Report report = new Report();

    private DescriptionReader() {}

    /** @throws Refusal when the text is not a description that can be understood */
    public static Profile read(String xml) {
        return new DescriptionReader().profile(xml);
    }

    private Profile profile(String xml) {
        Element root = Xml.parse(
                xml, "gdtf", "description.xml", "Ask the maker for another file, or build the profile from its chart.");
        Element type = Xml.child(root, "FixtureType")
                .filter(t -> root.getTagName().equals("GDTF"))
                .orElseThrow(() -> Refusal.of(
                        "gdtf.root",
                        "description.xml",
                        "This is no fixture description: GDTF / FixtureType is missing."));
        GeometryTree.refuseCycles(type);
        Map<String, Tristimulus> filters = lights(type, "Filters", "Filter");
        List<Wheel> wheels = Xml.path(type, "Wheels", "Wheel").stream()
                .map(w -> wheel(w, filters))
                .toList();
        Map<String, Tristimulus> emitters = emitters(type);
        List<Element> elements = Xml.path(type, "DMXModes", "DMXMode");
        if (elements.size() > MOST_MODES) {
            throw Refusal.of(
                    "gdtf.large",
                    "DMXModes",
                    "The description has " + elements.size() + " modes; at most " + MOST_MODES + " are read.");
        }
        new Links(type, report).check();
        List<AttributeDefinition> attributes = new ArrayList<>(attributes(type));
        Repeats repeats = new Repeats(attributes, report);
        Set<String> names = new HashSet<>();
        List<Mode> modes = elements.stream()
                .map(mode -> new ModeReader(type, mode, emitters, wheels, repeats, report).read(name(mode, names)))
                .toList();
        attributes.addAll(repeats.definitions());
        if (modes.isEmpty()) {
            throw Refusal.of(
                    "gdtf.modes", "DMXModes", "The description has no DMX mode, so nothing can be patched with it.");
        }
        return new Profile(
                new ProfileId(fingerprint(xml)),
                Xml.text(type, "Manufacturer", "Unknown maker"),
                Xml.text(type, "LongName", Xml.text(type, "Name", "Unnamed")),
                attributes,
                wheels,
                modes,
                report.warnings(),
                xml,
                facts(type));
    }

    /** What a mode is called by; a name that is missing or taken gets a number, so that every mode can be chosen. */
    private String name(Element mode, Set<String> taken) {
        String own = Xml.text(mode, "Name", "Mode");
        String name = own;
        for (int n = 2; !taken.add(name.toLowerCase(Locale.ROOT)); n++) {
            name = own + " " + n;
        }
        if (!name.equals(mode.getAttribute("Name").strip())) {
            report.odd(mode, "A mode has no name, or that of another; it is called “" + name + "”.");
        }
        return name;
    }

    private ProfileFacts facts(Element type) {
        OptionalDouble weight = Xml.path(type, "PhysicalDescriptions", "Properties", "Weight").stream()
                .mapToDouble(w -> report.number(w, "Value", 0))
                .filter(kg -> kg > 0)
                .findFirst();
        return new ProfileFacts(
                Xml.text(type, "Description", ""), weight, Xml.text(type, "FixtureTypeID", ""), Pictures.NONE);
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

    private Wheel wheel(Element wheel, Map<String, Tristimulus> filters) {
        boolean coloured = coloured(wheel);
        List<WheelSlot> slots = new ArrayList<>();
        for (Element slot : Xml.children(wheel, "Slot")) {
            Optional<String> picture =
                    Optional.of(slot.getAttribute("MediaFileName")).filter(s -> !s.isBlank());
            slots.add(new WheelSlot(
                    slot.getAttribute("Name"),
                    colourOf(slot, filters).or(() -> coloured ? Optional.of(WHITE) : Optional.empty()),
                    picture,
                    Xml.children(slot, "Facet").size(),
                    Xml.child(slot, "AnimationSystem").isPresent()));
        }
        return new Wheel(wheel.getAttribute("Name"), slots);
    }

    /** Whether it is a wheel of colours, where a slot that says nothing is white, and not one of pictures. */
    private static boolean coloured(Element wheel) {
        boolean any = Xml.children(wheel, "Slot").stream()
                .anyMatch(s -> !s.getAttribute("Color").isBlank()
                        || !s.getAttribute("Filter").isBlank());
        Element type = (Element) wheel.getParentNode().getParentNode();
        return any
                || Xml.path(
                                type,
                                "DMXModes",
                                "DMXMode",
                                "DMXChannels",
                                "DMXChannel",
                                "LogicalChannel",
                                "ChannelFunction")
                        .stream()
                        .anyMatch(f -> f.getAttribute("Wheel").equals(wheel.getAttribute("Name"))
                                && new Attribute(f.getAttribute("Attribute")).isColourWheel());
    }

    /** A filter takes precedence over a colour of the slot's own. */
    private Optional<Tristimulus> colourOf(Element slot, Map<String, Tristimulus> filters) {
        String filter = slot.getAttribute("Filter");
        if (filters.containsKey(filter)) {
            return Optional.of(filters.get(filter));
        }
        if (!filter.isBlank()) {
            report.odd(slot, "Filter “" + filter + "” is not described; the slot's own colour is used.");
        }
        return slot.getAttribute("Color").isBlank() ? Optional.empty() : colour(slot, "Color");
    }

    /** By their colour; else by their spectrum or their wavelength. One that says none of it is not there. */
    private Map<String, Tristimulus> emitters(Element type) {
        Map<String, Tristimulus> found = new LinkedHashMap<>();
        for (Element e : Xml.path(type, "PhysicalDescriptions", "Emitters", "Emitter")) {
            Optional<Tristimulus> light = e.getAttribute("Color").isBlank() ? byWavelength(e) : colour(e, "Color");
            light.ifPresent(l -> found.putIfAbsent(e.getAttribute("Name"), l));
        }
        return found;
    }

    private Optional<Tristimulus> byWavelength(Element emitter) {
        SortedMap<Double, Double> energy = new TreeMap<>();
        // The strongest of its measurements.
        Xml.children(emitter, "Measurement").stream()
                .max(Comparator.comparingDouble(m -> report.number(m, "Physical", 0)))
                .ifPresent(m -> Xml.children(m, "MeasurementPoint")
                        .forEach(p -> energy.put(report.number(p, "WaveLength", 0), report.number(p, "Energy", 0))));
        if (!energy.isEmpty()) {
            return Optional.of(Spectrum.of(energy));
        }
        double dominant = report.number(emitter, "DominantWaveLength", 0);
        return dominant > 0 ? Optional.of(Spectrum.of(dominant)) : Optional.empty();
    }

    private Map<String, Tristimulus> lights(Element type, String collect, String one) {
        Map<String, Tristimulus> found = new LinkedHashMap<>();
        for (Element e : Xml.path(type, "PhysicalDescriptions", collect, one)) {
            colour(e, "Color").ifPresent(c -> found.putIfAbsent(e.getAttribute("Name"), c));
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
                    attribute + " “" + element.getAttribute(attribute)
                            + "” is no colour x,y,Y; it is left out, or white in a wheel of colours.");
            return Optional.empty();
        }
    }
}
