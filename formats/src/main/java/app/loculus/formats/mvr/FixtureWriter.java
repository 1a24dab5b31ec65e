package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Pose;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Show;
import app.loculus.formats.gdtf.ArchiveReader;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.mvr.SceneDocument.Standing;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/** Puts a show's fixtures into a scene: what it says already stays as it is written. */
final class FixtureWriter {

    /** In which children of a fixture come. */
    static final List<String> ORDER = List.of(
            "Matrix",
            "Classing",
            "GDTFSpec",
            "GDTFMode",
            "Focus",
            "CastShadow",
            "DMXInvertPan",
            "DMXInvertTilt",
            "Position",
            "Function",
            "FixtureID",
            "FixtureIDNumeric",
            "UnitNumber",
            "ChildPosition",
            "Addresses",
            "Protocols",
            "Alignments",
            "CustomCommands",
            "Overwrites",
            "Connections",
            "Color",
            "CustomIdType",
            "CustomId",
            "Mappings",
            "Gobo",
            "ChildList");

    private static final double SAME_PLACE = 0.0001;
    private static final double SAME_TURN = 0.0001;

    private final Show show;
    private final String seed;
    private final SceneDocument document;
    private final Map<String, String> positions = new HashMap<>();
    private final Map<String, Optional<String>> profilesOfFiles = new HashMap<>();
    private final Map<ProfileId, String> files = new LinkedHashMap<>();

    FixtureWriter(Show show, String seed, SceneDocument document) {
        this.show = show;
        this.seed = seed;
        this.document = document;
        SceneWalk.names(document.scene(), "Position")
                .forEach((identity, name) -> positions.putIfAbsent(name, identity));
    }

    void write(Fixture fixture, Standing there) {
        Element e = there.element();
        if (!SceneWalk.cut(SceneText.name(e)).equals(fixture.name())) {
            e.setAttribute("name", SceneDocument.printable(fixture.name()));
        }
        fixture.pose().ifPresent(pose -> place(there, pose));
        type(e, fixture);
        position(e, fixture.position());
        if (!SceneText.of(e, "Function").equals(fixture.purpose())) {
            document.text(e, "Function", fixture.purpose(), ORDER);
        }
        inverted(e, fixture.inverted());
        if (!FixtureReader.gel(e).equals(fixture.gel())) {
            document.text(e, "Color", fixture.gel().map(FixtureWriter::text).orElse(""), ORDER);
        }
        number(e, fixture.number());
        addresses(e, fixture);
    }

    private void place(Standing there, Pose pose) {
        Placement now = SceneDocument.placement(there.element()).within(there.around());
        boolean drawn = !SceneText.of(there.element(), "Matrix").isEmpty();
        Placement wanted = Placement.of(pose);
        boolean same = now.pose()
                .map(Placement::of)
                .filter(p -> p.o().minus(wanted.o()).length() < SAME_PLACE
                        && p.u().minus(wanted.u()).length() < SAME_TURN
                        && p.w().minus(wanted.w()).length() < SAME_TURN)
                .isPresent();
        if (!drawn || !same) {
            there.around()
                    .inverse()
                    .ifPresent(
                            back -> document.text(there.element(), "Matrix", Matrix.text(wanted.within(back)), ORDER));
        }
    }

    private void type(Element e, Fixture fixture) {
        Profile profile = show.patch().profileOf(fixture);
        String spec = SceneText.of(e, "GDTFSpec");
        if (!called(spec).equals(Optional.of(profile.fullName()))) {
            document.text(e, "GDTFSpec", files.computeIfAbsent(profile.id(), id -> file(profile)), ORDER);
        }
        if (!SceneText.of(e, "GDTFMode").equals(fixture.mode())) {
            document.text(e, "GDTFMode", fixture.mode(), ORDER);
        }
    }

    /** What the profile in a fixture file of the scene is called. */
    private Optional<String> called(String spec) {
        return profilesOfFiles.computeIfAbsent(
                spec,
                s -> entry(s).flatMap(n -> {
                    try {
                        return Optional.of(ArchiveReader.read(document.files().get(n))
                                .profile()
                                .fullName());
                    } catch (Refusal unreadable) {
                        return Optional.empty();
                    }
                }));
    }

    private Optional<String> entry(String spec) {
        return document.files().keySet().stream()
                .filter(n -> !spec.isEmpty()
                        && (n.equalsIgnoreCase(spec) || n.equalsIgnoreCase(spec + SceneProfiles.SUFFIX)))
                .findFirst();
    }

    /** Puts a fixture file beside the scene, under a name that nothing else has. */
    private String file(Profile profile) {
        String name = ArchiveWriter.fileName(profile);
        Set<String> taken = document.files().keySet().stream()
                .map(n -> n.toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
        String free = name;
        for (int i = 2; taken.contains(free.toLowerCase(Locale.ROOT)); i++) {
            free = i + " " + name;
        }
        document.files().put(free, ArchiveWriter.write(profile));
        return free;
    }

    private void position(Element e, String name) {
        String there = SceneWalk.named(SceneWalk.names(document.scene(), "Position"), SceneText.of(e, "Position"))
                .map(SceneWalk::cut)
                .orElse("");
        if (!there.equals(name)) {
            document.text(
                    e, "Position", name.isEmpty() ? "" : positions.computeIfAbsent(name, this::madePosition), ORDER);
        }
    }

    private String madePosition(String name) {
        Element made = document.make("Position");
        String identity = SceneText.made(seed + " position " + name);
        made.setAttribute("uuid", identity);
        made.setAttribute("name", SceneDocument.printable(name));
        document.auxData().appendChild(made);
        return identity;
    }

    private static String text(Gel gel) {
        return gel.colour().x() + "," + gel.colour().y() + "," + gel.percent();
    }

    private void inverted(Element e, Inverted wanted) {
        Inverted written = FixtureReader.inverted(e);
        if (written.pan() != wanted.pan()) {
            document.text(e, "DMXInvertPan", String.valueOf(wanted.pan()), ORDER);
        }
        if (written.tilt() != wanted.tilt()) {
            document.text(e, "DMXInvertTilt", String.valueOf(wanted.tilt()), ORDER);
        }
    }

    /** What people call it stays where that is no number. */
    private void number(Element e, int number) {
        String shown = SceneText.of(e, "FixtureID");
        String text = String.valueOf(number);
        boolean word = !shown.isEmpty() && !shown.matches("\\d+");
        if (!word && !shown.replaceFirst("^0+", "").equals(text)) {
            document.text(e, "FixtureID", text, ORDER);
        }
        if (!SceneText.of(e, "FixtureIDNumeric").equals(text)) {
            document.text(e, "FixtureIDNumeric", text, ORDER);
        }
    }

    private void addresses(Element e, Fixture fixture) {
        List<String> wanted = new ArrayList<>();
        Set<Integer> breaks = new HashSet<>();
        for (PatchedAddress a : fixture.addresses()) {
            if (breaks.add(a.breakNumber())) {
                wanted.add(absolute(a.address()));
            }
        }
        List<Element> written = Xml.path(e, "Addresses", "Address");
        if (FixtureReader.addresses(e, x -> {}).stream()
                .map(FixtureWriter::absolute)
                .toList()
                .equals(wanted)) {
            return;
        }
        written.forEach(old -> old.getParentNode().removeChild(old));
        Element list = Xml.child(e, "Addresses").orElseGet(() -> document.insert(e, document.make("Addresses"), ORDER));
        for (int i = 0; i < wanted.size(); i++) {
            Element address = document.make("Address");
            address.setAttribute("break", String.valueOf(i));
            address.setTextContent(wanted.get(i));
            list.appendChild(address);
        }
        if (Xml.children(list, "*").isEmpty()) {
            e.removeChild(list);
        }
    }

    private static String absolute(Address a) {
        return String.valueOf(a.absolute() + 1);
    }

    /** Fixture files that no fixture is of any more stay out. */
    void dropUnused() {
        Set<String> used = document.all("Fixture").stream()
                .map(f -> SceneText.of(f, "GDTFSpec"))
                .flatMap(s -> entry(s).stream())
                .collect(Collectors.toSet());
        document.files()
                .keySet()
                .removeIf(n -> n.toLowerCase(Locale.ROOT).endsWith(SceneProfiles.SUFFIX) && !used.contains(n));
    }
}
