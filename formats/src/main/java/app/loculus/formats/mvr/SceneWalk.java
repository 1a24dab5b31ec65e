package app.loculus.formats.mvr;

import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.drawing.Scenery;
import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Limits;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.w3c.dom.Element;

/** Goes through the layers of a scene; places are multiplied out on the way down. */
final class SceneWalk {

    private static final int DEEPEST = 64;
    private static final int MOST_OBJECTS = 50_000;
    private static final Map<String, Scenery.Kind> SCENERY = Map.of(
            "Truss", Scenery.Kind.TRUSS,
            "Support", Scenery.Kind.SUPPORT,
            "SceneObject", Scenery.Kind.OBJECT,
            "VideoScreen", Scenery.Kind.SCREEN,
            "Projector", Scenery.Kind.PROJECTOR);

    private final Shapes shapes;
    private final Remarks remarks;
    private final FixtureReader reader;
    private final Map<String, String> positions;
    private final List<FocusPoint> marks = new ArrayList<>();
    private final List<Scenery> scenery = new ArrayList<>();
    private final Set<String> markNames = new HashSet<>();
    private final Map<String, Integer> unknown = new HashMap<>();
    private int objects;

    SceneWalk(Element scene, SceneProfiles profiles, Shapes shapes, Remarks remarks) {
        this.shapes = shapes;
        this.remarks = remarks;
        this.positions = names(scene, "Position");
        this.reader = new FixtureReader(scene, profiles, remarks);
        for (Element layer : Xml.path(scene, "Layers", "Layer")) {
            children(layer, placement(layer, "layer " + SceneText.name(layer)), 1);
        }
        unknown.forEach((tag, count) -> remarks.say(
                count + " × “" + tag + "” is not known here; it stays in the file and goes out again with it"));
    }

    List<DrawnFixture> fixtures() {
        return reader.all(marks);
    }

    List<FocusPoint> marks() {
        return marks;
    }

    List<Scenery> scenery() {
        return scenery;
    }

    private void children(Element parent, Placement around, int depth) {
        if (depth > DEEPEST) {
            throw Refusal.of(
                    "mvr.deep", SceneReader.DESCRIPTION, "Things stand in each other more than " + DEEPEST + " deep.");
        }
        for (Element list : Xml.children(parent, "ChildList")) {
            for (Element object : Xml.children(list, "*")) {
                object(object, around, depth);
            }
        }
    }

    private void object(Element object, Placement around, int depth) {
        if (++objects > MOST_OBJECTS) {
            throw Refusal.of(
                    "mvr.large",
                    SceneReader.DESCRIPTION,
                    "More than " + MOST_OBJECTS + " things are drawn; have the scene exported with fewer layers.");
        }
        String tag = object.getTagName();
        Placement world =
                placement(object, tag + " “" + SceneText.name(object) + "”").within(around);
        if (tag.equals("Fixture")) {
            reader.take(object, SceneText.identity(object), world);
        } else if (tag.equals("FocusPoint")) {
            mark(object, SceneText.identity(object), world.o());
        } else if (SCENERY.containsKey(tag)) {
            scenery.add(new Scenery(
                    SceneText.identity(object), SCENERY.get(tag), called(object), shapes.of(object, world)));
        } else if (!tag.equals("GroupObject")) {
            unknown.merge(tag, 1, Integer::sum);
            return;
        }
        children(object, world, depth + 1);
    }

    /** What hangs there is called by its hanging position, where it is one: pieces of a truss have names of their own. */
    private String called(Element object) {
        return named(positions, SceneText.of(object, "Position"))
                .map(SceneWalk::cut)
                .filter(name -> !name.isEmpty())
                .orElseGet(() -> cut(SceneText.name(object)));
    }

    private Placement placement(Element object, String who) {
        String text = SceneText.of(object, "Matrix");
        if (text.isEmpty()) {
            return Placement.NONE;
        }
        return Matrix.parse(text).orElseGet(() -> {
            remarks.odd("A matrix cannot be read, and counts as if it were not there", who);
            return Placement.NONE;
        });
    }

    private void mark(Element object, String identity, Vector3 at) {
        String name = cut(SceneText.name(object));
        String base = name.isEmpty() ? "Focus" : name;
        String free = base;
        for (int i = 2; !markNames.add(free.toLowerCase(Locale.ROOT)); i++) {
            free = base.substring(0, Math.min(base.length(), Limits.NAME - 6)) + " " + i;
        }
        try {
            new Mark(new MarkId(1), free, at);
            marks.add(new FocusPoint(identity, free, at));
        } catch (Refusal refusal) {
            remarks.odd("A focus point is too far away to be on the stage", base);
        }
    }

    static String cut(String name) {
        return name.substring(0, Math.min(name.length(), Limits.NAME)).strip();
    }

    /** Names by identity, as AUXData has them. */
    static Map<String, String> names(Element scene, String kind) {
        Map<String, String> names = new HashMap<>();
        Xml.path(scene, "AUXData", kind).forEach(e -> names.put(SceneText.identity(e), SceneText.name(e)));
        return names;
    }

    static Optional<String> named(Map<String, String> names, String identity) {
        return Optional.ofNullable(names.get(SceneText.identity(identity)));
    }
}
