package app.loculus.formats.mvr;

import app.loculus.formats.xml.Xml;
import java.util.HashSet;
import java.util.Set;
import org.w3c.dom.Element;

/** Gives everything in the layers an identity of its own, where a writer gave none or the same one twice. */
final class Identities {

    private static final int DEEPEST = 64;

    private final Remarks remarks;
    private final Set<String> there = new HashSet<>();
    private int objects;

    private Identities(Remarks remarks) {
        this.remarks = remarks;
    }

    /** The same file gets the same ones each time it is read. */
    static void settle(Element root, Remarks remarks) {
        Identities identities = new Identities(remarks);
        Xml.path(root, "Scene", "Layers", "Layer").forEach(layer -> identities.below(layer, 0));
    }

    private void below(Element parent, int depth) {
        for (Element object : Xml.path(parent, "ChildList", "*")) {
            settle(object);
            if (depth < DEEPEST) {
                below(object, depth + 1);
            }
        }
    }

    private void settle(Element object) {
        objects++;
        String written = SceneText.identity(object);
        String who = object.getTagName() + " “" + SceneText.name(object) + "”";
        if (written.isEmpty()) {
            remarks.odd("Something has no identity, and is told by its place in the file", who);
        } else if (!there.contains(written)) {
            there.add(written);
            return;
        } else {
            remarks.odd("An identity is there twice; the second one is told by its place in the file", who);
        }
        String made = SceneText.made(object.getTagName() + " " + SceneText.name(object) + " " + objects);
        object.setAttribute("uuid", made);
        there.add(made);
    }
}
