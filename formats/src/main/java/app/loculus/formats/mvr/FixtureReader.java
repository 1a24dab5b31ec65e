package app.loculus.formats.mvr;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Pose;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Limits;
import app.loculus.formats.xml.Xml;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/** Fixtures of a scene as rows of a hookup, with where they hang. */
final class FixtureReader {

    private static final double WHITE_X = 0.3127;
    private static final double WHITE_Y = 0.3290;

    private final Map<String, String> positions;
    private final SceneProfiles profiles;
    private final Remarks remarks;
    private final Map<String, Read> read = new LinkedHashMap<>();
    private final List<Read> copies = new ArrayList<>();

    private record Read(
            Element element,
            String identity,
            Optional<Pose> pose,
            int line,
            List<String> addresses,
            List<String> notes) {}

    FixtureReader(Element scene, SceneProfiles profiles, Remarks remarks) {
        this.positions = SceneWalk.names(scene, "Position");
        this.profiles = profiles;
        this.remarks = remarks;
    }

    void take(Element fixture, String identity, Placement world) {
        String name = SceneText.name(fixture);
        boolean placed = !SceneText.of(fixture, "Matrix").isEmpty();
        Optional<Pose> pose = placed ? world.pose() : Optional.empty();
        if (placed && pose.isEmpty()) {
            remarks.odd("A fixture is drawn flat: where it points cannot be told, so it comes without a place", name);
        } else if (placed && world.mirrored()) {
            remarks.odd(
                    "A fixture is drawn as in a mirror; it is taken as turned so that its beam goes the same way",
                    name);
        }
        Read one = new Read(
                fixture, identity, pose, read.size() + copies.size() + 1, addresses(fixture, name), notes(fixture));
        if (fixture.getAttribute("multipatch").isBlank()) {
            read.put(identity, one);
        } else {
            copies.add(one);
        }
    }

    List<DrawnFixture> all(List<FocusPoint> marks) {
        Map<String, String> points =
                marks.stream().collect(Collectors.toMap(FocusPoint::identity, FocusPoint::name, (a, b) -> a));
        copies.forEach(this::join);
        return read.values().stream().map(r -> drawn(r, points)).toList();
    }

    /** A further place of another fixture: what it hangs at is that one's as well. */
    private void join(Read copy) {
        Read of = read.get(SceneText.identity(copy.element.getAttribute("multipatch")));
        String name = SceneText.name(copy.element);
        if (of == null) {
            read.put(copy.identity, copy);
            return;
        }
        copy.addresses.stream().filter(a -> !of.addresses.contains(a)).forEach(of.addresses::add);
        remarks.odd(
                "A further copy of a fixture counts as another address of it; where that copy hangs stays in the file",
                name);
    }

    private DrawnFixture drawn(Read r, Map<String, String> points) {
        Element e = r.element;
        List<String> notes = new ArrayList<>(r.notes);
        Optional.ofNullable(points.get(SceneText.identity(SceneText.of(e, "Focus"))))
                .ifPresent(point -> notes.add("focused at " + point));
        String spec = SceneText.of(e, "GDTFSpec");
        String said = String.join("; ", notes);
        return new DrawnFixture(
                r.identity,
                new HookupRow(
                        r.line,
                        number(e),
                        SceneWalk.cut(SceneText.name(e)),
                        profiles.name(spec),
                        SceneText.of(e, "GDTFMode"),
                        String.join(" + ", r.addresses),
                        position(e),
                        cut(SceneText.of(e, "Function"), Limits.PURPOSE)),
                r.pose,
                inverted(e),
                gel(e),
                cut(said, Limits.NOTES));
    }

    static Inverted inverted(Element fixture) {
        return new Inverted(SceneText.yes(fixture, "DMXInvertPan"), SceneText.yes(fixture, "DMXInvertTilt"));
    }

    private static String cut(String text, int longest) {
        return text.substring(0, Math.min(text.length(), longest)).strip();
    }

    private String position(Element fixture) {
        String identity = SceneText.of(fixture, "Position");
        Optional<String> name = SceneWalk.named(positions, identity);
        if (name.isEmpty() && !identity.isEmpty()) {
            remarks.odd("A fixture hangs on a position that the scene does not name", SceneText.name(fixture));
        }
        return SceneWalk.cut(name.orElse(""));
    }

    /** The number that people see, where it is one; else the one beside it. */
    private static String number(Element fixture) {
        String shown = SceneText.of(fixture, "FixtureID");
        String number = shown.matches("0*[1-9]\\d{0,5}") ? shown : SceneText.of(fixture, "FixtureIDNumeric");
        return number.matches("0*[1-9]\\d{0,5}") ? number.replaceFirst("^0+", "") : "";
    }

    /** What a show has no column for. */
    private static List<String> notes(Element fixture) {
        List<String> notes = new ArrayList<>();
        String shown = SceneText.of(fixture, "FixtureID");
        if (!shown.isEmpty() && !shown.matches("\\d+")) {
            notes.add("drawn as " + shown);
        }
        String unit = SceneText.of(fixture, "UnitNumber");
        if (unit.matches("[1-9]\\d*")) {
            notes.add("unit " + unit);
        }
        return notes;
    }

    /** Empty for white, which is drawn where nothing is in front of it, and for what is no colour. */
    static Optional<Gel> gel(Element fixture) {
        String[] parts = SceneText.of(fixture, "Color").split("\\s*,\\s*");
        try {
            double x = Double.parseDouble(parts[0]);
            double y = Double.parseDouble(parts[1]);
            double percent = parts.length > 2 ? Double.parseDouble(parts[2]) : 100;
            boolean white = Math.abs(x - WHITE_X) < 0.002 && Math.abs(y - WHITE_Y) < 0.002;
            return white || !(x > 0 && y > 0)
                    ? Optional.empty()
                    : Optional.of(new Gel(new Chromaticity(x, y), percent > 0 ? Math.min(100, percent) : 100));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException | Refusal e) {
            return Optional.empty();
        }
    }

    private List<String> addresses(Element fixture, String name) {
        List<Address> read = addresses(fixture, text -> remarks.odd("“" + cut(text, 30) + "” is no address", name));
        return new ArrayList<>(read.stream().map(Address::toString).toList());
    }

    /** Those of a fixture, by its breaks. @param odd is told what is none */
    static List<Address> addresses(Element fixture, Consumer<String> odd) {
        List<Element> written = new ArrayList<>(Xml.path(fixture, "Addresses", "Address"));
        written.sort(Comparator.comparingInt(FixtureReader::breakNumber));
        List<Address> all = new ArrayList<>();
        for (Element address : written) {
            String text = address.getTextContent().strip();
            if (!text.isEmpty() && !text.equals("0")) {
                address(text).ifPresentOrElse(all::add, () -> odd.accept(text));
            }
        }
        return all;
    }

    private static int breakNumber(Element address) {
        String text = address.getAttribute("break");
        return text.matches("\\d{1,6}") ? Integer.parseInt(text) : 0;
    }

    /** All universes in a row from 1 on, or universe and slot with a point between. */
    private static Optional<Address> address(String text) {
        if (text.matches("\\d{1,9}")) {
            int absolute = Integer.parseInt(text) - 1;
            return absolute >= 0 && absolute < Address.LAST_UNIVERSE * Address.SLOTS
                    ? Optional.of(Address.ofAbsolute(absolute))
                    : Optional.empty();
        }
        try {
            return Optional.of(Address.parse(text));
        } catch (Refusal e) {
            return Optional.empty();
        }
    }
}
