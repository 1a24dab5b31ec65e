package app.loculus.formats.gdtf;

import app.loculus.core.patch.Address;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.unit.Resolution;
import app.loculus.formats.xml.Xml;
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

    /** The channel where it stands; nothing when it does nothing. */
    Optional<Channel> read(Places.Standing standing) {
        String number = Xml.text(channel, "DMXBreak", "1");
        int shift = 0;
        for (Element reference : standing.references()) {
            Optional<Element> own = breakOf(reference, number);
            shift += own.map(this::shift).orElse(0);
            number = own.map(b -> Xml.text(b, "DMXBreak", "1")).orElse(number);
        }
        return read(standing.cell(), breakNumber(number), shift);
    }

    /** What a reference says of a break; an overwritten one is taken from its last. */
    private static Optional<Element> breakOf(Element reference, String number) {
        List<Element> breaks = Xml.children(reference, "Break");
        return number.equals("Overwrite")
                ? breaks.stream().reduce((a, b) -> b)
                : breaks.stream()
                        .filter(b -> Xml.text(b, "DMXBreak", "1").equals(number))
                        .findFirst();
    }

    private int breakNumber(String text) {
        if (text.matches("0*[1-9]\\d{0,2}")) {
            return Integer.parseInt(text);
        }
        if (!text.equals("Overwrite")) {
            report.odd(channel, "DMXBreak “" + text + "” is no number from 1 to 999; 1 is used.");
        }
        return 1;
    }

    /** Slots to add to every offset: the reference's DMXOffset, 1 for no shift. */
    private int shift(Element breakElement) {
        String text = Xml.text(breakElement, "DMXOffset", "1");
        if (text.matches("0*[1-9]\\d{0,5}")) {
            return Integer.parseInt(text) - 1;
        }
        try {
            Address address = Address.parse(text);
            return (address.universe() - 1) * Address.SLOTS + address.slot() - 1;
        } catch (Refusal e) {
            report.odd(breakElement, "DMXOffset “" + text + "” is no address; the cell is not shifted.");
            return 0;
        }
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
        if (!offsets.isEmpty() && !saysHome()) {
            report.odd(channel, "No home value is given for " + functions.get(0).attribute() + "; 0 is used.");
        }
        String key = key(channel) + (cell == 0 ? "" : "#" + cell);
        return Optional.of(new Channel(
                key,
                breakNumber,
                offsets,
                cell,
                functions,
                home(functions, resolution),
                highlight(resolution),
                snaps()));
    }

    /** {@code Yes} and {@code On} jump; {@code No} and {@code Off} fade, and so does what says nothing. */
    private boolean snaps() {
        return Xml.child(channel, "LogicalChannel")
                .map(l -> l.getAttribute("Snap"))
                .filter(s -> s.equals("Yes") || s.equals("On"))
                .isPresent();
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
        if (offsets.size() > MOST_OCTETS) {
            report.odd(
                    channel,
                    "Offset “" + text + "” has " + offsets.size() + " slots; the first " + MOST_OCTETS + " are used.");
            return offsets.subList(0, MOST_OCTETS);
        }
        if (offsets.stream().distinct().count() < offsets.size()) {
            report.odd(channel, "Offset “" + text + "” names a slot twice; the later one goes out.");
        }
        return offsets;
    }

    /** {@code Geometry_FirstLogicalAttribute}. */
    static String key(Element channel) {
        String attribute = Xml.child(channel, "LogicalChannel")
                .map(l -> l.getAttribute("Attribute"))
                .orElse("NoFeature");
        return channel.getAttribute("Geometry") + "_" + attribute;
    }

    /** The attribute that a channel is named by: that of its first function. */
    static String naming(Element channel) {
        return Xml.child(channel, "LogicalChannel")
                .map(l -> Xml.child(l, "ChannelFunction")
                        .map(f -> Xml.text(f, "Attribute", "NoFeature"))
                        .orElse(l.getAttribute("Attribute")))
                .orElse("NoFeature");
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
        String initial = Xml.text(channel, "InitialFunction", "");
        String wanted = initial.substring(initial.lastIndexOf('.') + 1);
        Optional<ChannelFunction> first =
                functions.stream().filter(f -> f.name().equals(wanted)).findFirst();
        if (!initial.isEmpty() && first.isEmpty()) {
            report.odd(
                    channel,
                    "InitialFunction “" + initial + "” is no function of this channel; its first one is used.");
        }
        return first.orElse(functions.get(0)).home();
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
        siblings.values().forEach(run -> inOrder(run, "Functions", resolution));
        List<ChannelFunction> functions = new ArrayList<>();
        for (int i = 0; i < elements.size(); i++) {
            Element e = elements.get(i);
            List<Element> run = siblings.values().stream()
                    .filter(l -> l.contains(e))
                    .findFirst()
                    .orElseThrow();
            functions.add(function(e, i + 1, end(run, e, resolution, resolution.max()), resolution));
        }
        return functions;
    }

    /** What runs from its DMXFrom to the next one's is meant to be written in that order. */
    private void inOrder(List<Element> run, String what, Resolution resolution) {
        for (int i = 1; i < run.size(); i++) {
            long before = from(run.get(i - 1), resolution);
            long here = from(run.get(i), resolution);
            if (here < before) {
                report.odd(
                        run.get(i),
                        what + " are not in order: " + here + " comes behind " + before
                                + "; each is taken up to the next higher one.");
            } else if (here == before) {
                report.odd(
                        run.get(i),
                        what + " “" + name(run.get(i - 1)) + "” and “" + name(run.get(i)) + "” both begin at " + here
                                + ".");
            }
        }
    }

    private static String name(Element e) {
        return Xml.text(e, "Name", Xml.text(e, "Attribute", ""));
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

    private ChannelFunction function(Element e, int index, long to, Resolution resolution) {
        long from = from(e, resolution);
        double physicalFrom = report.number(e, "PhysicalFrom", 0);
        double physicalTo = report.number(e, "PhysicalTo", 1);
        String attribute = Xml.text(e, "Attribute", "NoFeature");
        long end = Math.max(from, to);
        return new ChannelFunction(
                Xml.text(e, "Name", attribute + " " + index),
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
        inOrder(sets, "Ranges", resolution);
        List<NamedRange> ranges = new ArrayList<>();
        for (Element set : sets) {
            long start = from(set, resolution);
            long end = Math.min(to, end(sets, set, resolution, to));
            if (start < from || start > to) {
                report.odd(
                        set,
                        "It begins at " + start + ", outside its function, which runs from " + from + " to " + to
                                + "; it is left out.");
            }
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
