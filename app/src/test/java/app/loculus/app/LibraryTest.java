package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.formats.gdtf.ArchiveReader;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.ShippedProfiles;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Profiles and whole shows as files, in and out. */
class LibraryTest {

    private static final byte[] PNG = java.util.Arrays.copyOf(
            new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n', 0, 0, 0, 13, 'I', 'H', 'D', 'R'}, 40);

    @TempDir
    Path data;

    private RunningApplication app;

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
    }

    @AfterEach
    void stop() {
        app.close();
    }

    private JsonNode upload(String path, String field, Map<String, byte[]> files, int status) {
        try {
            ByteArrayOutputStream body = new ByteArrayOutputStream();
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                body.write(("--b\r\nContent-Disposition: form-data; name=\"" + field + "\"; filename=\"" + file.getKey()
                                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8));
                body.write(file.getValue());
                body.write("\r\n".getBytes(StandardCharsets.UTF_8));
            }
            body.write("--b--\r\n".getBytes(StandardCharsets.UTF_8));
            HttpResponse<String> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(app.base() + path))
                                    .header("Content-Type", "multipart/form-data; boundary=b")
                                    .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
            return new ObjectMapper().readTree(answer.body());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private byte[] download(String path) {
        try {
            return HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(app.base() + path))
                                    .build(),
                            HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Profile shipped(String name) {
        return ShippedProfiles.all().all().stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** The par with its red at home at zero, so that the library's differs from a show's copy. */
    private static Profile newerPar() {
        String xml = shipped("Ember Par").source().replaceFirst("Offset=\"1\"", "Offset=\"9\"");
        return DescriptionReader.read(xml).with(new Pictures(Map.of("lens", PNG)));
    }

    private JsonNode summary(String name) {
        for (JsonNode p : app.get("/api/profiles")) {
            if (p.get("name").asText().equals(name)) {
                return p;
            }
        }
        throw new AssertionError("no " + name);
    }

    @Test
    void the_demo_show_is_made_once_and_opened_again() {
        JsonNode made = app.json("POST", "/api/shows/demo", Map.of());
        assertThat(made.get("name").asText()).isEqualTo("The Glass Tide");
        assertThat(made.get("fixtures").asInt()).isEqualTo(89);
        app.json("POST", "/api/shows", Map.of("name", "Another"));
        JsonNode again = app.json("POST", "/api/shows/demo", Map.of());
        assertThat(again.get("id").asLong()).isEqualTo(made.get("id").asLong());
        assertThat(again.get("live").asBoolean()).isTrue();
        assertThat(app.json("GET", "/api/shows", null)).hasSize(2);
        String plan = app.send("GET", "/api/shows/" + made.get("id") + "/plan.svg", null)
                .body();
        assertThat(plan).startsWith("<svg").contains("<circle");
        assertThat(app.send("GET", "/api/shows/99/plan.svg", null).statusCode()).isEqualTo(404);
    }

    @Test
    void several_files_come_in_at_once_each_for_itself_and_stay_over_a_restart() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("par.gdtf", ArchiveWriter.write(newerPar()));
        files.put("broken.gdtf", "no archive".getBytes(StandardCharsets.UTF_8));
        JsonNode results = upload("/api/profiles/files", "files", files, 200);
        assertThat(results.get(0).get("replaces").asBoolean()).isTrue();
        assertThat(results.get(1).get("profile").asText()).isEmpty();
        assertThat(results.get(1).get("problems").get(0).get("words").asText()).contains("no ZIP archive");
        app.close();
        app = new RunningApplication(data);
        JsonNode par = summary("Ember Par");
        assertThat(par.get("origin").asText()).isEqualTo("imported");
        byte[] file = download("/api/profiles/" + par.get("id").asText() + "/file");
        Profile again = ArchiveReader.read(file).profile();
        assertThat(again).isEqualTo(newerPar());
        assertThat(again.facts().pictures().find("lens")).contains(PNG);
        assertThat(download("/api/profiles/" + par.get("id").asText() + "/pictures/lens"))
                .isEqualTo(PNG);
        app.send("DELETE", "/api/profiles/" + par.get("id").asText(), null);
        assertThat(summary("Ember Par").get("origin").asText()).isEqualTo("shipped");
    }

    @Test
    void a_show_keeps_its_own_copy_and_the_difference_is_offered() {
        app.json("POST", "/api/shows", Map.of("name", "Own"));
        app.line(1, "patch 1 + 2 as \"Ember Par / 8-slot\" at 1.1 gap 4\n1 at 50\nrecord look 1 \"Half\"");
        String held = summary("Ember Par").get("id").asText();
        upload("/api/profiles/files", "files", Map.of("par.gdtf", ArchiveWriter.write(newerPar())), 200);
        JsonNode offered = summary("Ember Par");
        assertThat(offered.get("id").asText()).isEqualTo(held);
        assertThat(offered.get("differs").toString()).contains("8 slots became 9");
        Map<String, Object> renew = Map.of("type", "renew-profile", "profileId", held);
        JsonNode foreseen = app.json("POST", "/api/shows/1/edits", Map.of("edit", renew, "preview", true));
        assertThat(foreseen.get("words").get(0).asText()).contains("8 → 9 slots");
        assertThat(foreseen.get("words").toString())
                .contains("On stage: other octets for the same in 1 look, what is set now.");
        JsonNode newer = app.get("/api/shows/1/profiles/" + held + "/newer");
        assertThat(newer.get("words")).isEqualTo(foreseen.get("words"));
        assertThat(newer.get("fates").toString())
                .contains("look 1 “Half”")
                .contains("Level: the same, sent otherwise: slot 1 128 → 0, slot 9 0 → 128");
        assertThat(app.send("GET", "/api/shows/1/profiles/none/newer", null).statusCode())
                .isEqualTo(422);
        assertThat(summary("Ember Par").get("id").asText()).isEqualTo(held);
        app.json("POST", "/api/shows/1/edits", Map.of("edit", renew));
        assertThat(summary("Ember Par").get("id").asText()).isNotEqualTo(held);
        assertThat(summary("Ember Par").get("differs")).isEmpty();
        app.send("POST", "/api/shows/1/undo", null);
        assertThat(summary("Ember Par").get("id").asText()).isEqualTo(held);
    }

    @Test
    void a_profile_is_built_from_a_chart_tried_on_an_address_and_patched() {
        app.json("POST", "/api/shows", Map.of("name", "Built"));
        JsonNode chart = app.json(
                "POST",
                "/api/profiles/chart",
                Map.of("text", "Dimmer\nPan 16 540 deg\nTilt 16 270 deg\nRed\nGreen\nBlue"));
        Map<String, Object> draft = Map.of("maker", "Halden", "name", "Dory", "modes", chart.get("modes"));
        JsonNode strip = app.json(
                "PUT",
                "/api/strip",
                Map.of(
                        "draft",
                        draft,
                        "mode",
                        "8-slot",
                        "address",
                        "9.1",
                        "slots",
                        Map.of("1", 255, "2", 255, "3", 255)));
        assertThat(strip.get("intensity").asDouble()).isEqualTo(1);
        assertThat(strip.get("pan").asDouble()).isEqualTo(270);
        assertThat(app.send("PUT", "/api/strip", Map.of("draft", draft, "mode", "8-slot", "address", "9.510"))
                        .statusCode())
                .isEqualTo(422);
        app.send("DELETE", "/api/strip", null);
        JsonNode saved = app.json("POST", "/api/profiles/draft", Map.of("draft", draft, "save", true));
        assertThat(saved.get("problems")).isEmpty();
        app.line(1, "patch 1 thru 40 as \"Dory / 8-slot\" at 3.1");
        assertThat(summary("Dory").get("inUse").asInt()).isEqualTo(40);
        JsonNode clone = app.get("/api/profiles/" + saved.get("saved").asText() + "/draft");
        assertThat(clone.get("draft").get("modes").get(0).get("channels")).hasSize(6);
        assertThat(app.send("POST", "/api/profiles/draft", Map.of()).statusCode())
                .isEqualTo(422);
    }

    @Test
    void versions_are_kept_compared_and_restored_as_an_edit() {
        app.json("POST", "/api/shows", Map.of("name", "Kept"));
        app.line(1, "patch 1 thru 4 as \"House Dimmer\" at 1.1");
        app.line(1, "save version \"After patch\"");
        app.line(1, "patch 2 at 3.7");
        app.line(1, "delete 4");
        long version = app.get("/api/shows/1/versions").get(0).get("id").asLong();
        JsonNode words = app.get("/api/shows/1/versions/" + version + "/to/0").get("words");
        assertThat(words.toString()).contains("1 fixture gone: 4").contains("with other addresses: 2");
        app.line(1, "restore version \"after patch\"");
        assertThat(app.get("/api/shows/1/patch").get("fixtures")).hasSize(4);
        app.line(1, "undo");
        assertThat(app.get("/api/shows/1/patch").get("fixtures")).hasSize(3);
        assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", "restore version \"none\""))
                        .statusCode())
                .isEqualTo(422);
        JsonNode again = app.line(1, "save version \"after patch\"");
        assertThat(again.get("reading").asText()).contains("“after patch 2”").contains("already");
        assertThat(app.get("/api/shows/1/versions"))
                .extracting(v -> v.get("name").asText())
                .containsExactly("after patch 2", "After patch");
    }

    @Test
    void a_whole_show_goes_out_as_a_file_and_comes_in_again_with_nothing_leaving_the_machine() {
        app.json("POST", "/api/shows", Map.of("name", "Travelling"));
        app.line(1, "patch 1 thru 4 as \"Ember Par / 8-slot\" at 1.1");
        app.line(1, "universe 1 to unicast \"192.0.2.7\" as \"Node\"");
        app.line(1, "universe 2 number 0:0:0 sync 7000 to art-net \"192.0.2.8\" as \"Dimmers\"");
        app.line(1, "1 thru 4 at 40\nrecord group \"Pars\"");
        byte[] file = download("/api/shows/1/file");
        long id = upload("/api/shows/file", "file", Map.of("x.loculus", file), 201)
                .get("id")
                .asLong();
        JsonNode patch = app.get("/api/shows/" + id + "/patch");
        assertThat(patch.get("fixtures")).hasSize(4);
        assertThat(patch.get("universes").get(0).get("targetName").asText()).isEqualTo("Node");
        assertThat(patch.get("universes").get(0).get("on").asBoolean()).isFalse();
        JsonNode second = patch.get("universes").get(1);
        assertThat(second.get("numberText").asText()).isEqualTo("0:0:0");
        assertThat(second.get("sync").asInt()).isEqualTo(7000);
        assertThat(second.get("route").asText()).isEqualTo("art-net");
        assertThat(second.get("on").asBoolean()).isFalse();
        app.close();
        app = new RunningApplication(data);
        assertThat(app.get("/api/shows/" + id + "/patch").get("universes"))
                .as("over a restart")
                .isEqualTo(patch.get("universes"));
        assertThat(app.get("/api/shows/" + id + "/groups")).hasSize(1);
        file[file.length / 2] ^= 1;
        upload("/api/shows/file", "file", Map.of("x.loculus", file), 422);
        assertThat(app.get("/api/shows")).hasSize(2);
    }

    @Test
    void a_show_begins_from_a_template_with_dimmers_or_as_a_copy_and_can_be_put_away() {
        app.json("POST", "/api/shows", Map.of("name", "Venue"));
        app.line(1, "patch 1 thru 6 as \"House Dimmer\" at 1.1");
        long template = app.json("POST", "/api/shows/1/template", Map.of("name", "House rig"))
                .get("id")
                .asLong();
        long made = app.json("POST", "/api/shows", Map.of("name", "Tonight", "from", template))
                .get("id")
                .asLong();
        assertThat(app.get("/api/shows/" + made).get("fixtures").asInt()).isEqualTo(6);
        assertThat(app.get("/api/shows/" + made).get("revision").asInt()).isZero();
        long dimmers = app.json("POST", "/api/shows", Map.of("name", "Rack", "dimmers", 600))
                .get("id")
                .asLong();
        JsonNode patch = app.get("/api/shows/" + dimmers + "/patch");
        assertThat(patch.get("fixtures").get(599).get("address").asText()).isEqualTo("2.88");
        assertThat(app.send("PUT", "/api/shows/" + dimmers + "/archived", Map.of("archived", true))
                        .statusCode())
                .isEqualTo(422);
        JsonNode listed = app.json("PUT", "/api/shows/1/archived", Map.of("archived", true));
        assertThat(listed.get(0).get("archived").asBoolean()).isTrue();
        assertThat(List.of(
                        listed.get(1).get("template").asBoolean(),
                        listed.get(2).get("template").asBoolean()))
                .containsExactly(true, false);
    }
}
