package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Scene files over HTTP: looked at without a trace, taken in one step, kept over a restart, refused in words. */
class SceneTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String SHOW = "patch 1 thru 4 as \"House Dimmer\" at 1.1\n"
            + "patch 11 thru 14 as \"Skiff Wash / extended\" at 2.1\nhang 11 thru 14 on \"Bridge\"\n"
            + "place 11 thru 14 at -3,2,6 thru 3,2,6\nmark \"Chair\" at 1, 2, 0.5\npatch 4 at 3.9 also\n"
            + "hang 11 thru 12 invert pan\ngel 1 thru 2 xy 0.45, 0.41 at 60";

    @TempDir
    Path data;

    private static JsonNode read(HttpResponse<String> response) {
        try {
            assertThat(response.statusCode()).as(response.body()).isEqualTo(200);
            return JSON.readTree(response.body());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static List<String> keys(JsonNode view) {
        List<String> keys = new ArrayList<>();
        view.get("differences").forEach(d -> keys.add(d.get("key").asText()));
        return keys;
    }

    private static String description(byte[] scene) throws IOException {
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(scene))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                if (e.getName().equals("GeneralSceneDescription.xml")) {
                    return new String(in.readAllBytes(), StandardCharsets.UTF_8);
                }
            }
        }
        throw new AssertionError("no description");
    }

    /** The same archive with other words in its fixture files. */
    private static byte[] corrected(byte[] scene, String from, String to) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(scene));
                ZipOutputStream files = new ZipOutputStream(out)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] octets = in.readAllBytes();
                files.putNextEntry(new ZipEntry(e.getName()));
                files.write(
                        e.getName().endsWith(".gdtf")
                                ? corrected(octets, from, to)
                                : e.getName().equals("description.xml")
                                        ? new String(octets, StandardCharsets.UTF_8)
                                                .replace(from, to)
                                                .getBytes(StandardCharsets.UTF_8)
                                        : octets);
            }
        }
        return out.toByteArray();
    }

    @Test
    void a_corrected_profile_in_a_scene_is_told_and_goes_into_the_library_alone() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "One"));
            app.line(1, SHOW + "\n11 zoom at 20 deg\nrecord look 1 \"Narrow\"");
            byte[] scene = app.octets("/api/shows/1/scene.mvr");
            assertThat(read(app.upload("/api/shows/1/scene/preview", "a.mvr", scene))
                            .get("profiles"))
                    .isEmpty();
            byte[] mended = corrected(scene, "PhysicalTo=\"56\"", "PhysicalTo=\"48\"");
            JsonNode seen = read(app.upload("/api/shows/1/scene/preview", "a.mvr", mended));
            assertThat(keys(seen)).isEmpty();
            assertThat(seen.get("profiles")).hasSize(1);
            assertThat(seen.get("profiles").get(0).get("differs").toString()).contains("Zoom has other ranges");
            String held = seen.get("profiles").get(0).get("held").asText();
            long revision = app.get("/api/shows/1").get("revision").asLong();
            assertThat(read(app.upload("/api/shows/1/scene/profiles", "a.mvr", mended))
                            .toString())
                    .contains("Skiff Wash");
            assertThat(app.get("/api/shows/1").get("revision").asLong()).isEqualTo(revision);
            assertThat(read(app.upload("/api/shows/1/scene/preview", "a.mvr", mended))
                            .get("profiles"))
                    .isEmpty();
            assertThat(app.get("/api/shows/1/profiles/" + held + "/newer").toString())
                    .contains("look 1 “Narrow”")
                    .contains("Zoom: the same, sent otherwise");
        }
    }

    @Test
    void a_show_goes_through_a_scene_into_another_one_and_over_a_restart() throws IOException {
        String before;
        byte[] scene;
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "One"));
            app.line(1, SHOW);
            scene = app.octets("/api/shows/1/scene.mvr");
            assertThat(keys(read(app.upload("/api/shows/1/scene/preview", "a.mvr", scene))))
                    .isEmpty();
            app.json("POST", "/api/shows", Map.of("name", "Two"));
            long empty = app.get("/api/shows/2").get("revision").asLong();
            JsonNode looked = read(app.upload("/api/shows/2/scene/preview", "a.mvr", scene));
            assertThat(keys(looked)).hasSize(9);
            assertThat(looked.get("words").get(0).asText()).isEqualTo("Revises 8 fixtures");
            assertThat(app.get("/api/shows/2").get("revision").asLong()).isEqualTo(empty);
            JsonNode taken = read(app.upload("/api/shows/2/scene", "a.mvr", scene));
            assertThat(keys(taken)).isEmpty();
            assertThat(taken.get("agreeing").asInt()).isEqualTo(8);
            assertThat(taken.get("revision").asLong()).isEqualTo(empty + 1);
            JsonNode fixture = app.get("/api/shows/2/patch").get("fixtures").get(4);
            assertThat(fixture.get("x").asDouble()).isEqualTo(-3);
            assertThat(fixture.get("position").asText()).isEqualTo("Bridge");
            app.json("POST", "/api/shows/2/undo", Map.of());
            assertThat(app.get("/api/shows/2/patch").get("fixtures")).isEmpty();
            assertThat(app.get("/api/shows/2/scenery")).isEmpty();
            app.json("POST", "/api/shows/2/redo", Map.of());
            before = app.get("/api/shows/2/scenery").toString();
        }
        try (RunningApplication app = new RunningApplication(data)) {
            assertThat(app.get("/api/shows/2/scenery").toString()).isEqualTo(before);
            byte[] again = app.octets("/api/shows/2/scene.mvr");
            assertThat(keys(read(app.upload("/api/shows/2/scene/preview", "a.mvr", again))))
                    .isEmpty();
            // What came in keeps the identities it came with, and goes on as it was drawn.
            assertThat(description(again).replaceAll("<FixtureID.*?</FixtureIDNumeric>", ""))
                    .isEqualTo(description(scene).replaceAll("<FixtureID.*?</FixtureIDNumeric>", ""));
            byte[] file = app.octets("/api/shows/2/file");
            assertThat(app.upload("/api/shows/file", "two.loculus", file).statusCode())
                    .isEqualTo(201);
            assertThat(app.get("/api/shows/3/scenery").toString()).isEqualTo(before);
            assertThat(description(app.octets("/api/shows/3/scene.mvr"))).isEqualTo(description(again));
            // A copy is another show: what it draws anew is not taken for this one's.
            app.line(2, "add 90 as \"House Dimmer\"");
            app.line(3, "add 90 as \"House Dimmer\"");
            assertThat(description(app.octets("/api/shows/3/scene.mvr")))
                    .isEqualTo(description(app.octets("/api/shows/2/scene.mvr")));
            app.json("POST", "/api/shows", Map.of("name", "Copy", "from", 2));
            app.line(4, "add 91 as \"House Dimmer\"");
            app.line(2, "add 91 as \"House Dimmer\"");
            assertThat(description(app.octets("/api/shows/4/scene.mvr")))
                    .isNotEqualTo(description(app.octets("/api/shows/2/scene.mvr")));
        }
    }

    @Test
    void a_paper_that_it_is_held_to_is_held_against_the_drawing_too() {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "One"));
            app.line(1, SHOW);
            app.json(
                    "POST",
                    "/api/shows/1/comparison",
                    Map.of("text", "Number,Address\n1,1.1\n2,1.77\n9,1.99\n", "hold", "hookup.csv"));
            byte[] scene = app.octets("/api/shows/1/scene.mvr");
            JsonNode view = read(app.upload("/api/shows/1/scene/preview", "a.mvr", scene));
            assertThat(view.get("paper").asText()).isEqualTo("hookup.csv");
            List<String> onPaper = new ArrayList<>();
            view.get("onPaper").forEach(d -> onPaper.add(d.get("key").asText()));
            assertThat(onPaper).contains("2 DIFFERENT ADDRESS", "9 MISSING", "11 EXTRA");
        }
    }

    @Test
    void whatever_comes_as_a_scene_is_answered_and_a_look_leaves_no_trace() {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "One"));
            app.line(1, SHOW);
            byte[] scene = app.octets("/api/shows/1/scene.mvr");
            long revision = app.get("/api/shows/1").get("revision").asLong();
            Random random = new Random(7);
            for (int i = 0; i < 150; i++) {
                byte[] broken = i % 3 == 0 ? Arrays.copyOf(scene, random.nextInt(scene.length)) : scene.clone();
                for (int j = 0; j < random.nextInt(20) && broken.length > 0; j++) {
                    broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
                }
                HttpResponse<String> answer = app.upload("/api/shows/1/scene/preview", "x.mvr", broken);
                assertThat(answer.statusCode()).as(answer.body()).isIn(200, 422);
            }
            for (String path : List.of("/api/shows/99/scene/preview", "/api/shows/99/scene")) {
                assertThat(app.upload(path, "a.mvr", scene).statusCode()).isEqualTo(404);
            }
            assertThat(app.get("/api/shows/1").get("revision").asLong()).isEqualTo(revision);
        }
    }
}
