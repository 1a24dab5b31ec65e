package app.loculus.formats.mvr;

import app.loculus.core.drawing.DrawingFile;
import app.loculus.core.geometry.Placement;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.xml.Xml;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** A scene that is being written: the drawings a show has kept as one, and the files beside it. */
final class SceneDocument {

    private static final long LARGEST = 24L << 20;
    private static final String EMPTY =
            "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><AUXData/><Layers/></Scene></GeneralSceneDescription>";

    private final Element root;
    private final Map<String, byte[]> files = new LinkedHashMap<>();
    private final Map<String, Standing> objects = new HashMap<>();

    /** An object and the frame that its own matrix is in. */
    record Standing(Element element, Placement around) {}

    SceneDocument(List<DrawingFile> kept) {
        root = SceneReader.parse(kept.isEmpty() ? EMPTY : first(kept.get(0)));
        Identities.settle(root, new Remarks());
        kept.stream().skip(1).forEach(this::join);
        Xml.path(layers(), "Layer").forEach(l -> index(l, placement(l)));
    }

    private String first(DrawingFile file) {
        BoundedArchive archive = BoundedArchive.open(file.octets());
        archive.names().stream()
                .filter(n -> !n.equals(SceneReader.DESCRIPTION) && !n.endsWith("/"))
                .forEach(n -> files.put(n, archive.bytes(n, LARGEST)));
        return archive.xml(SceneReader.DESCRIPTION, SceneReader.LONGEST_DESCRIPTION);
    }

    Map<String, byte[]> files() {
        return files;
    }

    /** Fixtures, focus points and all else in the layers, by identity. */
    Map<String, Standing> objects() {
        return objects;
    }

    Element scene() {
        return child(root, "Scene");
    }

    Element layers() {
        return child(scene(), "Layers");
    }

    Element auxData() {
        return Xml.child(scene(), "AUXData").orElseGet(() -> {
            Element made = make("AUXData");
            scene().insertBefore(made, scene().getFirstChild());
            return made;
        });
    }

    /** The child of this name, made where there is none. */
    Element child(Element parent, String name) {
        return Xml.child(parent, name).orElseGet(() -> (Element) parent.appendChild(make(name)));
    }

    Element make(String name) {
        return root.getOwnerDocument().createElement(name);
    }

    static Placement placement(Element object) {
        return Matrix.parse(SceneText.of(object, "Matrix")).orElse(Placement.NONE);
    }

    private void index(Element parent, Placement around) {
        for (Element object : Xml.path(parent, "ChildList", "*")) {
            objects.putIfAbsent(SceneText.identity(object), new Standing(object, around));
            index(object, placement(object).within(around));
        }
    }

    /** Takes what another drawing has beside what is there: by identity, with its files under names of their own. */
    private void join(DrawingFile file) {
        BoundedArchive archive = BoundedArchive.open(file.octets());
        Element other = SceneReader.parse(archive.xml(SceneReader.DESCRIPTION, SceneReader.LONGEST_DESCRIPTION));
        Identities.settle(other, new Remarks());
        Map<String, String> renamed = new HashMap<>();
        for (String name : archive.names()) {
            if (!name.equals(SceneReader.DESCRIPTION) && !name.endsWith("/")) {
                byte[] content = archive.bytes(name, LARGEST);
                String free = name;
                for (int i = 2; files.containsKey(free) && !Arrays.equals(files.get(free), content); i++) {
                    free = i + " " + name;
                }
                files.put(free, content);
                renamed.put(name, free);
            }
        }
        rename(other, renamed);
        for (Element scene : Xml.children(other, "Scene")) {
            Xml.children(scene, "AUXData").forEach(aux -> add(auxData(), Xml.children(aux, "*")));
            Xml.children(scene, "Layers").forEach(l -> Xml.children(l, "Layer").forEach(this::joinLayer));
        }
    }

    private void joinLayer(Element layer) {
        String identity = SceneText.identity(layer);
        List<Element> same = Xml.children(layers(), "Layer").stream()
                .filter(l -> !identity.isEmpty() && SceneText.identity(l).equals(identity))
                .toList();
        if (same.isEmpty()) {
            add(layers(), List.of(layer));
        } else {
            add(child(same.get(0), "ChildList"), Xml.path(layer, "ChildList", "*"));
        }
    }

    private void add(Element to, List<Element> them) {
        Set<String> there = new HashSet<>();
        Xml.children(to, "*").forEach(e -> there.add(e.getTagName() + SceneText.identity(e)));
        for (Element e : them) {
            if (SceneText.identity(e).isEmpty() || there.add(e.getTagName() + SceneText.identity(e))) {
                to.appendChild(root.getOwnerDocument().importNode(e, true));
            }
        }
    }

    private static void rename(Element at, Map<String, String> renamed) {
        String file = at.getAttribute("fileName");
        if (renamed.containsKey(file)) {
            at.setAttribute("fileName", renamed.get(file));
        }
        if (at.getTagName().equals("GDTFSpec")) {
            String spec = at.getTextContent().strip();
            String named = renamed.getOrDefault(spec, renamed.get(spec + SceneProfiles.SUFFIX));
            if (named != null && !named.equals(spec)) {
                at.setTextContent(named);
            }
        }
        Xml.children(at, "*").forEach(child -> rename(child, renamed));
    }

    /** Takes an object out; what hangs in it stays where it is. */
    void remove(Standing gone) {
        Element list = (Element) gone.element.getParentNode();
        Placement own = placement(gone.element).within(gone.around);
        for (Element child : Xml.path(gone.element, "ChildList", "*")) {
            Placement world = placement(child).within(own);
            gone.around
                    .inverse()
                    .ifPresent(back -> text(child, "Matrix", Matrix.text(world.within(back)), List.of("Matrix")));
            list.appendChild(child);
        }
        list.removeChild(gone.element);
    }

    /** Writes a child element in its place among the others, or leaves it out where there is nothing to say. */
    void text(Element parent, String name, String text, List<String> order) {
        if (text.isEmpty()) {
            Xml.children(parent, name).forEach(parent::removeChild);
            return;
        }
        Xml.child(parent, name)
                .orElseGet(() -> insert(parent, make(name), order))
                .setTextContent(printable(text));
    }

    Element insert(Element parent, Element child, List<String> order) {
        int rank = order.indexOf(child.getTagName());
        Node before = null;
        for (Element other : Xml.children(parent, "*")) {
            if (order.indexOf(other.getTagName()) > rank) {
                before = other;
                break;
            }
        }
        parent.insertBefore(child, before);
        return child;
    }

    /** Without characters that XML 1.0 cannot carry. */
    static String printable(String text) {
        return text.replaceAll("[^\\x09\\x0A\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", " ");
    }

    byte[] archive() {
        root.setAttribute("verMajor", "1");
        root.setAttribute("verMinor", "6");
        root.setAttribute("provider", "Loculus");
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put(SceneReader.DESCRIPTION, xml().getBytes(StandardCharsets.UTF_8));
        all.putAll(files);
        return SceneArchive.write(all);
    }

    private String xml() {
        try {
            TransformerFactory factory = TransformerFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            Transformer transformer = factory.newTransformer();
            transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
            StringWriter out = new StringWriter();
            transformer.transform(new DOMSource(root), new StreamResult(out));
            return out.toString();
        } catch (TransformerException e) {
            throw new IllegalStateException(e);
        }
    }

    List<Element> all(String tag) {
        List<Element> found = new ArrayList<>();
        objects.values().stream()
                .map(Standing::element)
                .filter(e -> e.getTagName().equals(tag))
                .forEach(found::add);
        return found;
    }
}
