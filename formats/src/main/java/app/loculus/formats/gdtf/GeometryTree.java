package app.loculus.formats.gdtf;

import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
                .flatMap(t -> t.getTagName().equals("Beam")
                        ? java.util.stream.Stream.of(t)
                        : Xml.children(t, "Beam").stream())
                .findFirst());
    }
}
