package app.loculus.formats.gdtf;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;

/**
 * Where the channels of one mode stand.
 *
 * <p>A place is the mode's own tree; a tree that a reference places, once for each reference and each place the
 * reference itself stands in; a branch that dims or colours on its own beside another branch, or below something that
 * dims or colours as well; and, where one geometry has several channels of one such attribute, each turn of them.
 * Every place with channels, but for the first, is a cell.
 */
final class Places {

    /** Far above any fixture. */
    private static final int MOST = 2048;

    private static final int DEEPEST = 64;

    private final Element mode;
    private final GeometryTree geometry;
    private final Report report;
    private final Map<String, List<Element>> channels = new LinkedHashMap<>();
    private final Map<Element, Integer> turns = new HashMap<>();
    private final Set<Element> branches = new HashSet<>();
    private final List<Place> places = new ArrayList<>();
    private final Map<Integer, Integer> numbers = new HashMap<>();
    private Cells cells = Cells.NONE;

    /**
     * One place.
     *
     * @param index its own, in the order found; @param parent that of what it stands in, -1 for the mode's own tree
     * @param names geometries that lie in it
     * @param references what led to it, innermost first
     * @param turn which of several like channels of one geometry; 0 for those there are once
     */
    private record Place(int index, int parent, Set<String> names, List<Element> references, int turn) {}

    /** Where one copy of a channel goes: its cell, and the references that shift it, innermost first. */
    record Standing(int cell, List<Element> references) {}

    Places(Element mode, GeometryTree geometry, List<Element> elements, Report report) {
        this.mode = mode;
        this.report = report;
        this.geometry = geometry;
        elements.forEach(e -> channels.computeIfAbsent(e.getAttribute("Geometry"), g -> new ArrayList<>())
                .add(e));
        channels.forEach(this::takeTurns);
        geometry.trees().forEach(top -> branch(top, Set.of(), 0));
        Set<String> strays = new LinkedHashSet<>(channels.keySet());
        strays.removeIf(geometry::knows);
        strays.forEach(name -> channels.get(name)
                .forEach(c -> report.odd(
                        c, "Geometry “" + name + "” does not exist; the channel is taken as the fixture's own.")));
        geometry.root().ifPresentOrElse(top -> stand(top, List.of(), -1, strays), () -> add(-1, strays, List.of(), 0));
        number();
    }

    Cells cells() {
        return cells;
    }

    /** Where a channel stands; nowhere when nothing of this mode places its geometry. */
    List<Standing> of(Element channel) {
        String name = channel.getAttribute("Geometry");
        int turn = turns.getOrDefault(channel, 0);
        return places.stream()
                .filter(p -> p.turn == turn && p.names.contains(name))
                .map(p -> new Standing(numbers.get(p.index), p.references))
                .sorted(Comparator.comparingInt(Standing::cell))
                .toList();
    }

    /** Channels of one geometry that dim or colour alike are taken in turn. */
    private void takeTurns(String name, List<Element> ofOneGeometry) {
        Map<String, List<Element>> alike = new LinkedHashMap<>();
        ofOneGeometry.forEach(e -> lights(e)
                .forEach(a -> alike.computeIfAbsent(a, k -> new ArrayList<>()).add(e)));
        alike.forEach((attribute, run) -> {
            if (run.size() == 1) {
                return;
            }
            report.odd(
                    mode,
                    attribute + " is there " + run.size() + " times at “" + name + "”; each is a cell of its own.");
            for (int i = 0; i < run.size(); i++) {
                turns.put(run.get(i), i + 1);
            }
        });
    }

    /** What a channel dims or colours in any mode of operation; empty for all others. */
    private static Set<String> lights(Element channel) {
        String attribute = ChannelReader.naming(channel);
        boolean light = attribute.equals(Attribute.DIMMER.name()) || new Attribute(attribute).isVisibleAdditive();
        boolean always = Xml.path(channel, "LogicalChannel", "ChannelFunction").stream()
                .allMatch(f -> Xml.text(f, "ModeMaster", "").isEmpty());
        return light && always ? Set.of(attribute) : Set.of();
    }

    private Set<String> lightsAt(Element geometryElement) {
        Set<String> found = new LinkedHashSet<>();
        if (!geometry.holds(geometryElement)) {
            return found;
        }
        channels.getOrDefault(geometryElement.getAttribute("Name"), List.of()).forEach(c -> found.addAll(lights(c)));
        return found;
    }

    /**
     * Finds the branches below a geometry that stand for themselves.
     *
     * @param above what is dimmed or coloured on the way down to it
     * @return what is dimmed or coloured in it
     */
    private Set<String> branch(Element at, Set<String> above, int depth) {
        if (depth > DEEPEST) {
            throw Refusal.of(
                    "gdtf.geometry", Report.place(at), "Geometry is nested deeper than " + DEEPEST + " levels.");
        }
        Set<String> all = new LinkedHashSet<>(lightsAt(at));
        if (all.stream().anyMatch(above::contains)) {
            branches.add(at);
        }
        List<Element> below = GeometryTree.below(at);
        Map<String, List<Element>> having = new LinkedHashMap<>();
        below.forEach(child -> inside(child, 0)
                .forEach(a -> having.computeIfAbsent(a, k -> new ArrayList<>()).add(child)));
        having.values().stream().filter(h -> h.size() > 1).forEach(branches::addAll);
        Set<String> passed = new LinkedHashSet<>(above);
        passed.addAll(all);
        for (Element child : below) {
            all.addAll(branch(child, branches.contains(child) ? Set.of() : passed, depth + 1));
        }
        return all;
    }

    private Set<String> inside(Element at, int depth) {
        Set<String> found = new LinkedHashSet<>(lightsAt(at));
        if (depth <= DEEPEST) {
            GeometryTree.below(at).forEach(child -> found.addAll(inside(child, depth + 1)));
        }
        return found;
    }

    private void stand(Element top, List<Element> references, int parent, Set<String> strays) {
        Set<String> names = new LinkedHashSet<>(strays);
        List<Element> later = new ArrayList<>();
        gather(top, names, later);
        Place place = add(parent, names, references, 0);
        names.forEach(name -> channels.getOrDefault(name, List.of()).stream()
                .mapToInt(c -> turns.getOrDefault(c, 0))
                .filter(turn -> turn > 0)
                .distinct()
                .forEach(turn -> add(place.index, Set.of(name), references, turn)));
        for (Element next : later) {
            if (next.getTagName().equals("GeometryReference")) {
                List<Element> longer = new ArrayList<>(List.of(next));
                longer.addAll(references);
                geometry.placedBy(next).ifPresent(tree -> stand(tree, longer, place.index, Set.of()));
            } else {
                stand(next, references, place.index, Set.of());
            }
        }
    }

    /** Names that belong to a place itself, and what in it makes places of its own. */
    private void gather(Element at, Set<String> names, List<Element> later) {
        if (geometry.holds(at)) {
            names.add(at.getAttribute("Name"));
        }
        for (Element child : Xml.children(at, "*")) {
            if (child.getTagName().equals("GeometryReference") || branches.contains(child)) {
                later.add(child);
            } else if (!child.getAttribute("Name").isEmpty()) {
                gather(child, names, later);
            }
        }
    }

    private Place add(int parent, Set<String> names, List<Element> references, int turn) {
        if (places.size() > MOST) {
            throw Refusal.of(
                    "gdtf.large",
                    Report.place(mode),
                    "The mode has too many cells to be a fixture; at most " + MOST + " are read.");
        }
        Place place = new Place(places.size(), parent, names, references, turn);
        places.add(place);
        return place;
    }

    /** Cells that hold no others first, in the order found; then those that do. */
    private void number() {
        Set<Integer> filled = new LinkedHashSet<>();
        places.stream().skip(1).filter(this::hasChannels).forEach(p -> filled.add(p.index));
        Set<Integer> outer = new HashSet<>();
        filled.forEach(i -> outer.add(holder(i, filled)));
        List<Integer> order = new ArrayList<>();
        filled.stream().filter(i -> !outer.contains(i)).forEach(order::add);
        filled.stream().filter(outer::contains).forEach(order::add);
        places.forEach(p -> numbers.put(p.index, order.indexOf(p.index) + 1));
        cells = new Cells(
                order.stream().map(i -> order.indexOf(holder(i, filled)) + 1).toList());
    }

    private boolean hasChannels(Place place) {
        return place.names.stream()
                .flatMap(n -> channels.getOrDefault(n, List.of()).stream())
                .anyMatch(c -> turns.getOrDefault(c, 0) == place.turn);
    }

    /** The nearest place around it that is a cell; -1 for the fixture itself. */
    private int holder(int index, Set<Integer> filled) {
        int at = places.get(index).parent;
        while (at > 0 && !filled.contains(at)) {
            at = places.get(at).parent;
        }
        return at > 0 ? at : -1;
    }
}
