package app.loculus.formats.mvr;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.drawing.Drawing;
import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.drawing.Scenery;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.problem.Refusal;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SceneReaderTest {

    private static final String HERE = "{1,0,0}{0,1,0}{0,0,1}{-3000,2000,6000}";

    private static Drawing read(String objects) {
        return SceneReader.read("a.mvr", Scenes.of(objects));
    }

    private static DrawnFixture only(Drawing drawing) {
        assertThat(drawing.fixtures()).hasSize(1);
        return drawing.fixtures().get(0);
    }

    private static void near(Vector3 got, double x, double y, double z) {
        assertThat(got.minus(new Vector3(x, y, z)).length()).as("%s", got).isLessThan(1e-7);
    }

    @Test
    void a_fixture_is_a_row_of_a_hookup_and_a_place() {
        byte[] scene = Scenes.of(
                "<Position uuid=\"P-1\" name=\"Bridge 1\"/>",
                "<Layer uuid=\"l1\" name=\"Rig\"><ChildList>"
                        + Scenes.fixture(
                                "AAAAAAAA-0000-4000-8000-000000000001",
                                "101",
                                HERE,
                                "<Position>p-1</Position><Function>front</Function><UnitNumber>3</UnitNumber>"
                                        + "<Color>0.45, 0.41, 60</Color><DMXInvertPan>true</DMXInvertPan>"
                                        + Scenes.address(513))
                        + "</ChildList></Layer>");
        Drawing drawing = SceneReader.read("a.mvr", scene);
        DrawnFixture f = only(drawing);
        assertThat(f.identity()).isEqualTo("aaaaaaaa-0000-4000-8000-000000000001");
        assertThat(f.row().number()).isEqualTo("101");
        assertThat(f.row().name()).isEqualTo("Head 101");
        assertThat(f.row().profile()).isEqualTo(Scenes.WASH.fullName());
        assertThat(f.row().mode()).isEqualTo("extended");
        assertThat(f.row().address()).isEqualTo("2.1");
        assertThat(f.row().position()).isEqualTo("Bridge 1");
        assertThat(f.row().purpose()).isEqualTo("front");
        assertThat(f.notes()).isEqualTo("unit 3");
        assertThat(f.gel().orElseThrow().colour()).isEqualTo(new Chromaticity(0.45, 0.41));
        assertThat(f.inverted()).hasToString("pan");
        near(f.pose().orElseThrow().place(), -3, 2, 6);
        near(f.pose().orElseThrow().beam(0, 0), 0, 0, -1);
        assertThat(drawing.profiles().all()).containsExactly(Scenes.WASH);
        assertThat(drawing.remarks()).isEmpty();
    }

    @Test
    void matrices_of_layers_groups_and_trusses_are_multiplied_out() {
        // A quarter turn about z, then three metres along x; in it a metre along x of the turned frame, which is y.
        String quarter = "{0,1,0}{-1,0,0}{0,0,1}{3000,0,0}";
        String group = "<GroupObject uuid=\"g\" name=\"G\"><Matrix>" + quarter + "</Matrix><ChildList>"
                + "<Truss uuid=\"t\" name=\"T\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{0,0,5000}</Matrix><ChildList>"
                + Scenes.fixture("f", "1", "{1,0,0}{0,1,0}{0,0,1}{1000,0,0}", "")
                + "</ChildList></Truss></ChildList></GroupObject>";
        Drawing drawing = SceneReader.read(
                "a.mvr",
                Scenes.of(
                        "",
                        "<Layer uuid=\"l\" name=\"L\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{0,0,100}</Matrix><ChildList>"
                                + group + "</ChildList></Layer>"));
        near(only(drawing).pose().orElseThrow().place(), 3, 1, 5.1);
        near(only(drawing).pose().orElseThrow().rotation().turn(new Vector3(1, 0, 0)), 0, 1, 0);
        assertThat(drawing.scenery()).singleElement().satisfies(s -> {
            assertThat(s.kind()).isEqualTo(Scenery.Kind.TRUSS);
            near(s.corners().get(0), 3, 0, 5.1);
        });
    }

    @ParameterizedTest
    @CsvSource({
        "<Address break=\"0\">1</Address>, 1.1",
        "<Address break=\"0\">512</Address>, 1.512",
        "<Address break=\"0\">2.1</Address>, 2.1",
        "<Address break=\"0\"> 1025 </Address>, 3.1",
        "<Address break=\"1\">600</Address><Address break=\"0\">20</Address>, 1.20 + 2.88",
        "<Address break=\"0\">0</Address>, ''",
        "<Address break=\"0\"></Address>, ''"
    })
    void addresses_are_those_of_all_universes_in_a_row(String written, String read) {
        DrawnFixture f = only(read(Scenes.fixture("f", "1", HERE, "<Addresses>" + written + "</Addresses>")));
        assertThat(f.row().address()).isEqualTo(read);
    }

    @ParameterizedTest
    @CsvSource({
        "007, '', 7, ''",
        "A12, 12, 12, drawn as A12",
        "A12, '', '', drawn as A12",
        "0, 5, 5, ''",
        "'', 9, 9, ''"
    })
    void the_number_is_the_one_that_people_see_where_it_is_one(
            String shown, String numeric, String number, String notes) {
        DrawnFixture f =
                only(read(Scenes.fixture("f", shown, HERE, "<FixtureIDNumeric>" + numeric + "</FixtureIDNumeric>")));
        assertThat(f.row().number()).isEqualTo(number);
        assertThat(f.notes()).isEqualTo(notes);
    }

    @Test
    void what_a_fixture_is_focused_at_is_a_mark_and_a_note() {
        Drawing drawing = read(
                "<FocusPoint uuid=\"F-1\" name=\"Singer\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{500,-1000,1600}</Matrix></FocusPoint>"
                        + "<FocusPoint uuid=\"f-2\" name=\"singer\"/>"
                        + Scenes.fixture("f", "1", HERE, "<Focus>f-1</Focus>"));
        assertThat(drawing.marks()).extracting("name").containsExactly("Singer", "singer 2");
        near(drawing.marks().get(0).at(), 0.5, -1, 1.6);
        assertThat(only(drawing).notes()).isEqualTo("focused at Singer");
    }

    @Test
    void a_further_copy_is_a_further_address() {
        Drawing drawing = read(Scenes.fixture("f", "1", HERE, Scenes.address(1))
                + Scenes.fixture("g", "1", HERE, Scenes.address(101))
                        .replace("uuid=\"g\"", "uuid=\"g\" multipatch=\"F\""));
        assertThat(only(drawing).row().address()).isEqualTo("1.1 + 1.101");
        assertThat(drawing.remarks()).singleElement().asString().contains("further copy");
    }

    @Test
    void what_is_odd_is_said_once_with_whom_it_is_about() {
        StringBuilder many = new StringBuilder();
        for (int i = 1; i <= 8; i++) {
            many.append(Scenes.fixture("f" + i, String.valueOf(i), "{1,0,0}{0,1,0}{nothing}", ""));
        }
        Drawing drawing = read(many + "<Contraption uuid=\"w\" name=\"W\"/>");
        assertThat(drawing.remarks()).hasSize(2);
        assertThat(drawing.remarks().get(0))
                .startsWith("A matrix cannot be read, and counts as if it were not there: Fixture “Head 1”, ")
                .endsWith(" and 3 more.");
        assertThat(drawing.remarks().get(1)).contains("1 × “Contraption”");
    }

    @Test
    void a_fixture_file_that_is_missing_or_broken_names_its_profile_all_the_same() {
        String xml = Scenes.xml(
                "",
                "<Layer uuid=\"l\" name=\"L\"><ChildList><Fixture uuid=\"a\" name=\"A\"><GDTFSpec>Gull@Panel@1</GDTFSpec><GDTFMode>8-slot</GDTFMode></Fixture>"
                        + "<Fixture uuid=\"b\" name=\"B\"><GDTFSpec>Bad.gdtf</GDTFSpec></Fixture></ChildList></Layer>");
        Drawing drawing = SceneReader.read("a.mvr", Scenes.pack(xml, Map.of("Bad.gdtf", new byte[] {1, 2, 3})));
        assertThat(drawing.fixtures()).extracting(f -> f.row().profile()).containsExactly("Gull Panel", "Bad");
        assertThat(drawing.fixtures().get(0).pose()).isEmpty();
        assertThat(drawing.remarks())
                .anyMatch(r -> r.contains("named and not in the scene: Gull@Panel@1"))
                .anyMatch(r -> r.startsWith("“Bad.gdtf” cannot be read: "));
    }

    private static byte[] glb() {
        String json = "{\"scene\":0,\"scenes\":[{\"nodes\":[0]}],\"nodes\":[{\"mesh\":0,\"translation\":[0,1,0]}],"
                + "\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0}}]}],"
                + "\"accessors\":[{\"min\":[-2,0,-0.25],\"max\":[2,0.5,0.25]}]}";
        byte[] text = json.getBytes(StandardCharsets.UTF_8);
        return ByteBuffer.allocate(20 + text.length)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(0x46546C67)
                .putInt(2)
                .putInt(20 + text.length)
                .putInt(text.length)
                .putInt(0x4E4F534A)
                .put(text)
                .array();
    }

    private static byte[] threeDs() {
        ByteBuffer out = ByteBuffer.allocate(200).order(ByteOrder.LITTLE_ENDIAN);
        int vertices = 6 + 2 + 24;
        int object = 6 + 2 + 6 + vertices;
        out.putShort((short) 0x4D4D).putInt(12 + object);
        out.putShort((short) 0x3D3D).putInt(6 + object);
        out.putShort((short) 0x4000).putInt(object).put((byte) 'T').put((byte) 0);
        out.putShort((short) 0x4100).putInt(6 + vertices);
        out.putShort((short) 0x4110).putInt(vertices).putShort((short) 2);
        out.putFloat(-1000)
                .putFloat(-100)
                .putFloat(0)
                .putFloat(1000)
                .putFloat(100)
                .putFloat(300);
        return java.util.Arrays.copyOf(out.array(), out.position());
    }

    @Test
    void scenery_is_as_large_as_its_geometry_in_metres_with_z_up() {
        String truss =
                "<Truss uuid=\"t\" name=\"Truss 1\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{0,2000,5000}</Matrix><Position>p</Position><Geometries>"
                        + "<Geometry3D fileName=\"truss.glb\"/></Geometries></Truss>"
                        + "<SceneObject uuid=\"o\" name=\"Riser\"><Geometries><Symbol uuid=\"s\" symdef=\"D\"/></Geometries></SceneObject>";
        String xml = Scenes.xml(
                "<Position uuid=\"p\" name=\"Bridge 1\"/><Symdef uuid=\"d\" name=\"R\"><ChildList><Geometry3D fileName=\"riser\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{500,0,0}</Matrix></Geometry3D></ChildList></Symdef>",
                "<Layer uuid=\"l\" name=\"L\"><ChildList>" + truss + "</ChildList></Layer>");
        Drawing drawing =
                SceneReader.read("a.mvr", Scenes.pack(xml, Map.of("truss.glb", glb(), "riser.3ds", threeDs())));
        assertThat(drawing.remarks()).isEmpty();
        Scenery first = drawing.scenery().get(0);
        assertThat(first.name()).as("its hanging position").isEqualTo("Bridge 1");
        assertThat(first.corners()).hasSize(8);
        near(first.corners().get(0), -2, 1.75, 6);
        near(first.corners().get(6), 2, 2.25, 6.5);
        Scenery riser = drawing.scenery().get(1);
        assertThat(riser.corners().get(0).x()).isCloseTo(-0.5, within(1e-6));
        assertThat(riser.corners().get(6).z()).isCloseTo(0.3, within(1e-6));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<GeneralSceneDescription/>",
                "<Other><Scene/></Other>",
                "<GeneralSceneDescription><Scene>",
                "<!DOCTYPE a [<!ENTITY b SYSTEM \"file:///etc/passwd\">]><GeneralSceneDescription><Scene>&b;</Scene></GeneralSceneDescription>"
            })
    void what_is_no_scene_is_refused_in_words(String xml) {
        assertThatThrownBy(() -> SceneReader.read("a.mvr", Scenes.pack(xml, Map.of())))
                .isInstanceOf(Refusal.class)
                .message()
                .isNotBlank();
    }

    @Test
    void a_tree_without_an_end_is_refused() {
        String deep = "<GroupObject uuid=\"g\"><ChildList>".repeat(200) + "</ChildList></GroupObject>".repeat(200);
        assertThatThrownBy(() -> read(deep)).isInstanceOf(Refusal.class).hasMessageContaining("64 deep");
    }

    @Test
    void symbols_that_stand_in_each_other_end_somewhere() {
        String aux = "<Symdef uuid=\"a\"><ChildList><Symbol symdef=\"b\"/><Symbol symdef=\"b\"/></ChildList></Symdef>"
                + "<Symdef uuid=\"b\"><ChildList><Symbol symdef=\"a\"/><Symbol symdef=\"a\"/></ChildList></Symdef>";
        Drawing drawing = SceneReader.read(
                "a.mvr",
                Scenes.of(
                        aux,
                        "<Layer uuid=\"l\"><ChildList><SceneObject uuid=\"o\" name=\"O\"><Geometries><Symbol symdef=\"a\"/></Geometries></SceneObject></ChildList></Layer>"));
        assertThat(drawing.scenery().get(0).corners()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{1e308,0,0}{0,1,0}{0,0,1}{0,0,0}",
                "{1,0,0}{0,1,0}{0,0,1}{1e300,0,0}",
                "{NaN,0,0}{0,1,0}{0,0,1}{0,0,0}",
                "{1,0,0}{0,1,0}{0,0,1}",
                "1 0 0 0"
            })
    void a_matrix_that_cannot_be_one_counts_as_none(String text) {
        Drawing drawing = read(Scenes.fixture("f", "1", text, ""));
        assertThat(only(drawing).pose().orElseThrow().place()).isEqualTo(Vector3.ORIGIN);
        assertThat(drawing.remarks()).hasSize(1);
    }
}
