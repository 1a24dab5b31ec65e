package app.loculus.formats.mvr;

import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.drawing.KeptDrawing.Known;
import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.patch.Fixture;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Numbers;
import app.loculus.formats.mvr.SceneDocument.Standing;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.w3c.dom.Element;

/**
 * Writes a show as a scene file: what its drawings had goes out again as it came, with what the show knows better put in.
 */
public final class SceneWriter {

    private static final double SAME = 0.0001;
    private static final List<String> ORDER = List.of("Matrix", "Classing", "ChildList");

    private final Show show;
    private final String seed;
    private final SceneDocument document;
    private final Map<Integer, String> fixtures = new HashMap<>();
    private final Map<Integer, String> marks = new HashMap<>();

    private SceneWriter(Show show, String seed) {
        this.show = show;
        this.seed = seed;
        Collection<KeptDrawing> kept = show.all(PartKinds.DRAWINGS).values();
        this.document = new SceneDocument(kept.stream().map(KeptDrawing::file).toList());
        kept.forEach(k -> {
            identities(k.fixtures(), fixtures);
            identities(k.marks(), marks);
        });
    }

    /** What no drawing knows is known by the identity of the show; by its name in a show from before shows had one. */
    public static byte[] write(Show show) {
        String identity = show.get(PartKinds.IDENTITY, Whole.SHOW);
        return new SceneWriter(show, identity.isEmpty() ? "show " + show.name() : identity).written();
    }

    /** What a scene cannot say of a show, in words. */
    public static List<String> leftOut(Show show) {
        List<String> words = new ArrayList<>();
        about(
                show,
                words,
                "hangs nowhere yet.",
                "hang nowhere yet.",
                f -> f.pose().isEmpty());
        about(
                show,
                words,
                "has a further address, which no scene can say; it stays here.",
                "have further addresses, which no scene can say; they stay here.",
                f -> f.addresses().size() > show.patch().modeOf(f).footprint().size());
        about(
                show,
                words,
                "has notes, which stay here.",
                "have notes, which stay here.",
                f -> !f.notes().isEmpty());
        if (!show.groups().isEmpty()
                || !show.palettes().isEmpty()
                || !show.looks().isEmpty()) {
            words.add("Groups, palettes, looks and effects stay here: no scene has them.");
        }
        return words;
    }

    private static void about(
            Show show, List<String> words, String one, String many, Function<Fixture, Boolean> which) {
        List<Fixture> found =
                show.patch().fixtures().stream().filter(which::apply).toList();
        if (!found.isEmpty()) {
            words.add(
                    found.size() == 1
                            ? found.get(0).number() + " " + one
                            : Numbers.count(found.size(), "fixture") + " " + many);
        }
    }

    private static void identities(List<Known> known, Map<Integer, String> into) {
        known.stream().filter(k -> !k.gone()).forEach(k -> into.putIfAbsent(k.id(), k.identity()));
    }

    private byte[] written() {
        show.all(PartKinds.DRAWINGS).values().forEach(k -> {
            k.fixtures().stream().filter(Known::gone).forEach(this::remove);
            k.marks().stream().filter(Known::gone).forEach(this::removeMark);
        });
        FixtureWriter writer = new FixtureWriter(show, seed, document);
        for (Fixture fixture : show.patch().fixtures()) {
            String identity = fixtures.getOrDefault(
                    fixture.id().value(),
                    SceneText.made(seed + " fixture " + fixture.id().value()));
            writer.write(fixture, document.objects().computeIfAbsent(identity, i -> made("Fixture", i)));
        }
        show.marks().forEach(this::mark);
        writer.dropUnused();
        return document.archive();
    }

    private void remove(Known gone) {
        Standing there = document.objects().remove(gone.identity());
        if (there != null) {
            document.remove(there);
        }
    }

    private void removeMark(Known gone) {
        remove(gone);
        document.all("Fixture").stream()
                .filter(f -> SceneText.identity(SceneText.of(f, "Focus")).equals(gone.identity()))
                .forEach(f -> document.text(f, "Focus", "", FixtureWriter.ORDER));
    }

    /** A new thing in a layer of ours, whose frame is the stage's. */
    private Standing made(String tag, String identity) {
        String layer = SceneText.made(seed + " layer");
        Element ours = Xml.children(document.layers(), "Layer").stream()
                .filter(l -> SceneText.identity(l).equals(layer))
                .findFirst()
                .orElseGet(() -> {
                    Element made = document.make("Layer");
                    made.setAttribute("uuid", layer);
                    made.setAttribute("name", "Loculus");
                    return (Element) document.layers().appendChild(made);
                });
        Element made = document.make(tag);
        made.setAttribute("uuid", identity);
        document.child(ours, "ChildList").appendChild(made);
        return new Standing(made, SceneDocument.placement(ours));
    }

    private void mark(Mark mark) {
        String identity = marks.getOrDefault(
                mark.id().value(), SceneText.made(seed + " mark " + mark.id().value()));
        Standing there = document.objects().computeIfAbsent(identity, i -> made("FocusPoint", i));
        Element element = there.element();
        if (!SceneText.name(element).equals(mark.name())) {
            element.setAttribute("name", SceneDocument.printable(mark.name()));
        }
        Placement local = SceneDocument.placement(element);
        Vector3 at = local.within(there.around()).o();
        if (at.minus(mark.at()).length() > SAME
                || SceneText.of(element, "Matrix").isEmpty()) {
            there.around()
                    .inverse()
                    .ifPresent(back -> document.text(
                            element,
                            "Matrix",
                            Matrix.text(new Placement(local.u(), local.v(), local.w(), back.point(mark.at()))),
                            ORDER));
        }
    }
}
