package app.loculus.formats.gdtf;

import app.loculus.formats.xml.Xml;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.w3c.dom.Element;

/**
 * Follows every link by name in a description and tells those that lead nowhere, with their place; also names that two
 * of one kind have. What is used instead is decided where the link is read.
 */
final class Links {

    private static final Set<String> UNITS = Set.of(
            "None",
            "Percent",
            "Length",
            "Mass",
            "Time",
            "Temperature",
            "LuminousIntensity",
            "Angle",
            "Force",
            "Frequency",
            "Current",
            "Voltage",
            "Power",
            "Energy",
            "Area",
            "Volume",
            "Speed",
            "Acceleration",
            "AngularSpeed",
            "AngularAccc",
            "WaveLength",
            "ColorComponent");

    private final Element type;
    private final Report report;
    private final Set<String> attributes;
    private final Set<String> wheels;
    private final Set<String> emitters;
    private final Set<String> filters;

    Links(Element type, Report report) {
        this.type = type;
        this.report = report;
        attributes = names("AttributeDefinitions", "Attributes", "Attribute");
        wheels = names("Wheels", "Wheel");
        emitters = names("PhysicalDescriptions", "Emitters", "Emitter");
        filters = names("PhysicalDescriptions", "Filters", "Filter");
        names("PhysicalDescriptions", "DMXProfiles", "DMXProfile");
    }

    void check() {
        declarations();
        geometries();
        wheels();
        models();
        Set<String> tops = topGeometries();
        for (Element mode : Xml.path(type, "DMXModes", "DMXMode")) {
            leads(mode, "Geometry", tops, "no top geometry; the mode has no cells");
            Xml.path(mode, "DMXChannels", "DMXChannel").forEach(this::channel);
            int macros = Xml.path(mode, "FTMacros", "FTMacro").size();
            if (macros > 0) {
                report.odd(mode, "It has " + macros + " macro" + (macros == 1 ? "" : "s") + "; none is carried out.");
            }
        }
    }

    private void channel(Element channel) {
        for (Element logical : Xml.children(channel, "LogicalChannel")) {
            leads(logical, "Attribute", attributes, "declared nowhere; it is taken as a control without unit");
            for (Element f : Xml.children(logical, "ChannelFunction")) {
                if (!f.getAttribute("Attribute").equals(logical.getAttribute("Attribute"))) {
                    leads(f, "Attribute", attributes, "declared nowhere; it is taken as a control without unit");
                }
                leads(f, "Wheel", wheels, "no wheel of this fixture; its slots are unknown");
                leads(f, "Emitter", emitters, "no emitter of this fixture; a typical one is assumed");
                leads(f, "Filter", filters, "no filter of this fixture; it is left out");
                if (!f.getAttribute("DMXProfile").isBlank()) {
                    report.odd(f, "Its curve “" + f.getAttribute("DMXProfile") + "” is not followed; it is straight.");
                }
                slots(f);
            }
        }
    }

    private void slots(Element function) {
        String wheel = function.getAttribute("Wheel");
        Xml.path(type, "Wheels", "Wheel").stream()
                .filter(w -> w.getAttribute("Name").equals(wheel))
                .findFirst()
                .ifPresent(w -> {
                    int count = Xml.children(w, "Slot").size();
                    for (Element set : Xml.children(function, "ChannelSet")) {
                        String index = Xml.text(set, "WheelSlotIndex", "0");
                        if (index.matches("\\d{1,9}") && Integer.parseInt(index) > count) {
                            report.odd(
                                    set,
                                    "WheelSlotIndex " + index + " is beyond wheel “" + wheel + "”, which has " + count
                                            + " slots.");
                        }
                    }
                });
    }

    private void declarations() {
        Element definitions = Xml.child(type, "AttributeDefinitions").orElse(null);
        if (definitions == null) {
            report.odd(type, "AttributeDefinitions are missing; every attribute is taken as a control without unit.");
            return;
        }
        Set<String> features = new HashSet<>();
        for (Element group : Xml.path(definitions, "FeatureGroups", "FeatureGroup")) {
            Xml.children(group, "Feature")
                    .forEach(f -> features.add(group.getAttribute("Name") + "." + f.getAttribute("Name")));
        }
        Set<String> groups = names("AttributeDefinitions", "ActivationGroups", "ActivationGroup");
        for (Element a : Xml.path(definitions, "Attributes", "Attribute")) {
            leads(a, "Feature", features, "declared nowhere; its group is taken by its name");
            leads(a, "ActivationGroup", groups, "declared nowhere; it is not used");
            leads(a, "MainAttribute", attributes, "declared nowhere; it is not used");
            if (!UNITS.contains(Xml.text(a, "PhysicalUnit", "None"))) {
                report.odd(a, "PhysicalUnit “" + a.getAttribute("PhysicalUnit") + "” is unknown; values have no unit.");
            }
        }
    }

    private void geometries() {
        Set<String> tops = topGeometries();
        Set<String> seen = new HashSet<>();
        Xml.child(type, "Geometries").ifPresent(all -> Xml.children(all, "*").forEach(g -> geometry(g, tops, seen, 0)));
    }

    private void geometry(Element geometry, Set<String> tops, Set<String> seen, int depth) {
        if (!seen.add(geometry.getAttribute("Name"))) {
            report.odd(geometry, "Two geometries have this name; which one is meant cannot be told.");
        }
        if (geometry.getTagName().equals("GeometryReference")) {
            leads(geometry, "Geometry", tops, "no top geometry; nothing is placed");
        }
        for (Element child : Xml.children(geometry, "*")) {
            if (!child.getAttribute("Name").isEmpty() && depth < 64) {
                geometry(child, tops, seen, depth + 1);
            }
        }
    }

    private Set<String> topGeometries() {
        Set<String> tops = new HashSet<>();
        Xml.child(type, "Geometries")
                .ifPresent(all -> Xml.children(all, "*").forEach(g -> tops.add(g.getAttribute("Name"))));
        return tops;
    }

    /** What stands in files beside the description and is not kept. */
    private void models() {
        long files = Xml.path(type, "Models", "Model").stream()
                .filter(m -> !m.getAttribute("File").isBlank())
                .count();
        if (files > 0) {
            report.odd(
                    type, "It has " + files + " model" + (files == 1 ? "" : "s") + " in files; models are not kept.");
        }
    }

    private void wheels() {
        for (Element wheel : Xml.path(type, "Wheels", "Wheel")) {
            if (Xml.children(wheel, "Slot").isEmpty()) {
                report.odd(wheel, "The wheel has no slots.");
            }
        }
    }

    /** Says so when an attribute that names something names nothing there is. */
    private void leads(Element from, String attribute, Set<String> known, String otherwise) {
        String name = from.getAttribute(attribute).strip();
        if (!name.isEmpty() && !known.contains(name)) {
            report.odd(from, attribute + " “" + name + "” is " + otherwise + ".");
        }
    }

    /** Names of one kind; two of one name are told. */
    private Set<String> names(String... path) {
        List<Element> all = Xml.path(type, path);
        Set<String> names = new HashSet<>();
        for (Element e : all) {
            if (!names.add(e.getAttribute("Name"))) {
                report.odd(e, "Two of this name are described; the first one is used.");
            }
        }
        return names;
    }
}
