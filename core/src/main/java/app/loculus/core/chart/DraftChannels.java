package app.loculus.core.chart;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.unit.Resolution;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;

/** Gives the channels of a drafted mode their slots, cell by cell. */
final class DraftChannels {

    private static final int TOP = 255;

    private final DraftMode mode;
    private final String geometry;
    private final Parts parts;
    private final Map<Integer, Integer> next = new HashMap<>();
    private final List<Channel> channels = new ArrayList<>();

    /** What a channel drives, by name. @param wheel empty for none; @param emitter empty for none */
    record Parts(Function<DraftChannel, Optional<String>> wheel, Function<DraftChannel, Optional<String>> emitter) {

        static final Parts NONE = new Parts(c -> Optional.empty(), c -> Optional.empty());
    }

    /** @param geometry added to the names of geometries, which are unique in the whole fixture */
    DraftChannels(DraftMode mode, String geometry, Parts parts) {
        this.mode = mode;
        this.geometry = geometry;
        this.parts = parts;
    }

    List<Channel> channels() {
        List<DraftChannel> all = mode.channels();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).inCell() && mode.cells() > 0) {
                int end = i;
                while (end + 1 < all.size() && all.get(end + 1).inCell()) {
                    end++;
                }
                cells(all.subList(i, end + 1));
                i = end;
            } else {
                channels.add(channel(all.get(i), 0));
            }
        }
        return channels;
    }

    private void cells(List<DraftChannel> block) {
        for (int cell = 1; cell <= mode.cells(); cell++) {
            for (DraftChannel channel : block) {
                channels.add(channel(channel, cell));
            }
        }
    }

    private Channel channel(DraftChannel c, int cell) {
        Resolution resolution = new Resolution(Math.max(1, Math.min(4, c.octets())));
        List<Integer> offsets = new ArrayList<>();
        for (int i = 0; i < resolution.octets(); i++) {
            offsets.add(next.merge(Math.max(1, c.breakNumber()), 1, Integer::sum));
        }
        OptionalLong highlight =
                c.highlight() < 0 ? OptionalLong.empty() : OptionalLong.of(value(c.highlight(), resolution));
        return new Channel(
                key(c, cell),
                Math.max(1, c.breakNumber()),
                offsets,
                cell,
                functions(c, cell, resolution),
                value(c.home(), resolution),
                highlight);
    }

    private String key(DraftChannel c, int cell) {
        String whole = c.attribute().equals("Pan") ? "Yoke" : "Head";
        return (cell == 0 ? whole : "Cell") + geometry + "_" + c.attribute() + (cell == 0 ? "" : "#" + cell);
    }

    /** 255 is the top of any resolution; other values go into the coarse octet. */
    private static long value(int coarse, Resolution resolution) {
        int kept = Math.max(0, Math.min(TOP, coarse));
        return kept == TOP ? resolution.max() : first(kept, resolution);
    }

    private static long first(int coarse, Resolution resolution) {
        return (long) coarse << 8 * (resolution.octets() - 1);
    }

    private static long last(int coarse, Resolution resolution) {
        return first(coarse + 1, resolution) - 1;
    }

    /** One function for each run of ranges that do the same. */
    private List<ChannelFunction> functions(DraftChannel c, int cell, Resolution resolution) {
        List<ChannelFunction> functions = new ArrayList<>();
        List<DraftRange> ranges = c.ranges();
        int begin = 0;
        while (begin < ranges.size()) {
            int end = begin;
            while (end + 1 < ranges.size() && sort(c, ranges.get(end + 1)).equals(sort(c, ranges.get(begin)))) {
                end++;
            }
            boolean alone = begin == 0 && end == ranges.size() - 1;
            functions.add(function(c, cell, begin, end, alone, resolution));
            begin = end + 1;
        }
        return functions.isEmpty() ? List.of(function(c, cell, 0, -1, true, resolution)) : functions;
    }

    /** Ranges of one sort make one function. A closed shutter and an open one are two, because light is 0 or 1 there. */
    private static String sort(DraftChannel c, DraftRange r) {
        return r.attribute()
                + (r.attribute().isEmpty() ? Usually.shutter(c.attribute(), r).orElse("") : "");
    }

    private ChannelFunction function(
            DraftChannel c, int cell, int begin, int end, boolean alone, Resolution resolution) {
        List<DraftRange> own = c.ranges().subList(begin, end + 1);
        boolean other = !own.isEmpty() && !own.get(0).attribute().isEmpty();
        Optional<String> shutter =
                own.isEmpty() || other ? Optional.empty() : Usually.shutter(c.attribute(), own.get(0));
        double low = other ? own.get(0).physicalFrom() : c.physicalFrom();
        double high = other ? own.get(0).physicalTo() : c.physicalTo();
        if (shutter.isPresent()) {
            low = shutter.get().equals("closed") ? 0 : 1;
            high = low;
        }
        long from = alone ? 0 : first(own.get(0).from(), resolution);
        long to = alone ? resolution.max() : last(own.get(own.size() - 1).to(), resolution);
        Attribute attribute = new Attribute(other ? own.get(0).attribute() : c.attribute());
        List<NamedRange> named = new ArrayList<>();
        for (int i = 0; i < own.size(); i++) {
            named.add(range(
                    own.get(i),
                    c.wheel() ? begin + i + 1 : 0,
                    from,
                    to,
                    c.inverted() ? high : low,
                    c.inverted() ? low : high,
                    resolution));
        }
        return new ChannelFunction(
                attribute.name() + " " + (begin + 1),
                attribute,
                from,
                to,
                c.inverted() ? high : low,
                c.inverted() ? low : high,
                Math.max(from, Math.min(to, value(c.home(), resolution))),
                parts.wheel().apply(c),
                attribute.isAdditive() ? parts.emitter().apply(c) : Optional.empty(),
                master(c, cell),
                named);
    }

    private static NamedRange range(
            DraftRange r, int slot, long from, long to, double low, double high, Resolution resolution) {
        long first = first(r.from(), resolution);
        long last = last(r.to(), resolution);
        double span = Math.max(1, to - from);
        return new NamedRange(
                r.name(),
                first,
                last,
                low + (first - from) / span * (high - low),
                slot > 0 || last == first
                        ? low + (first - from) / span * (high - low)
                        : low + (last - from) / span * (high - low),
                slot);
    }

    /** A master inside a cell is that cell's own. */
    private Optional<ModeMaster> master(DraftChannel c, int cell) {
        return mode.channels().stream()
                .filter(m -> !c.needs().isEmpty() && m.label().equalsIgnoreCase(c.needs()) && m != c)
                .findFirst()
                .map(m -> {
                    Resolution resolution = new Resolution(m.octets());
                    return new ModeMaster(
                            key(m, m.inCell() ? cell : 0),
                            first(c.needsFrom(), resolution),
                            last(c.needsTo(), resolution));
                });
    }
}
