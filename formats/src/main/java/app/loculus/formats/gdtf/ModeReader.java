package app.loculus.formats.gdtf;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Relation;
import app.loculus.core.profile.TypicalEmitters;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.facts.BeamFacts;
import app.loculus.core.unit.Kelvin;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    private final Repeats repeats;
    private final Report report;

    /** @param repeats tells attributes apart that a mode has several times */
    ModeReader(
            Element type,
            Element mode,
            Map<String, Tristimulus> emitters,
            List<Wheel> wheels,
            Repeats repeats,
            Report report) {
        this.mode = mode;
        this.geometry = new GeometryTree(type, mode.getAttribute("Geometry"));
        this.emitters = emitters;
        this.wheels = wheels;
        this.repeats = repeats;
        this.report = report;
    }

    /** @param name what the mode is called by */
    Mode read(String name) {
        List<Element> elements = Xml.path(mode, "DMXChannels", "DMXChannel");
        bounded("channels", elements.size());
        Map<String, Element> byKey = new LinkedHashMap<>();
        elements.forEach(e -> byKey.putIfAbsent(ChannelReader.key(e), e));
        Places places = new Places(mode, geometry, elements, report);
        List<Channel> placed = new ArrayList<>();
        for (Element channel : elements) {
            ChannelReader reader = new ChannelReader(mode, channel, byKey, report);
            standings(places, channel).forEach(s -> reader.read(s).ifPresent(placed::add));
            bounded("channels with those of its cells", placed.size() / 8);
        }
        if (placed.stream().allMatch(Channel::virtual)) {
            report.odd(mode, "The mode has no channel with a slot, so nothing can be patched with it.");
        }
        List<Channel> channels = repeats.told(mode, Masters.nearest(placed, places.cells()));
        List<Relation> relations = relations(channels);
        return given(name, channels, relations, places.cells())
                .orElseGet(() -> mode(name, channels, relations, places.cells()));
    }

    private Mode mode(String name, List<Channel> channels, List<Relation> relations, Cells cells) {
        return new Mode(name, channels, cells, lamp(), lights(channels), Profile.byName(wheels), beam(), relations);
    }

    /** Without the dimmers that a mode is given anyway, where the file says just those. */
    private Optional<Mode> given(String name, List<Channel> channels, List<Relation> relations, Cells cells) {
        List<Channel> said = channels.stream().filter(Dimmed::like).toList();
        if (said.isEmpty()) {
            return Optional.empty();
        }
        Set<String> masters = said.stream().map(Channel::plainKey).collect(Collectors.toSet());
        Mode mode = mode(
                name,
                channels.stream().filter(c -> !said.contains(c)).toList(),
                relations.stream().filter(r -> !masters.contains(r.master())).toList(),
                cells);
        List<Dimmed> added = Dimmed.of(mode);
        boolean same = added.size() == said.size()
                && said.stream().allMatch(c -> added.stream().anyMatch(d -> d.says(c, dims(c, relations))));
        return same ? Optional.of(mode) : Optional.empty();
    }

    private static Set<String> dims(Channel master, List<Relation> relations) {
        return relations.stream()
                .filter(r -> r.master().equals(master.plainKey()) && r.type() == Relation.Type.MULTIPLY)
                .map(Relation::follower)
                .collect(Collectors.toSet());
    }

    /** What nothing of this mode places belongs to the fixture as a whole. */
    private List<Places.Standing> standings(Places places, Element channel) {
        List<Places.Standing> standings = places.of(channel);
        if (standings.isEmpty()) {
            report.odd(
                    channel,
                    "Geometry “" + channel.getAttribute("Geometry") + "” is not placed in mode “"
                            + mode.getAttribute("Name") + "”; the channel is taken as the fixture's own.");
            return List.of(new Places.Standing(0, List.of()));
        }
        return standings;
    }

    private BeamFacts beam() {
        return geometry.beam()
                .map(b -> new BeamFacts(
                        report.number(b, "ColorTemperature", LAMP_KELVIN),
                        report.number(b, "BeamAngle", 0),
                        report.number(b, "PowerConsumption", 0),
                        report.number(b, "LuminousFlux", 0)))
                .orElse(BeamFacts.UNKNOWN);
    }

    /** Older files write the follower as a channel, newer ones as a channel function. */
    private List<Relation> relations(List<Channel> channels) {
        Set<String> keys = channels.stream().map(Channel::plainKey).collect(Collectors.toSet());
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
