package app.loculus.formats.gdtf;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.facts.BeamFacts;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * Writes a {@code description.xml} (1.2) from a profile, so that reading it back gives the same profile.
 *
 * <p>Not safe to share between threads. The geometry is the simplest that carries the channels: a base, a yoke that
 * pans, a head that tilts, a beam; cells as references to one cell.
 */
public final class DescriptionWriter {

    /** Luminance runs to 100. */
    private static final double FULL = 100;

    private final Profile profile;
    private final XmlText xml;

    private DescriptionWriter(Profile profile, XmlText xml) {
        this.profile = profile;
        this.xml = xml;
    }

    public static String write(Profile profile) {
        StringWriter out = new StringWriter();
        try {
            XMLStreamWriter stream = XMLOutputFactory.newFactory().createXMLStreamWriter(out);
            stream.writeStartDocument("UTF-8", "1.0");
            new DescriptionWriter(profile, new XmlText(stream)).document();
            stream.writeEndDocument();
            stream.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    private void document() {
        xml.open("GDTF", "DataVersion", "1.2");
        xml.open(
                "FixtureType",
                "Name",
                XmlText.name(profile.name()),
                "ShortName",
                XmlText.name(profile.name()),
                "LongName",
                profile.name(),
                "Manufacturer",
                profile.maker(),
                "Description",
                profile.facts().description(),
                "FixtureTypeID",
                guid(),
                "RefFT",
                "",
                "Thumbnail",
                "",
                "CanHaveChildren",
                "Yes");
        attributes();
        wheels();
        physical();
        xml.empty("Models");
        geometries();
        xml.open("DMXModes");
        for (int i = 0; i < profile.modes().size(); i++) {
            new ModeWriter(profile.modes().get(i), root(i), xml).write();
        }
        xml.close();
        xml.close();
        xml.close();
    }

    /** The maker's own, or one that is the same for the same maker and name. */
    private String guid() {
        String own = profile.facts().fixtureTypeId();
        return own.isEmpty()
                ? UUID.nameUUIDFromBytes(profile.fullName().getBytes(StandardCharsets.UTF_8))
                        .toString()
                        .toUpperCase(java.util.Locale.ROOT)
                : own;
    }

    private void attributes() {
        List<AttributeDefinition> all = profile.attributes();
        Map<String, Set<String>> features = new LinkedHashMap<>();
        all.forEach(a -> {
            String[] parts = a.feature().split("\\.", 2);
            features.computeIfAbsent(parts[0], g -> new LinkedHashSet<>()).add(parts.length > 1 ? parts[1] : parts[0]);
        });
        xml.open("AttributeDefinitions");
        xml.empty("ActivationGroups");
        xml.open("FeatureGroups");
        features.forEach((group, names) -> {
            xml.open("FeatureGroup", "Name", group, "Pretty", group);
            names.forEach(n -> xml.empty("Feature", "Name", n));
            xml.close();
        });
        xml.close();
        xml.open("Attributes");
        all.forEach(a -> xml.empty(
                "Attribute",
                "Name",
                a.attribute().name(),
                "Pretty",
                a.pretty(),
                "Feature",
                a.feature(),
                "PhysicalUnit",
                a.unit()));
        xml.close();
        xml.close();
    }

    private void wheels() {
        xml.open("Wheels");
        for (Wheel wheel : profile.wheels()) {
            xml.open("Wheel", "Name", wheel.name());
            wheel.slots().forEach(this::slot);
            xml.close();
        }
        xml.close();
    }

    private void slot(WheelSlot slot) {
        xml.begin("Slot", "Name", slot.name());
        slot.colour().map(DescriptionWriter::xyy).ifPresent(c -> xml.attribute("Color", c));
        slot.picture().ifPresent(p -> xml.attribute("MediaFileName", p));
        for (int i = 0; i < slot.facets(); i++) {
            xml.empty("Facet");
        }
        if (slot.animated()) {
            xml.empty("AnimationSystem");
        }
        xml.close();
    }

    static String xyy(Tristimulus light) {
        Chromaticity c = light.chromaticity().orElse(Chromaticity.D65);
        return XmlText.rounded(c.x()) + "," + XmlText.rounded(c.y()) + ","
                + XmlText.rounded(Math.max(0, Math.min(FULL, light.y())));
    }

    private void physical() {
        xml.open("PhysicalDescriptions");
        xml.open("Emitters");
        Map<String, Tristimulus> emitters = new LinkedHashMap<>();
        profile.modes().forEach(m -> emitters(m).forEach(emitters::putIfAbsent));
        emitters.forEach((name, light) -> xml.empty("Emitter", "Name", name, "Color", xyy(light)));
        xml.close();
        profile.facts().weightKg().ifPresent(kg -> {
            xml.open("Properties");
            xml.empty("Weight", "Value", XmlText.number(kg));
            xml.close();
        });
        xml.close();
    }

    /** Visible emitters by the name their functions use. */
    static Map<String, Tristimulus> emitters(Mode mode) {
        Map<String, Tristimulus> found = new LinkedHashMap<>();
        mode.channels().stream()
                .flatMap(c -> c.functions().stream())
                .filter(f -> f.attribute().isAdditive())
                .forEach(f -> {
                    Tristimulus light = mode.emitters().getOrDefault(f.attribute(), Tristimulus.DARK);
                    if (light.chromaticity().isPresent()) {
                        found.putIfAbsent(emitterName(f.emitter().orElse(""), f.attribute()), light);
                    }
                });
        return found;
    }

    static String emitterName(String own, Attribute attribute) {
        return own.isEmpty() ? attribute.name().replace("ColorAdd_", "") : own;
    }

    /** The name of a mode's own tree, which no other geometry has. */
    private String root(int mode) {
        Set<String> taken = profile.modes().stream()
                .flatMap(m -> m.channels().stream().map(Geometries::of))
                .collect(Collectors.toSet());
        String root = "Base" + (mode == 0 ? "" : " " + (mode + 1));
        while (taken.contains(root)) {
            root = "Body of " + root;
        }
        return root;
    }

    /** One tree for each mode, because the beam's facts are a mode's. */
    private void geometries() {
        xml.open("Geometries");
        for (int i = 0; i < profile.modes().size(); i++) {
            Mode mode = profile.modes().get(i);
            Geometries geometries = Geometries.of(mode);
            xml.open("Geometry", "Name", root(i));
            tree(geometries.chain(mode), mode.beam());
            geometries.references(xml);
            xml.close();
            if (mode.cells() > 0) {
                geometries.cells(xml, mode.beam());
            }
        }
        xml.close();
    }

    /** One inside the other; the beam is in the innermost. */
    private void tree(List<Geometries.Part> chain, BeamFacts beam) {
        chain.forEach(part -> xml.open(part.axis() ? "Axis" : "Geometry", "Name", part.name()));
        beam(xml, chain.get(chain.size() - 1).name() + " beam", beam);
        chain.forEach(part -> xml.close());
    }

    static void beam(XmlText xml, String name, BeamFacts beam) {
        List<String> facts = new ArrayList<>(List.of(
                "Name",
                name,
                "ColorTemperature",
                XmlText.number(beam.lampKelvin()),
                "BeamAngle",
                XmlText.number(beam.angleDegrees()),
                "PowerConsumption",
                XmlText.number(beam.watts())));
        if (beam.lumens() > 0) {
            facts.addAll(List.of("LuminousFlux", XmlText.number(beam.lumens())));
        }
        xml.empty("Beam", facts.toArray(String[]::new));
    }

    /** Channels of the fixture itself, without the dimmers that it was given. */
    static List<Channel> written(Mode mode) {
        return mode.channels().stream().filter(c -> !Dimmed.added(c)).collect(Collectors.toList());
    }
}
