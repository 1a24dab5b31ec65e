package app.loculus.formats.mvr;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.check.Difference;
import app.loculus.core.check.DrawingComparison;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.drawing.Drawing;
import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Fixture;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of every scene, whatever stands in it. */
class SceneLawsTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());
    private static final String DAY = "2026-12-01";

    /** Further seeds: {@code -Dlaw.seeds=400}. */
    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 12));
    }

    /** A matrix as a table of four rows, multiplied by the book: what the reader does is worked out anew here. */
    private static double[][] times(double[][] a, double[][] b) {
        double[][] c = new double[4][4];
        for (int i = 0; i < 4; i++) {
            for (int j = 0; j < 4; j++) {
                for (int k = 0; k < 4; k++) {
                    c[i][j] += a[i][k] * b[k][j];
                }
            }
        }
        return c;
    }

    private static double[][] random(Random random) {
        double[][] m = new double[][] {{1, 0, 0, 0}, {0, 1, 0, 0}, {0, 0, 1, 0}, {0, 0, 0, 1}};
        for (int i = 0; i < 3; i++) {
            double angle = random.nextDouble() * 2 * Math.PI;
            int a = random.nextInt(3);
            int b = (a + 1) % 3;
            double[][] turn = new double[][] {{1, 0, 0, 0}, {0, 1, 0, 0}, {0, 0, 1, 0}, {0, 0, 0, 1}};
            turn[a][a] = Math.cos(angle);
            turn[b][b] = Math.cos(angle);
            turn[a][b] = Math.sin(angle);
            turn[b][a] = -Math.sin(angle);
            m = times(m, turn);
        }
        for (int i = 0; i < 3; i++) {
            m[3][i] = random.nextDouble() * 10_000 - 5000;
        }
        return m;
    }

    private static String text(double[][] m) {
        StringBuilder all = new StringBuilder();
        for (double[] row : m) {
            all.append(String.format(Locale.ROOT, "{%.12f, %.12f, %.12f}", row[0], row[1], row[2]));
        }
        return all.toString();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void worlds_are_right_to_a_tenth_of_a_millimetre_and_a_hundredth_of_a_degree(long seed) {
        Random random = new Random(seed);
        List<double[][]> worlds = new ArrayList<>();
        StringBuilder open = new StringBuilder();
        StringBuilder close = new StringBuilder();
        double[][] layer = random(random);
        double[][] around = layer;
        String[] kinds = {"GroupObject", "Truss", "SceneObject", "Support"};
        for (int depth = 0; depth < 1 + random.nextInt(12); depth++) {
            String kind = kinds[random.nextInt(kinds.length)];
            double[][] own = random(random);
            around = times(own, around);
            open.append(
                    "<" + kind + " uuid=\"" + depth + "\" name=\"x\"><Matrix>" + text(own) + "</Matrix><ChildList>");
            close.insert(0, "</ChildList></" + kind + ">");
            for (int i = 0; i < random.nextInt(3); i++) {
                double[][] head = random(random);
                worlds.add(times(head, around));
                open.append(Scenes.fixture("f" + worlds.size(), String.valueOf(worlds.size()), text(head), ""));
            }
        }
        Drawing drawing = SceneReader.read(
                "a.mvr",
                Scenes.of(
                        "",
                        "<Layer uuid=\"l\" name=\"L\"><Matrix>" + text(layer) + "</Matrix><ChildList>" + open + close
                                + "</ChildList></Layer>"));
        assertThat(drawing.fixtures()).hasSize(worlds.size());
        for (DrawnFixture f : drawing.fixtures()) {
            double[][] world = worlds.get(Integer.parseInt(f.row().number()) - 1);
            Pose pose = f.pose().orElseThrow();
            Vector3 place = new Vector3(world[3][0], world[3][1], world[3][2]).times(0.001);
            assertThat(pose.place().minus(place).length()).isLessThan(0.0001);
            for (int axis = 0; axis < 3; axis++) {
                Vector3 wanted = new Vector3(world[axis][0], world[axis][1], world[axis][2]);
                Vector3 got =
                        pose.rotation().turn(new Vector3(axis == 0 ? 1 : 0, axis == 1 ? 1 : 0, axis == 2 ? 1 : 0));
                assertThat(got.minus(wanted).length()).isLessThan(Math.toRadians(0.01));
            }
        }
    }

    private static Show typed(Show show, String text) {
        try {
            Outcome outcome =
                    LINES.read(text) instanceof Command.Edit edit ? edit.edit().apply(show) : null;
            return outcome == null || outcome.refused() ? show : outcome.show();
        } catch (Refusal refusal) {
            return show;
        }
    }

    private static Show after(Show show, ShowEdit edit) {
        Outcome outcome = edit.apply(show);
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        return outcome.show();
    }

    private static String line(Random random) {
        int a = 1 + random.nextInt(20);
        String range = a + " thru " + (a + random.nextInt(5));
        String[] lines = {
            "patch " + range + " as \"Skiff Wash / extended\" at next gap",
            "patch " + range + " as \"House Dimmer\" at " + (1 + random.nextInt(3)) + "." + (1 + random.nextInt(400)),
            "patch " + range + " as \"Gull Panel / 8-slot\" at next gap",
            "add " + range + " as \"Fathom Profile / standard\"",
            "place " + range + " at -3," + random.nextInt(9) + ",6 thru 3,2," + (4 + random.nextInt(3)),
            "hang " + range + " on \"Bridge “" + random.nextInt(3) + "” <&>\"",
            "purpose " + range + " \"front\"",
            "hang " + range + " invert " + (random.nextBoolean() ? "pan" : "pan tilt off"),
            "hang " + range + " invert tilt",
            "gel " + range + (random.nextBoolean() ? " off" : " xy 0.4" + random.nextInt(9) + ", 0.41 at 60"),
            "name " + a + " \"Häng & <Licht>\"",
            "mark \"Chair " + random.nextInt(4) + "\" at " + random.nextInt(5) + ", 2, 0.5",
            "unpatch " + a,
            "patch " + a + " at 9." + (1 + random.nextInt(400)) + " also",
            "patch " + a + " at " + (1 + random.nextInt(3)) + "." + (1 + random.nextInt(100)) + " share",
            "delete " + a,
            "renumber " + a + " from " + (100 + random.nextInt(50)),
            "delete mark \"Chair " + random.nextInt(4) + "\""
        };
        return lines[random.nextInt(lines.length)];
    }

    private static Show random(Random random, Show from, int lines) {
        Show show = from;
        for (int i = 0; i < lines; i++) {
            show = typed(show, line(random));
        }
        return show;
    }

    private static Drawing drawn(Show show) {
        return SceneReader.read("ours.mvr", SceneWriter.write(show));
    }

    private static List<String> differing(Show show, Drawing drawing) {
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, drawing);
        List<String> all = new ArrayList<>();
        c.differences().stream()
                .filter(d -> d.kind() != Difference.Kind.HOLE)
                .map(d -> d.key() + ": " + d.ours() + " / " + d.theirs() + d.hindrance())
                .forEach(all::add);
        c.marks().forEach(m -> all.add(m.key()));
        return all;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void a_show_that_goes_out_comes_back_into_an_empty_one_as_it_was(long seed) {
        Show show = random(new Random(seed), Show.empty("Scene"), 25);
        Drawing drawing = drawn(show);
        assertThat(drawing.remarks()).isEmpty();
        assertThat(differing(show, drawing)).isEmpty();
        DrawingComparison all = DrawingComparison.of(Show.empty("Other"), Profiles.NONE, drawing);
        Show other = after(Show.empty("Other"), all.taking(all.takeable(), DAY));
        assertThat(said(other, show)).isEqualTo(said(show, show));
        assertThat(other.patch().clashes()).allMatch(c -> c.shared());
        assertThat(other.marks())
                .extracting("name")
                .containsExactlyInAnyOrderElementsOf(
                        show.marks().stream().map(m -> m.name()).toList());
        if (show.patch().clashes().isEmpty()) {
            assertThat(differing(other, drawing)).isEmpty();
        }
    }

    /** Each fixture of a show in words; addresses of those that share none, as far as a scene can say them. */
    private static List<String> said(Show show, Show sharing) {
        Set<Integer> shared = sharing.patch().clashes().stream()
                .flatMap(c -> c.numbers().stream())
                .collect(Collectors.toSet());
        return show.patch().fixtures().stream()
                .map(f -> f.number()
                        + f.name()
                        + show.patch().profileOf(f).fullName()
                        + f.mode()
                        + f.position()
                        + f.purpose()
                        + f.inverted()
                        + f.gel()
                        + (shared.contains(f.number()) ? "" : firsts(f)))
                .toList();
    }

    private static Collection<String> firsts(Fixture f) {
        Map<Integer, String> byBreak = new LinkedHashMap<>();
        f.addresses()
                .forEach(a -> byBreak.putIfAbsent(a.breakNumber(), a.address().toString()));
        return byBreak.values();
    }

    private static Set<String> identities(Drawing drawing) {
        Set<String> all = new TreeSet<>();
        drawing.fixtures().forEach(f -> all.add(f.identity()));
        drawing.marks().forEach(m -> all.add("mark " + m.identity()));
        return all;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void what_stays_keeps_its_identity_whatever_is_done(long seed) {
        Random random = new Random(seed);
        Show show = random(random, Show.empty("Scene"), 15);
        DrawingComparison all = DrawingComparison.of(show, Profiles.NONE, drawn(show));
        Show kept = after(show, all.taking(List.of(), DAY));
        Set<String> before = identities(drawn(kept));
        Show later = random(random, kept, 12);
        Drawing again = drawn(later);
        assertThat(differing(later, again)).isEmpty();
        Set<String> gone = new HashSet<>(before);
        gone.removeAll(identities(again));
        Set<Integer> ids =
                later.patch().fixtures().stream().map(f -> f.id().value()).collect(Collectors.toSet());
        long fixturesGone = kept.patch().fixtures().stream()
                .map(Fixture::id)
                .filter(id -> !ids.contains(id.value()))
                .count();
        assertThat(gone.stream().filter(i -> !i.startsWith("mark"))).hasSizeGreaterThanOrEqualTo((int) fixturesGone);
        assertThat(identities(drawn(later))).isEqualTo(identities(again));
        // What was deleted does not come back by being written.
        assertThat(again.fixtures()).hasSize(later.patch().size());
        assertThat(again.marks()).hasSize(later.marks().size());
    }

    @Test
    void what_was_not_understood_goes_out_again() {
        String odd = "<UserData><Data provider=\"X\" ver=\"1\"><Thing a=\"b\"/></Data></UserData>";
        String xml = Scenes.xml(
                        "<Class uuid=\"c\" name=\"Hung\"/><MappingDefinition uuid=\"m\" name=\"M\"/>",
                        "<Layer uuid=\"l\" name=\"L\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{1000,0,0}</Matrix><ChildList>"
                                + Scenes.fixture(
                                        "f1",
                                        "1",
                                        "{1,0,0}{0,1,0}{0,0,1}{0,0,5000}",
                                        "<Classing>c</Classing>" + Scenes.address(1)
                                                + "<CustomId>7</CustomId><Odd x=\"1\"/>")
                                + "<Contraption uuid=\"w\"/><Truss uuid=\"t\" name=\"T\"><Geometries><Geometry3D fileName=\"t.glb\"/></Geometries></Truss></ChildList></Layer>")
                .replace("<Scene>", odd + "<Scene>");
        byte[] file =
                Scenes.pack(xml, Map.of("t.glb", new byte[] {9, 9, 9}, "Wash.gdtf", ArchiveWriter.write(Scenes.WASH)));
        Drawing drawing = SceneReader.read("theirs.mvr", file);
        DrawingComparison all = DrawingComparison.of(Show.empty("New"), Profiles.NONE, drawing);
        Show show = after(Show.empty("New"), all.taking(all.takeable(), DAY));
        byte[] out = SceneWriter.write(typed(show, "patch 1 at 2.5"));
        BoundedArchive archive = BoundedArchive.open(out);
        String again = archive.xml("GeneralSceneDescription.xml", 1 << 20);
        assertThat(again)
                .contains(odd, "<Class name=\"Hung\" uuid=\"c\"/>", "<Odd x=\"1\"/>", "<CustomId>7</CustomId>")
                .contains("<Contraption uuid=\"w\"/>", "<Matrix>{1,0,0}{0,1,0}{0,0,1}{0,0,5000}</Matrix>")
                .contains("<Address break=\"0\">517</Address>")
                .doesNotContain("<Address break=\"0\">1</Address>");
        assertThat(archive.bytes("t.glb", 10)).containsExactly(9, 9, 9);
        assertThat(archive.names()).hasSize(3);
        // A head that is moved by half a metre is written in the frame of its layer.
        Show moved = typed(show, "place 1 at 1.5,0,5");
        assertThat(SceneWriter.write(moved))
                .satisfies(bytes -> assertThat(BoundedArchive.open(bytes).xml("GeneralSceneDescription.xml", 1 << 20))
                        .contains("<Matrix>{1,0,0}{0,1,0}{0,0,1}{500,0,5000}</Matrix>"));
    }

    @Test
    void several_drawings_go_out_as_one_and_a_later_state_takes_the_place_of_the_earlier() {
        Drawing lights =
                SceneReader.read("lights.mvr", Scenes.of(Scenes.fixture("f1", "1", Matrix.NONE, Scenes.address(1))));
        Drawing set = SceneReader.read("set.mvr", Scenes.of("<SceneObject uuid=\"o1\" name=\"Stairs\"/>"));
        Drawing later =
                SceneReader.read("lights 2.mvr", Scenes.of(Scenes.fixture("f1", "1", Matrix.NONE, Scenes.address(5))));
        Show show = Show.empty("New");
        for (Drawing d : List.of(lights, set, later)) {
            DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, d);
            show = after(show, c.taking(c.takeable(), DAY));
        }
        assertThat(show.all(PartKinds.DRAWINGS).values())
                .extracting(k -> k.file().name())
                .containsExactly("lights 2.mvr", "set.mvr");
        assertThat(show.patch().number(1).addresses().get(0).address()).hasToString("1.5");
        Drawing out = drawn(show);
        assertThat(out.fixtures()).hasSize(1);
        assertThat(out.scenery()).extracting("name").containsExactly("Stairs");
        assertThat(differing(show, out)).isEmpty();
    }

    @Test
    void what_has_no_identity_or_the_same_twice_is_written_once_all_the_same() {
        byte[] file = Scenes.of("<FocusPoint/><FocusPoint name=\"\"/><Truss/>"
                + Scenes.fixture("a", "1", Matrix.NONE, "")
                + Scenes.fixture("a", "2", Matrix.NONE, "")
                + Scenes.fixture("", "3", Matrix.NONE, ""));
        Drawing drawing = SceneReader.read("odd.mvr", file);
        assertThat(drawing.fixtures()).hasSize(3);
        DrawingComparison c = DrawingComparison.of(Show.empty("New"), Profiles.NONE, drawing);
        Show show = after(Show.empty("New"), c.taking(c.takeable(), DAY));
        Drawing again = drawn(show);
        assertThat(again.remarks()).isEmpty();
        assertThat(identities(again)).isEqualTo(identities(drawing));
        assertThat(again.scenery()).hasSize(1);
        assertThat(differing(show, again)).isEmpty();
    }
}
