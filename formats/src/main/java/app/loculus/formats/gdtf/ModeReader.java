package app.loculus.formats.gdtf;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Relation;
import app.loculus.core.profile.TypicalEmitters;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.facts.BeamFacts;
import app.loculus.core.unit.Kelvin;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/** Reads one DMXMode. */
final class ModeReader {

    /** The format's default for a beam. */
    private static final double LAMP_KELVIN = 6000;

    private final Element mode;
    private final GeometryTree geometry;
    private final Map<String, Tristimulus> emitters;
    private final List<Wheel> wheels;
    private final Report report;

    ModeReader(Element type, Element mode, Map<String, Tristimulus> emitters, List<Wheel> wheels, Report report) {
        this.mode = mode;
        this.geometry = new GeometryTree(type, mode.getAttribute("Geometry"));
        this.emitters = emitters;
        this.wheels = wheels;
        this.report = report;
    }

    Mode read() {
        List<Element> elements = Xml.path(mode, "DMXChannels", "DMXChannel");
        bounded("channels", elements.size());
        bounded("cells", geometry.references().size());
        Map<String, Element> byKey = new LinkedHashMap<>();
        elements.forEach(e -> byKey.putIfAbsent(ChannelReader.key(e), e));
        List<Channel> channels = new ArrayList<>();
        for (Element channel : elements) {
            channels.addAll(placed(channel, byKey));
            bounded("channels with those of its cells", channels.size() / 8);
        }
        int cells = geometry.references().size();
        return new Mode(
                mode.getAttribute("Name"),
                channels,
                cells,
                lamp(),
                lights(channels),
                Profile.byName(wheels),
                beam(),
                relations(channels));
    }

    private BeamFacts beam() {
        return geometry.beam()
                .map(b -> new BeamFacts(
                        report.number(b, "ColorTemperature", LAMP_KELVIN),
                        report.number(b, "BeamAngle", 0),
                        report.number(b, "PowerConsumption", 0)))
                .orElse(BeamFacts.UNKNOWN);
    }

    /** Older files write the follower as a channel, newer ones as a channel function. */
    private List<Relation> relations(List<Channel> channels) {
        Set<String> keys =
                channels.stream().map(c -> c.key().replaceAll("#\\d+$", "")).collect(Collectors.toSet());
        List<Relation> relations = new ArrayList<>();
        for (Element e : Xml.path(mode, "Relations", "Relation")) {
            String master = Xml.text(e, "Master", "").split("\\.")[0];
            String follower = Xml.text(e, "Follower", Xml.text(e, "Slave", "")).split("\\.")[0];
            if (!keys.contains(master) || !keys.contains(follower)) {
                report.odd(
                        e,
                        "It joins “" + master + "” and “" + follower
                                + "”, of which this mode lacks at least one; it is left out.");
                continue;
            }
            boolean override = Xml.text(e, "Type", "Multiply").equals("Override");
            if (override) {
                report.odd(e, "A relation of type Override is shown, but not carried out.");
            }
            relations.add(new Relation(
                    Xml.text(e, "Name", ""),
                    master,
                    follower,
                    override ? Relation.Type.OVERRIDE : Relation.Type.MULTIPLY));
        }
        return relations;
    }

    /** Far above any fixture; a file beyond it was not made to be patched. */
    private static final int MOST = 2048;

    private void bounded(String what, int count) {
        if (count > MOST) {
            throw Refusal.of(
                    "gdtf.large",
                    Report.place(mode),
                    "The mode has too many " + what + " to be a fixture; at most " + MOST + " are read.");
        }
    }

    /** The channel itself, or one copy for each cell its geometry is placed as. */
    private List<Channel> placed(Element channel, Map<String, Element> byKey) {
        String at = channel.getAttribute("Geometry");
        ChannelReader reader = new ChannelReader(mode, channel, byKey, report);
        List<Element> cells = geometry.owns(at) ? List.of() : geometry.placing(at);
        if (cells.isEmpty()) {
            return reader.read().stream().toList();
        }
        List<Channel> copies = new ArrayList<>();
        for (Element cell : cells) {
            reader.readCell(geometry.references().indexOf(cell) + 1, cell).ifPresent(copies::add);
        }
        return copies;
    }

    private Tristimulus lamp() {
        double kelvin = geometry.beam()
                .map(b -> report.number(b, "ColorTemperature", LAMP_KELVIN))
                .orElse(LAMP_KELVIN);
        try {
            return Whites.of(Kelvin.of(kelvin)).withLuminance(100);
        } catch (Refusal e) {
            report.odd(mode, "A lamp of " + kelvin + " K cannot be right; white D65 is used.");
            return Chromaticity.D65.withLuminance(100);
        }
    }

    private Map<Attribute, Tristimulus> lights(List<Channel> channels) {
        Map<Attribute, Tristimulus> lights = new LinkedHashMap<>();
        for (Channel channel : channels) {
            for (ChannelFunction function : channel.functions()) {
                if (function.attribute().isAdditive()) {
                    lights.computeIfAbsent(function.attribute(), a -> light(function));
                }
            }
        }
        return lights;
    }

    private Tristimulus light(ChannelFunction function) {
        Tristimulus declared = function.emitter().map(emitters::get).orElse(null);
        if (declared != null) {
            return declared;
        }
        if (function.attribute().isVisibleAdditive()) {
            report.odd(mode, "No emitter is given for " + function.attribute() + "; a typical one is assumed.");
        }
        return TypicalEmitters.of(function.attribute());
    }
}
