package app.loculus.formats.gdtf;

import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.unit.Resolution;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.w3c.dom.Element;

/** Reads one DMXChannel, once or once per cell. */
final class ChannelReader {

    private static final int MOST_OCTETS = 4;
    private static final int MOST_FUNCTIONS = 512;
    private static final int MOST_RANGES = 4096;

    private final Element mode;
    private final Element channel;
    private final Map<String, Element> byKey;
    private final Report report;

    /** @param byKey every channel of the mode by its node name */
    ChannelReader(Element mode, Element channel, Map<String, Element> byKey, Report report) {
        this.mode = mode;
        this.channel = channel;
        this.byKey = byKey;
        this.report = report;
    }

    Optional<Channel> read() {
        String breakText = Xml.text(channel, "DMXBreak", "1");
        int breakNumber = breakText.matches("\\d{1,3}") ? Integer.parseInt(breakText) : 1;
        return read(0, Math.max(1, breakNumber), 0);
    }

    /** @param reference the GeometryReference that places this cell */
    Optional<Channel> readCell(int cell, Element reference) {
        String breakText = Xml.text(channel, "DMXBreak", "1");
        List<Element> breaks = Xml.children(reference, "Break");
        Optional<Element> own = breakText.equals("Overwrite")
                ? breaks.stream().reduce((a, b) -> b)
                : breaks.stream()
                        .filter(b -> Xml.text(b, "DMXBreak", "1").equals(breakText))
                        .findFirst();
        int breakNumber = own.map(b -> (int) report.number(b, "DMXBreak", 1)).orElse(1);
        return read(cell, breakNumber, own.map(this::shift).orElse(0));
    }

    /** Slots to add to every offset: the reference's DMXOffset, 1 for no shift. */
    private int shift(Element breakElement) {
        String text = Xml.text(breakElement, "DMXOffset", "1");
        if (text.matches("\\d{1,6}")) {
            return Integer.parseInt(text) - 1;
        }
        Address address = Address.parse(text);
        return (address.universe() - 1) * Address.SLOTS + address.slot() - 1;
    }

    private Optional<Channel> read(int cell, int breakNumber, int shift) {
        List<Integer> offsets = offsets(shift);
        Resolution resolution = new Resolution(Math.max(1, offsets.size()));
        List<ChannelFunction> functions = functions(resolution);
        if (functions.isEmpty()) {
            report.odd(
                    channel, "A channel of mode “" + mode.getAttribute("Name") + "” has no function; it is left out.");
            return Optional.empty();
        }
        if (cell <= 1 && !offsets.isEmpty() && !saysHome()) {
            report.odd(channel, "No home value is given for " + functions.get(0).attribute() + "; 0 is used.");
        }
        String key = key(channel) + (cell == 0 ? "" : "#" + cell);
        return Optional.of(new Channel(
                key, breakNumber, offsets, cell, functions, home(functions, resolution), highlight(resolution)));
    }

    private List<Integer> offsets(int shift) {
        String text = Xml.text(channel, "Offset", "None");
        List<Integer> offsets = new ArrayList<>();
        for (String part : text.equals("None") ? new String[0] : text.split(",")) {
            int offset = part.strip().matches("\\d{1,5}") ? Integer.parseInt(part.strip()) + shift : 0;
            if (offset < 1 || offset > Address.SLOTS) {
                report.odd(channel, "Offset “" + text + "” is outside 1 to 512; the channel goes without a slot.");
                return List.of();
            }
            offsets.add(offset);
        }
        return offsets.size() > MOST_OCTETS ? offsets.subList(0, MOST_OCTETS) : offsets;
    }

    /** {@code Geometry_FirstLogicalAttribute}. */
    static String key(Element channel) {
        String attribute = Xml.child(channel, "LogicalChannel")
                .map(l -> l.getAttribute("Attribute"))
                .orElse("NoFeature");
        return channel.getAttribute("Geometry") + "_" + attribute;
    }

    private boolean saysHome() {
        return !channel.getAttribute("Default").isEmpty()
                || Xml.path(channel, "LogicalChannel", "ChannelFunction").stream()
                        .anyMatch(f -> !f.getAttribute("Default").isEmpty());
    }

    private long home(List<ChannelFunction> functions, Resolution resolution) {
        if (!channel.getAttribute("Default").isEmpty()) {
            return report.dmx(channel, "Default", "0/1").in(resolution);
        }
        String[] initial = Xml.text(channel, "InitialFunction", "").split("\\.");
        String wanted = initial[initial.length - 1];
        return functions.stream()
                .filter(f -> f.name().equals(wanted))
                .findFirst()
                .orElse(functions.get(0))
                .home();
    }

    private OptionalLong highlight(Resolution resolution) {
        String text = Xml.text(channel, "Highlight", "None");
        return text.equals("None")
                ? OptionalLong.empty()
                : OptionalLong.of(report.dmx(channel, "Highlight", "0/1").in(resolution));
    }

    private List<ChannelFunction> functions(Resolution resolution) {
        List<Element> elements = Xml.path(channel, "LogicalChannel", "ChannelFunction");
        if (elements.size() > MOST_FUNCTIONS) {
            throw Refusal.of(
                    "gdtf.large",
                    Report.place(mode),
                    "A channel has " + elements.size() + " functions; at most " + MOST_FUNCTIONS + " are read.");
        }
        Map<String, List<Element>> siblings = new LinkedHashMap<>();
        for (Element e : elements) {
            String master =
                    e.getAttribute("ModeMaster") + " " + e.getAttribute("ModeFrom") + " " + e.getAttribute("ModeTo");
            siblings.computeIfAbsent(master, m -> new ArrayList<>()).add(e);
        }
        List<ChannelFunction> functions = new ArrayList<>();
        for (Element e : elements) {
            List<Element> run = siblings.values().stream()
                    .filter(l -> l.contains(e))
                    .findFirst()
                    .orElseThrow();
            functions.add(function(e, end(run, e, resolution, resolution.max()), resolution));
        }
        return functions;
    }

    /** One below where the next sibling begins, or the given end for the last. */
    private long end(List<Element> siblings, Element element, Resolution resolution, long last) {
        long from = from(element, resolution);
        return siblings.stream().mapToLong(s -> from(s, resolution)).filter(other -> other > from).min().stream()
                .map(next -> next - 1)
                .findFirst()
                .orElse(last);
    }

    private long from(Element element, Resolution resolution) {
        return report.dmx(element, "DMXFrom", "0/1").in(resolution);
    }

    private ChannelFunction function(Element e, long to, Resolution resolution) {
        long from = from(e, resolution);
        double physicalFrom = report.number(e, "PhysicalFrom", 0);
        double physicalTo = report.number(e, "PhysicalTo", 1);
        String attribute = Xml.text(e, "Attribute", "NoFeature");
        long end = Math.max(from, to);
        return new ChannelFunction(
                Xml.text(e, "Name", attribute),
                new Attribute(attribute),
                from,
                end,
                physicalFrom,
                physicalTo,
                report.dmx(e, "Default", "0/1").in(resolution),
                named(e, "Wheel"),
                named(e, "Emitter"),
                master(e),
                ranges(e, from, end, physicalFrom, physicalTo, resolution));
    }

    private static Optional<String> named(Element e, String attribute) {
        return Optional.of(e.getAttribute(attribute)).filter(s -> !s.isBlank());
    }

    private Optional<ModeMaster> master(Element e) {
        String node = Xml.text(e, "ModeMaster", "");
        if (node.isEmpty()) {
            return Optional.empty();
        }
        String key = node.split("\\.")[0];
        Optional<Element> master = Optional.ofNullable(byKey.get(key));
        if (master.isEmpty()) {
            report.odd(e, "ModeMaster “" + node + "” names no channel; the function always works.");
            return Optional.empty();
        }
        Resolution resolution = new Resolution(Math.max(
                1,
                new ChannelReader(mode, master.get(), byKey, report).offsets(0).size()));
        return Optional.of(new ModeMaster(
                key,
                report.dmx(e, "ModeFrom", "0/1").in(resolution),
                report.dmx(e, "ModeTo", "0/1").in(resolution)));
    }

    private List<NamedRange> ranges(
            Element e, long from, long to, double physicalFrom, double physicalTo, Resolution resolution) {
        List<Element> sets = Xml.children(e, "ChannelSet");
        if (sets.size() > MOST_RANGES) {
            throw Refusal.of(
                    "gdtf.large",
                    Report.place(e),
                    "The function has " + sets.size() + " ranges; at most " + MOST_RANGES + " are read.");
        }
        List<NamedRange> ranges = new ArrayList<>();
        for (Element set : sets) {
            long start = from(set, resolution);
            long end = Math.min(to, end(sets, set, resolution, to));
            if (!set.getAttribute("Name").isBlank() && start >= from && start <= end) {
                double span = to == from ? 1 : to - from;
                double lowest = physicalFrom + (start - from) / span * (physicalTo - physicalFrom);
                double highest = physicalFrom + (end - from) / span * (physicalTo - physicalFrom);
                ranges.add(new NamedRange(
                        set.getAttribute("Name"),
                        start,
                        end,
                        report.number(set, "PhysicalFrom", lowest),
                        report.number(set, "PhysicalTo", highest),
                        (int) report.number(set, "WheelSlotIndex", 0)));
            }
        }
        return ranges;
    }
}
