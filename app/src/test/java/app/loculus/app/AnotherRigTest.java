package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A show on another rig over HTTP: told without a trace, made as a show of its own, the old one as it was. */
class AnotherRigTest {

    private static final String HOUSE = "Number,Name,Profile,Mode,Address,Position,Purpose\n"
            + "11,,Fathom Profile,standard,1.1,Front,Front\n12,,Fathom Profile,standard,1.101,Front,Front\n"
            + "31,,Ember Par,8-slot,2.1,Mid,Wash\n32,,Ember Par,8-slot,2.11,Mid,Wash\n";

    @TempDir
    static Path data;

    private static RunningApplication app;
    private static long own;

    @BeforeAll
    static void aShow() {
        app = new RunningApplication(data);
        own = app.json("POST", "/api/shows", Map.of("name", "Ferry")).get("id").asLong();
        app.line(own, "patch 1 thru 4 as \"Ember Par / 8-slot\" at 1.1");
        app.line(own, "patch 21 + 22 as \"Skiff Wash / extended\" at 2.1");
        app.line(own, "1 thru 4");
        app.line(own, "record group 1 \"Pars\"");
        app.line(own, "at 60");
        app.line(own, "red 100");
        app.line(own, "record colour 1 \"Madder\"");
        app.line(own, "record cue 1 \"Glow\"");
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static long house(String name, byte[] octets) throws Exception {
        HttpResponse<String> made = app.upload("/api/shows/" + own + "/rig/file", name, octets);
        assertThat(made.statusCode()).as(made.body()).isEqualTo(201);
        return new com.fasterxml.jackson.databind.ObjectMapper()
                .readTree(made.body())
                .get("id")
                .asLong();
    }

    private static long live() {
        for (JsonNode show : app.get("/api/shows")) {
            if (show.get("live").asBoolean()) {
                return show.get("id").asLong();
            }
        }
        return 0;
    }

    @Test
    void a_hookup_becomes_a_rig_beside_the_show_and_the_move_is_told_before_it_is_made() throws Exception {
        JsonNode before = app.get("/api/shows/" + own);
        long rig = house("house.csv", HOUSE.getBytes(StandardCharsets.UTF_8));
        app.json("PUT", "/api/shows/" + rig + "/archived", Map.of("archived", false));
        assertThat(live()).as("the rig is not opened").isEqualTo(live()).isNotEqualTo(rig);
        JsonNode told = app.json("POST", "/api/shows/" + own + "/rig/preview", Map.of("rig", rig));
        assertThat(told.get("pairs")).hasSize(6);
        assertThat(told.get("without")).isEmpty();
        assertThat(told.at("/fates").findValuesAsText("label"))
                .contains("colour 1 “Madder”", "1 “Pars”", "list 1 cue 1 “Glow”");
        assertThat(app.get("/api/shows/" + own)).isEqualTo(before);

        JsonNode made =
                app.json("POST", "/api/shows/" + own + "/rig", Map.of("rig", rig, "name", "Ferry at the house"));
        long there = made.get("id").asLong();
        assertThat(live()).isEqualTo(there);
        assertThat(app.get("/api/shows/" + there + "/versions").findValuesAsText("name"))
                .containsExactly("From Ferry");
        // Pars 31 and 32 stand for two each: the cue lights both, red.
        app.line(there, "go");
        assertThat(app.get("/api/shows/" + own).get("revision")).isEqualTo(before.get("revision"));
        JsonNode groups = app.get("/api/shows/" + there + "/groups");
        assertThat(groups.toString()).contains("Pars");
    }

    @Test
    void the_same_request_with_its_key_makes_one_show() throws Exception {
        long rig = house("again.csv", HOUSE.getBytes(StandardCharsets.UTF_8));
        Map<String, Object> body = Map.of("rig", rig, "name", "Once");
        String path = "/api/shows/" + own + "/rig";
        HttpResponse<String> one = app.send("POST", path, body, "Idempotency-Key", "once");
        HttpResponse<String> again = app.send("POST", path, body, "Idempotency-Key", "once");
        assertThat(again.body()).isEqualTo(one.body());
        assertThat(app.get("/api/shows").findValuesAsText("name").stream().filter("Once"::equals))
                .hasSize(1);
    }

    @Test
    void pairs_that_are_said_count_and_wrong_ones_are_refused_in_words() throws Exception {
        long rig = house("said.csv", HOUSE.getBytes(StandardCharsets.UTF_8));
        String path = "/api/shows/" + own + "/rig/preview";
        JsonNode told = app.json(
                "POST",
                path,
                Map.of(
                        "rig",
                        rig,
                        "pairs",
                        List.of(
                                Map.of("was", List.of(1, 2), "is", List.of(12)),
                                Map.of("was", List.of(3), "is", List.of()))));
        assertThat(told.get("without").findValuesAsText("number")).containsExactly("3");
        assertThat(told.get("pairs").toString()).contains("by hand");
        HttpResponse<String> wrong = app.send(
                "POST", path, Map.of("rig", rig, "pairs", List.of(Map.of("was", List.of(99), "is", List.of(12)))));
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body()).contains("There is no fixture 99 in the show.");
        HttpResponse<String> none = app.send("POST", path, Map.of());
        assertThat(none.body()).contains("which rig the show goes to");
        HttpResponse<String> line = app.send(
                "POST",
                path,
                Map.of(
                        "rig",
                        rig,
                        "points",
                        List.of(point(0, 0, 0, 1, 0, 0), point(1, 0, 0, 2, 0, 0), point(2, 0, 0, 3, 0, 0))));
        assertThat(line.body()).contains("not in one line");
    }

    private static Map<String, Object> point(double... v) {
        return Map.of("was", Map.of("x", v[0], "y", v[1], "z", v[2]), "is", Map.of("x", v[3], "y", v[4], "z", v[5]));
    }

    @Test
    void a_scene_and_a_show_file_are_rigs_as_well_and_anything_else_is_refused() throws Exception {
        long drawn = house("house.mvr", app.octets("/api/shows/" + own + "/scene.mvr"));
        assertThat(app.json("POST", "/api/shows/" + own + "/rig/preview", Map.of("rig", drawn))
                        .get("pairs"))
                .hasSize(6);
        long kept = house("house.loculus", app.octets("/api/shows/" + own + "/file"));
        JsonNode told = app.json("POST", "/api/shows/" + own + "/rig/preview", Map.of("rig", kept));
        assertThat(told.get("fates").findValuesAsText("worst")).containsOnly("carries");
        assertThat(told.get("said").toString())
                .contains("Of “Ferry” only the patch is taken; its 1 cue list, 1 group, 1 palette stay there.");
        HttpResponse<String> noise = app.upload(
                "/api/shows/" + own + "/rig/file", "noise.csv", "one\ntwo\n".getBytes(StandardCharsets.UTF_8));
        assertThat(noise.statusCode()).isEqualTo(422);
        assertThat(noise.body()).contains("Not one row of this file");
    }

    @Test
    void the_report_is_a_sheet() throws Exception {
        long rig = house("report.csv", HOUSE.getBytes(StandardCharsets.UTF_8));
        HttpResponse<String> csv = app.send("POST", "/api/shows/" + own + "/rig/report.csv", Map.of("rig", rig));
        assertThat(csv.body())
                .contains("colour 1 “Madder”")
                .contains("31 Ember Par")
                .contains("same type");
        HttpResponse<String> pdf = app.send("POST", "/api/shows/" + own + "/rig/report.pdf", Map.of("rig", rig));
        assertThat(pdf.body()).startsWith("%PDF");
    }

    @Test
    void bodies_with_nothing_where_something_belongs_are_answered_in_words() throws Exception {
        long rig = house("bodies.csv", HOUSE.getBytes(StandardCharsets.UTF_8));
        String path = "/api/shows/" + own + "/rig/preview";
        for (String more : List.of(
                "\"pairs\":[{}]",
                "\"pairs\":[{\"was\":[null],\"is\":[11]}]",
                "\"pairs\":[{\"was\":[1],\"is\":[null]}]",
                "\"points\":[{}]",
                "\"points\":[{\"was\":{\"x\":1e308,\"y\":0,\"z\":0},\"is\":{\"x\":0,\"y\":0,\"z\":0}}]")) {
            HttpResponse<String> refused = app.sendText("POST", path, "{\"rig\":" + rig + "," + more + "}");
            assertThat(refused.statusCode()).as(more).isEqualTo(422);
            assertThat(refused.body()).as(more).containsAnyOf("A pair is", "A known point");
        }
        for (String more : List.of("\"pairs\":[null]", "\"points\":[null]")) {
            assertThat(app.sendText("POST", path, "{\"rig\":" + rig + "," + more + "}")
                            .statusCode())
                    .as(more)
                    .isEqualTo(200);
        }
        for (String body : List.of(
                "{\"from\":" + rig + ",\"keys\":[null]}",
                "{\"from\":" + rig + ",\"keys\":[\"look 999999999\"],\"answers\":[null]}",
                "{\"from\":" + rig + "}")) {
            HttpResponse<String> refused = app.sendText("POST", "/api/shows/" + own + "/import", body);
            assertThat(refused.statusCode()).as(body).isEqualTo(422);
            assertThat(refused.body()).contains("Nothing of the other show is chosen");
        }
    }
}
