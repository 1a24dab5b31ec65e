package app.loculus.formats.gdtf;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Relation;
import app.loculus.core.unit.Resolution;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes one DMXMode. */
final class ModeWriter {

    private final Mode mode;
    private final String root;
    private final XmlText xml;
    private final Geometries geometries;

    ModeWriter(Mode mode, String root, XmlText xml) {
        this.mode = mode;
        this.root = root;
        this.xml = xml;
        this.geometries = Geometries.of(mode);
    }

    void write() {
        xml.open("DMXMode", "Name", mode.name(), "Description", "", "Geometry", root);
        xml.open("DMXChannels");
        DescriptionWriter.written(mode).stream().filter(c -> c.cell() <= 1).forEach(c -> channel(c, Geometries.of(c)));
        List<Dimmed> dimmed =
                Dimmed.of(mode).stream().filter(d -> d.dimmer().cell() <= 1).toList();
        dimmed.forEach(d -> channel(d.dimmer(), d.geometry(mode)));
        xml.close();
        xml.open("Relations");
        mode.relations().forEach(r -> relation(r.name(), r.master(), r.follower(), r.type()));
        dimmed.forEach(this::relations);
        xml.close();
        xml.empty("FTMacros");
        xml.close();
    }

    private void relation(String name, String master, String follower, Relation.Type type) {
        xml.empty(
                "Relation",
                "Name",
                name,
                "Master",
                master,
                "Follower",
                follower,
                "Type",
                type.name().charAt(0) + type.name().substring(1).toLowerCase(java.util.Locale.ROOT));
    }

    /** The follower is the function of the light, as the standard has it. */
    private void relations(Dimmed dimmed) {
        String master = dimmed.geometry(mode) + "_" + dimmed.dimmer().attribute();
        Set<String> told = new HashSet<>();
        mode.channels().stream()
                .filter(c -> dimmed.followers().contains(c.plainKey()) && told.add(c.plainKey()))
                .forEach(c -> relation(
                        "Dims " + c.plainKey(),
                        master,
                        c.plainKey() + "." + c.attribute() + "."
                                + XmlText.name(c.functions().get(0).name()),
                        Relation.Type.MULTIPLY));
    }

    private void channel(Channel c, String geometry) {
        int shift = geometries.shiftOf(c);
        Resolution resolution = c.resolution();
        String offsets =
                c.offsets().stream().map(o -> String.valueOf(o - shift)).collect(Collectors.joining(","));
        String highlight = c.highlight().isPresent() ? dmx(c.highlight().getAsLong(), resolution) : "None";
        ChannelFunction initial = c.functions().stream()
                .filter(f -> f.home() == c.home())
                .findFirst()
                .orElse(c.functions().get(0));
        xml.open(
                "DMXChannel",
                "DMXBreak",
                String.valueOf(c.breakNumber()),
                "Offset",
                offsets.isEmpty() ? "None" : offsets,
                "Highlight",
                highlight,
                "Geometry",
                geometry,
                "InitialFunction",
                geometry + "_" + c.attribute() + "." + c.attribute() + "." + initial.name());
        xml.open(
                "LogicalChannel",
                "Attribute",
                c.attribute().name(),
                "Snap",
                c.snap() ? "Yes" : "No",
                "Master",
                c.attribute().name().equals("Dimmer") ? "Grand" : "None");
        List<ChannelFunction> functions = c.functions();
        functions.forEach(f -> function(f, f == initial ? c.home() : f.home(), resolution));
        xml.close();
        xml.close();
    }

    private void function(ChannelFunction f, long home, Resolution resolution) {
        xml.begin(
                "ChannelFunction",
                "Name",
                XmlText.name(f.name()),
                "Attribute",
                f.attribute().name(),
                "DMXFrom",
                dmx(f.from(), resolution),
                "Default",
                dmx(home, resolution),
                "PhysicalFrom",
                XmlText.number(f.physicalFrom()),
                "PhysicalTo",
                XmlText.number(f.physicalTo()));
        f.wheel().ifPresent(w -> xml.attribute("Wheel", w));
        if (f.attribute().isAdditive()
                && mode.emitters().containsKey(f.attribute())
                && mode.emitters().get(f.attribute()).chromaticity().isPresent()) {
            xml.attribute("Emitter", DescriptionWriter.emitterName(f.emitter().orElse(""), f.attribute()));
        }
        f.master().ifPresent(m -> {
            Optional<Channel> master = mode.channels().stream()
                    .filter(c -> c.key().equals(m.channel()))
                    .findFirst();
            Resolution masters = master.map(Channel::resolution).orElse(new Resolution(1));
            xml.attribute("ModeMaster", master.map(Channel::plainKey).orElse(m.channel()));
            xml.attribute("ModeFrom", dmx(m.from(), masters));
            xml.attribute("ModeTo", dmx(m.to(), masters));
        });
        sets(f, resolution);
        xml.close();
    }

    /** Ranges, with a nameless set where one ends before the next begins. */
    private void sets(ChannelFunction f, Resolution resolution) {
        List<NamedRange> ranges = f.ranges().stream()
                .sorted(Comparator.comparingLong(NamedRange::from))
                .toList();
        for (int i = 0; i < ranges.size(); i++) {
            NamedRange r = ranges.get(i);
            xml.empty(
                    "ChannelSet",
                    "Name",
                    r.name(),
                    "DMXFrom",
                    dmx(r.from(), resolution),
                    "PhysicalFrom",
                    XmlText.number(r.physicalFrom()),
                    "PhysicalTo",
                    XmlText.number(r.physicalTo()),
                    "WheelSlotIndex",
                    String.valueOf(r.wheelSlot()));
            long next = i + 1 < ranges.size() ? ranges.get(i + 1).from() : f.to() + 1;
            if (r.to() + 1 < next) {
                xml.empty("ChannelSet", "Name", "", "DMXFrom", dmx(r.to() + 1, resolution));
            }
        }
    }

    private static String dmx(long value, Resolution resolution) {
        return value + "/" + resolution.octets();
    }
}
