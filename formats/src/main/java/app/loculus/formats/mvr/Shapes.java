package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.problem.Refusal;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.w3c.dom.Element;

/** How large the things of a scene are: the boxes around their geometry files, each file looked at once. */
final class Shapes {

    private static final long LARGEST = 24L << 20;
    private static final int DEEPEST = 16;
    private static final int MOST_PARTS = 20_000;

    private final BoundedArchive archive;
    private final Remarks remarks;
    private final Map<String, Element> symbols = new HashMap<>();
    private final Map<String, Optional<Box>> boxes = new HashMap<>();
    private int parts;

    Shapes(BoundedArchive archive, Element scene, Remarks remarks) {
        this.archive = archive;
        this.remarks = remarks;
        Xml.path(scene, "AUXData", "Symdef").forEach(s -> symbols.put(SceneText.identity(s), s));
    }

    /** Corners of the box around an object on the stage; only its place where no shape of it is known. */
    List<Vector3> of(Element object, Placement world) {
        List<Vector3> points = new ArrayList<>();
        Xml.children(object, "Geometries").forEach(g -> gather(g, Placement.NONE, points, 0));
        return points.isEmpty() ? List.of(world.o()) : Box.of(points).corners(world);
    }

    private void gather(Element parent, Placement around, List<Vector3> points, int depth) {
        if (depth > DEEPEST) {
            remarks.say("Symbols stand in each other more than " + DEEPEST + " deep; the rest of them is not drawn");
            return;
        }
        for (Element part : Xml.children(parent, "*")) {
            if (++parts > MOST_PARTS) {
                remarks.say("Of more than " + MOST_PARTS + " pieces of scenery the rest is not drawn");
                return;
            }
            Placement placement = Matrix.parse(SceneText.of(part, "Matrix"))
                    .orElse(Placement.NONE)
                    .within(around);
            if (part.getTagName().equals("Geometry3D")) {
                box(part.getAttribute("fileName")).ifPresent(b -> points.addAll(b.corners(placement)));
            } else if (part.getTagName().equals("Symbol")) {
                Optional.ofNullable(symbols.get(SceneText.identity(part.getAttribute("symdef"))))
                        .flatMap(s -> Xml.child(s, "ChildList"))
                        .ifPresent(list -> gather(list, placement, points, depth + 1));
            }
        }
    }

    private Optional<Box> box(String file) {
        Optional<Box> known = boxes.get(file);
        if (known == null) {
            known = measured(file);
            boxes.put(file, known);
        }
        return known;
    }

    private Optional<Box> measured(String file) {
        Optional<String> entry = archive.names().stream()
                .filter(n -> n.equalsIgnoreCase(file)
                        || n.equalsIgnoreCase(file + ".glb")
                        || n.equalsIgnoreCase(file + ".3ds"))
                .findFirst();
        if (entry.isEmpty()) {
            remarks.odd("A geometry file is named and not in the scene", file);
            return Optional.empty();
        }
        try {
            List<Vector3> points = Meshes.points(entry.get(), archive.bytes(entry.get(), LARGEST));
            return points.isEmpty() ? Optional.empty() : Optional.of(Box.of(points));
        } catch (Refusal | IllegalArgumentException e) {
            remarks.odd("A geometry file cannot be read; what it is of is drawn as a point", file);
            return Optional.empty();
        }
    }
}
