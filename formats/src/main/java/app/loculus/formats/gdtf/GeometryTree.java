package app.loculus.formats.gdtf;

import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.w3c.dom.Element;

/** The geometry of one mode: which names lie in its own tree, and which trees are placed several times as cells. */
final class GeometryTree {

    /** Deeper nesting than this is a cycle or a mistake. */
    private static final int DEEPEST = 64;

    private final Map<String, Element> tops = new HashMap<>();
    private final Set<String> own = new HashSet<>();
    private final List<Element> references = new ArrayList<>();
    private Optional<Element> beam = Optional.empty();

    GeometryTree(Element fixtureType, String root) {
        Xml.child(fixtureType, "Geometries")
                .ifPresent(g -> Xml.children(g, "*").forEach(top -> tops.put(top.getAttribute("Name"), top)));
        Optional.ofNullable(tops.get(root)).ifPresent(top -> walk(top, 0));
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

    private void walk(Element geometry, int depth) {
        if (depth > DEEPEST) {
            throw Refusal.of(
                    "gdtf.geometry", Report.place(geometry), "Geometry is nested deeper than " + DEEPEST + " levels.");
        }
        own.add(geometry.getAttribute("Name"));
        if (geometry.getTagName().equals("Beam") && beam.isEmpty()) {
            beam = Optional.of(geometry);
        }
        for (Element child : Xml.children(geometry, "*")) {
            if (child.getTagName().equals("GeometryReference")) {
                references.add(child);
            } else if (!child.getAttribute("Name").isEmpty()) {
                walk(child, depth + 1);
            }
        }
    }

    /** References whose tree contains this geometry, in order: each is a cell. */
    List<Element> placing(String geometry) {
        return references.stream()
                .filter(r -> contains(tops.get(r.getAttribute("Geometry")), geometry, 0))
                .toList();
    }

    List<Element> references() {
        return references;
    }

    boolean owns(String geometry) {
        return own.contains(geometry);
    }

    private boolean contains(Element top, String geometry, int depth) {
        return top != null
                && depth <= DEEPEST
                && (top.getAttribute("Name").equals(geometry)
                        || Xml.children(top, "*").stream().anyMatch(c -> contains(c, geometry, depth + 1)));
    }

    /** The first beam of the mode, or of a referenced tree. */
    Optional<Element> beam() {
        return beam.or(() -> references.stream()
                .map(r -> tops.get(r.getAttribute("Geometry")))
                .filter(t -> t != null)
                .flatMap(t -> beams(t, 0))
                .findFirst());
    }

    private static Stream<Element> beams(Element geometry, int depth) {
        if (geometry.getTagName().equals("Beam")) {
            return Stream.of(geometry);
        }
        return depth > DEEPEST
                ? Stream.empty()
                : Xml.children(geometry, "*").stream().flatMap(c -> beams(c, depth + 1));
    }
}
