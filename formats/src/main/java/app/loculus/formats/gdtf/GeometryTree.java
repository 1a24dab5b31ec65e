package app.loculus.formats.gdtf;

import app.loculus.core.problem.Refusal;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.w3c.dom.Element;

/** The geometry of one mode: its own tree, and the trees that references place as cells. */
final class GeometryTree {

    /** Deeper nesting than this is a cycle or a mistake. */
    private static final int DEEPEST = 64;

    private final Map<String, Element> tops = new LinkedHashMap<>();
    private final Map<String, Element> known = new HashMap<>();
    private final Set<Element> reached = new HashSet<>();
    private final Optional<Element> root;

    GeometryTree(Element fixtureType, String root) {
        Xml.child(fixtureType, "Geometries")
                .ifPresent(g -> Xml.children(g, "*").forEach(top -> tops.putIfAbsent(top.getAttribute("Name"), top)));
        this.root = Optional.ofNullable(tops.get(root));
        this.root.ifPresent(top -> know(top, 0));
        tops.values().forEach(top -> know(top, 0));
    }

    /** @throws Refusal when a tree, by references, contains itself */
    static void refuseCycles(Element fixtureType) {
        Map<String, Set<String>> places = new HashMap<>();
        Xml.child(fixtureType, "Geometries")
                .ifPresent(g -> Xml.children(g, "*").forEach(top -> {
                    Set<String> placed = new HashSet<>();
                    collect(top, placed, 0);
                    places.put(top.getAttribute("Name"), placed);
                }));
        Set<String> fine = new HashSet<>();
        places.keySet().forEach(name -> follow(name, places, new ArrayList<>(), fine));
    }

    private static void collect(Element geometry, Set<String> placed, int depth) {
        if (depth > DEEPEST) {
            throw Refusal.of(
                    "gdtf.geometry", Report.place(geometry), "Geometry is nested deeper than " + DEEPEST + " levels.");
        }
        for (Element child : Xml.children(geometry, "*")) {
            if (child.getTagName().equals("GeometryReference")) {
                placed.add(child.getAttribute("Geometry"));
            }
            collect(child, placed, depth + 1);
        }
    }

    /** @param fine names already known to lead into no cycle, so that each is followed once */
    private static void follow(String name, Map<String, Set<String>> places, List<String> path, Set<String> fine) {
        if (path.contains(name)) {
            throw Refusal.of(
                    "gdtf.cycle",
                    "Geometry “" + name + "”",
                    "The geometry places itself: " + String.join(" → ", path) + " → " + name + ".");
        }
        if (path.size() > DEEPEST) {
            throw Refusal.of("gdtf.geometry", "Geometry “" + name + "”", "References are nested too deep.");
        }
        path.add(name);
        places.getOrDefault(name, Set.of()).stream()
                .filter(next -> !fine.contains(next))
                .forEach(next -> follow(next, places, path, fine));
        path.remove(path.size() - 1);
        fine.add(name);
    }

    /** Names of a tree, and of the trees it places. */
    private void know(Element geometry, int depth) {
        known.putIfAbsent(geometry.getAttribute("Name"), geometry);
        if (geometry.getTagName().equals("GeometryReference")) {
            placedBy(geometry).filter(reached::add).ifPresent(top -> know(top, 0));
        }
        if (depth <= DEEPEST) {
            Xml.children(geometry, "*").forEach(child -> know(child, depth + 1));
        }
    }

    /** Every top geometry of the fixture. */
    Collection<Element> trees() {
        return tops.values();
    }

    /** The mode's own tree; none when the mode names no top geometry. */
    Optional<Element> root() {
        return root;
    }

    /** Whether the fixture has a geometry of this name anywhere. */
    boolean knows(String name) {
        return known.containsKey(name);
    }

    /** Whether it is the geometry that its name means: the first of that name, what the mode places before all others. */
    boolean holds(Element geometry) {
        return known.get(geometry.getAttribute("Name")) == geometry;
    }

    Optional<Element> placedBy(Element reference) {
        return Optional.ofNullable(tops.get(reference.getAttribute("Geometry")));
    }

    /** Named parts of a geometry, without what references place. */
    static List<Element> below(Element geometry) {
        return Xml.children(geometry, "*").stream()
                .filter(c -> !c.getTagName().equals("GeometryReference")
                        && !c.getAttribute("Name").isEmpty())
                .toList();
    }

    /** The first beam of the mode, or of a tree that it places. */
    Optional<Element> beam() {
        return root.flatMap(r -> beam(r, new HashSet<>()));
    }

    private Optional<Element> beam(Element geometry, Set<Element> seen) {
        if (geometry.getTagName().equals("Beam") || !seen.add(geometry)) {
            return Optional.of(geometry).filter(g -> g.getTagName().equals("Beam"));
        }
        return Xml.children(geometry, "*").stream()
                .filter(c -> !c.getTagName().equals("GeometryReference"))
                .flatMap(c -> beam(c, seen).stream())
                .findFirst()
                .or(() -> Xml.children(geometry, "GeometryReference").stream()
                        .flatMap(r -> placedBy(r).stream())
                        .flatMap(t -> beam(t, seen).stream())
                        .findFirst());
    }
}
