package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Rotation;
import app.loculus.core.geometry.Vector3;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.ShippedProfiles;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** A drawing of 120 comes in, is aimed, goes out and comes in again with three changes. */
class SceneIT extends InBrowser {

    private static final int HEADS = 120;

    /** They hang head up on trusses that are turned by 30 degrees, which is worked out here from the angle alone. */
    private static final double TURNED = 30;

    private static Vector3 place(int number) {
        double along = (number - 1) % 20 * 0.5 - 5;
        double c = Math.cos(Math.toRadians(TURNED));
        double s = Math.sin(Math.toRadians(TURNED));
        return new Vector3(along * c, along * s + (number - 1) / 20, 6);
    }

    private static byte[] scene(String changed) throws IOException {
        StringBuilder trusses = new StringBuilder();
        for (int row = 0; row < HEADS / 20; row++) {
            trusses.append("<Truss uuid=\"truss-" + row + "\" name=\"Truss " + (row + 1) + "\"><Matrix>"
                    + String.format(
                            Locale.ROOT,
                            "{%.9f,%.9f,0}{%.9f,%.9f,0}{0,0,1}{0,%d,6000}",
                            Math.cos(Math.toRadians(TURNED)),
                            Math.sin(Math.toRadians(TURNED)),
                            -Math.sin(Math.toRadians(TURNED)),
                            Math.cos(Math.toRadians(TURNED)),
                            row * 1000)
                    + "</Matrix><ChildList>");
            for (int i = 0; i < 20; i++) {
                int number = row * 20 + i + 1;
                int address = row * 512 + i * 20 + 1;
                trusses.append("<Fixture uuid=\"head-" + number + "\" name=\"Head " + number
                        + "\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{" + (i * 500 - 5000)
                        + ",0,0}</Matrix><GDTFSpec>Wash</GDTFSpec><GDTFMode>extended</GDTFMode><Position>p" + row
                        + "</Position><FixtureID>" + number + "</FixtureID><Addresses><Address break=\"0\">" + address
                        + "</Address></Addresses></Fixture>");
            }
            trusses.append("</ChildList></Truss>");
        }
        StringBuilder positions = new StringBuilder();
        for (int row = 0; row < HEADS / 20; row++) {
            positions.append("<Position uuid=\"p" + row + "\" name=\"Truss " + (row + 1) + "\"/>");
        }
        String xml = "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><AUXData>" + positions
                + "</AUXData><Layers><Layer uuid=\"layer\" name=\"Rig\"><ChildList>" + trusses
                + "<FocusPoint uuid=\"singer\" name=\"Singer\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{1000,-2000,0}</Matrix></FocusPoint>"
                + changed + "</ChildList></Layer></Layers></Scene></GeneralSceneDescription>";
        return packed(xml);
    }

    private static byte[] packed(String xml) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("GeneralSceneDescription.xml"));
            zip.write(xml.getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("Wash.gdtf"));
            zip.write(ArchiveWriter.write(ShippedProfiles.all().profile("Skiff Wash")));
        }
        return bytes.toByteArray();
    }

    private static void choose(String name, byte[] scene) {
        page.getByLabel("Hookup or scene file").setInputFiles(new FilePayload(name, "application/octet-stream", scene));
    }

    private static void agrees(int fixtures) {
        assertThat(page.getByText("The drawing and the show agree in all " + fixtures + " fixtures."))
                .isVisible();
    }

    private static double[] angles(int number) {
        return new double[] {rig(number, "pan"), rig(number, "tilt")};
    }

    @Test
    void a_scene_of_120_comes_in_is_aimed_goes_out_and_comes_in_again_with_three_changes() throws IOException {
        page.navigate(app.url() + "/show");
        button("New show…").click();
        page.getByLabel("Name of a new show").fill("From a drawing");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Scene"))
                .click();
        button("Start the show").click();
        count();
        choose("rig.mvr", scene(""));
        assertThat(page.locator("[data-difference]")).hasCount(HEADS + 1);
        button("^Take theirs in everything$").click();
        assertThat(page.getByText("Revises 120 fixtures")).isVisible();
        button("^Apply 121 changes$").click();
        agrees(HEADS);
        assertThat(presses()).as("a drawing of 120, once its file is chosen").isEqualTo(2);

        line("1 thru 120 at full aim at mark \"Singer\"");
        until(() -> rig(120, "intensity") > 0.99);
        for (int number : new int[] {1, 37, 120}) {
            Pose drawn = new Pose(place(number), new Rotation(0, 0, TURNED));
            until(() -> {
                double[] at = angles(number);
                return drawn.landing(at[0], at[1])
                        .map(p -> p.minus(new Vector3(1, -2, 0)).length() < 0.02)
                        .orElse(false);
            });
        }

        byte[] out = page.request().get(app.url() + "/api/shows/1/scene.mvr").body();
        button("^Another file…$").click();
        choose("out.mvr", out);
        agrees(HEADS);

        // Another state of it: one has moved, one has another address, one has come.
        byte[] later = scene(
                "<Fixture uuid=\"head-121\" name=\"Late one\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{0,-3000,4000}</Matrix><GDTFSpec>Wash</GDTFSpec><GDTFMode>extended</GDTFMode><FixtureID>121</FixtureID></Fixture>");
        String xml = new String(entry(later), StandardCharsets.UTF_8)
                .replace(
                        "{1,0,0}{0,1,0}{0,0,1}{-4500,0,0}</Matrix><GDTFSpec>Wash</GDTFSpec><GDTFMode>extended</GDTFMode><Position>p0",
                        "{1,0,0}{0,1,0}{0,0,1}{-4300,0,0}</Matrix><GDTFSpec>Wash</GDTFSpec><GDTFMode>extended</GDTFMode><Position>p0")
                .replace("<Address break=\"0\">41</Address>", "<Address break=\"0\">4001</Address>");
        button("^Another file…$").click();
        choose("later.mvr", packed(xml));
        assertThat(page.locator("[data-difference]")).hasCount(3);
        assertThat(page.locator("[data-difference='3 DIFFERENT ADDRESS']")).containsText("8.417");
        assertThat(page.locator("[data-difference='2 DIFFERENT PLACE']")).isVisible();
        button("^Take theirs in everything$").click();
        button("^Apply 3 changes$").click();
        agrees(HEADS + 1);
        button("^ ?Undo$").click();
        assertThat(page.locator("[data-difference]")).hasCount(3);
    }

    private static byte[] entry(byte[] scene) throws IOException {
        try (java.util.zip.ZipInputStream in =
                new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(scene))) {
            in.getNextEntry();
            return in.readAllBytes();
        }
    }
}
