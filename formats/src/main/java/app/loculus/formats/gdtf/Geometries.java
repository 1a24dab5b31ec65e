package app.loculus.formats.gdtf;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.facts.BeamFacts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The geometry names of a mode's channels, and how its cells are placed: each cell is the first one, shifted.
 *
 * @param wholes geometries of the whole fixture
 * @param cellRoot the top geometry that is placed once for each cell
 * @param cellParts geometries inside it
 * @param shifts for each cell, slots by break that its channels lie behind those of the first cell's origin
 */
record Geometries(Set<String> wholes, String cellRoot, Set<String> cellParts, List<Map<Integer, Integer>> shifts) {

    static Geometries of(Mode mode) {
        Set<String> wholes = new LinkedHashSet<>();
        Set<String> parts = new LinkedHashSet<>();
        for (Channel c : DescriptionWriter.written(mode)) {
            (c.cell() == 0 ? wholes : parts).add(of(c));
        }
        List<Map<Integer, Integer>> shifts = new ArrayList<>();
        for (int cell = 1; cell <= mode.cells(); cell++) {
            shifts.add(shift(mode, cell));
        }
        return new Geometries(wholes, "Cell of " + mode.name().replace('.', ' '), parts, shifts);
    }

    /** A geometry of the whole fixture; an axis turns by pan or tilt. */
    record Part(String name, boolean axis) {}

    /** What pans holds what tilts, that holds everything else. At least one. */
    List<Part> chain(Mode mode) {
        Set<String> pans = of(mode, "Pan");
        Set<String> tilts = of(mode, "Tilt");
        List<Part> chain = new ArrayList<>();
        pans.forEach(n -> chain.add(new Part(n, true)));
        tilts.stream().filter(n -> !pans.contains(n)).forEach(n -> chain.add(new Part(n, true)));
        wholes.stream()
                .filter(n -> !pans.contains(n) && !tilts.contains(n))
                .forEach(n -> chain.add(new Part(n, false)));
        return chain.isEmpty() ? List.of(new Part("Head", false)) : chain;
    }

    private static Set<String> of(Mode mode, String attribute) {
        Set<String> names = new LinkedHashSet<>();
        mode.channels().stream()
                .filter(c -> c.cell() == 0 && c.attribute().name().equals(attribute))
                .forEach(c -> names.add(of(c)));
        return names;
    }

    /** The part of a channel's key in front of its attribute. */
    static String of(Channel channel) {
        String key = channel.plainKey();
        String tail = "_" + channel.attribute().name();
        return key.endsWith(tail) ? key.substring(0, key.length() - tail.length()) : key.split("_")[0];
    }

    /** By break: the lowest slot of the cell, from 0. */
    private static Map<Integer, Integer> shift(Mode mode, int cell) {
        Map<Integer, Integer> lowest = new TreeMap<>();
        mode.channels().stream()
                .filter(c -> c.cell() == cell && !c.virtual())
                .forEach(c -> c.offsets().forEach(o -> lowest.merge(c.breakNumber(), o - 1, Math::min)));
        return lowest;
    }

    void references(XmlText xml) {
        for (int i = 0; i < shifts.size(); i++) {
            xml.open("GeometryReference", "Name", cellRoot + " " + (i + 1), "Geometry", cellRoot);
            shifts.get(i)
                    .forEach((number, shift) -> xml.empty(
                            "Break", "DMXBreak", String.valueOf(number), "DMXOffset", String.valueOf(shift + 1)));
            xml.close();
        }
    }

    void cells(XmlText xml, BeamFacts beam) {
        xml.open("Geometry", "Name", cellRoot);
        cellParts.forEach(part -> {
            xml.open("Geometry", "Name", part);
            DescriptionWriter.beam(xml, part + " cell beam", beam);
            xml.close();
        });
        xml.close();
    }

    /** Slots to take off a cell channel's offsets, so that the reference puts them back. */
    int shiftOf(Channel channel) {
        return channel.cell() == 0 ? 0 : shifts.get(channel.cell() - 1).getOrDefault(channel.breakNumber(), 0);
    }

    /** Whether every cell is the first one, shifted; else the format cannot say it. */
    static boolean regular(Mode mode) {
        Geometries geometries = of(mode);
        Map<Integer, List<String>> byCell = new LinkedHashMap<>();
        for (Channel c : mode.channels()) {
            if (c.cell() > 0 && !c.virtual()) {
                int shift = geometries.shiftOf(c);
                byCell.computeIfAbsent(c.cell(), k -> new ArrayList<>())
                        .add(c.attribute() + " "
                                + c.offsets().stream().map(o -> o - shift).toList());
            }
        }
        return byCell.values().stream().distinct().count() <= 1;
    }
}
