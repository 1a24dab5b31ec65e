package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The interface a script relies on, on the demo show. */
class InterfaceTest {

    @TempDir
    static Path data;

    private static RunningApplication app;

    @BeforeAll
    static void start() {
        app = new RunningApplication(
                data, Described.class, "--loculus.demo=true", "--springdoc.api-docs.path=" + Described.PATH);
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static long empty() {
        return app.json("POST", "/api/shows", Map.of("name", "Script"))
                .get("id")
                .asLong();
    }

    private static HttpResponse<String> post(long show, String line, boolean preview) {
        return app.send("POST", "/api/shows/" + show + "/line", Map.of("text", line, "preview", preview));
    }

    @Test
    void the_description_that_the_pages_are_typed_by_is_the_present_one() throws IOException {
        ObjectMapper json = new ObjectMapper();
        ObjectNode now = (ObjectNode) app.get(Described.PATH);
        List<String> foreign = new ArrayList<>();
        now.get("paths").fieldNames().forEachRemaining(p -> {
            if (!p.startsWith("/api")) {
                foreign.add(p);
            }
        });
        ((ObjectNode) now.get("paths")).remove(foreign);
        Path kept = Path.of("../web/public/openapi.json");
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(kept, json.writerWithDefaultPrettyPrinter().writeValueAsString(now) + "\n");
        }
        JsonNode committed = json.readTree(kept.toFile());
        assertThat(committed)
                .as("web/public/openapi.json; renew it with ./mvn -Dopenapi.write=true")
                .isEqualTo(now);
    }

    @Test
    void profiles_list_maker_name_and_modes_with_their_slots() {
        JsonNode profiles = app.get("/api/profiles");
        assertThat(profiles.size()).isGreaterThanOrEqualTo(8);
        JsonNode first = profiles.get(0);
        assertThat(first.get("maker").asText()).isNotBlank();
        assertThat(first.get("modes").get(0).get("slots").asInt()).isPositive();
        JsonNode whole = app.get("/api/profiles/" + first.get("id").asText());
        assertThat(whole.get("modes").get(0).get("channels")).isNotEmpty();
    }

    @Test
    void a_line_is_answered_with_its_outcome_and_a_preview_keeps_nothing() throws IOException {
        long show = empty();
        JsonNode preview = new ObjectMapper()
                .readTree(post(show, "patch 1 thru 3 as \"Skiff Wash / extended\" at 1.480", true)
                        .body());
        assertThat(preview.get("reading").asText()).startsWith("3 × 20 slots · 1.480–1.499, then 2.1–2.40");
        assertThat(preview.get("landings")).hasSize(3);
        assertThat(app.get("/api/shows/" + show).get("revision").asLong()).isZero();
        assertThat(post(show, "patch 1 thru 3 as \"Skiff Wash / extended\" at 1.480", false)
                        .statusCode())
                .isEqualTo(200);
        assertThat(app.get("/api/shows/" + show + "/patch").get("fixtures")).hasSize(3);
    }

    @Test
    void a_refused_line_is_a_422_with_its_place_and_ways_out() throws IOException {
        HttpResponse<String> refused = post(empty(), "patch 1 as \"Skiff Wash / extended\" at 1.600", false);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.headers().firstValue("content-type"))
                .hasValueSatisfying(t -> assertThat(t).startsWith("application/problem+json"));
        JsonNode body = new ObjectMapper().readTree(refused.body());
        assertThat(body.get("from").asInt()).isEqualTo("patch 1 as \"Skiff Wash / extended\" at ".length());
        assertThat(body.get("problems").get(0).get("words").asText()).contains("600");
    }

    @Test
    void output_and_rig_show_what_was_set() {
        long show = empty();
        app.line(
                show,
                "patch 1 as \"House Dimmer / 1-slot\" at 9.17\npatch 2 as \"Ember Par / 6-slot\" at 9.20\n1 + 2 at 50");
        JsonNode slots = app.get("/api/shows/" + show + "/output/9").get("slots");
        assertThat(slots).hasSize(512);
        assertThat(slots.get(16).asInt()).isEqualTo(128);
        assertThat(slots.get(19).asInt()).isEqualTo(128);
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isBetween(0.5, 0.504);
        assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isBetween(0.5, 0.504);
    }

    @Test
    void a_wrong_patch_looks_wrong_in_the_rig() {
        long show = empty();
        app.line(show, "patch 1 thru 3 as \"House Dimmer / 1-slot\" at 5.1\n1 thru 3 at full");
        assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isEqualTo(1);
        JsonNode wrong = app.json("PUT", "/api/rig/2", Map.of("address", "5.200"));
        assertThat(wrong.get("intensity").asDouble()).isZero();
        assertThat(wrong.get("asPatched").asBoolean()).isFalse();
        assertThat(app.json("PUT", "/api/rig/3", Map.of("dead", true))
                        .get("intensity")
                        .asDouble())
                .isZero();
        app.line(show, "patch 2 at 5.200");
        assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isEqualTo(1);
        assertThat(app.json("DELETE", "/api/rig/3", null).get("intensity").asDouble())
                .isEqualTo(1);
    }

    @Test
    void a_palette_is_reached_by_four_kinds_of_fixture_each_in_its_own_way() {
        long show = empty();
        app.line(show, """
                patch 1 as "Skiff Wash / extended" at 1.1
                patch 2 as "Fathom Profile / standard" at 1.101
                patch 3 as "Lantern Beam / 16-slot" at 1.201
                patch 4 as "House Dimmer / 1-slot" at 1.301
                1 at full colour xy 0.25, 0.39
                record colour 12 "Verdigris" global
                1 thru 4 at full colour 12""");
        assertXy(1, .25, .39, 0.0005);
        assertXy(2, .25, .39, 0.004);
        assertThat(app.get("/api/rig/3").get("colour").get("y").asDouble()).isGreaterThan(0.40);
        assertThat(app.get("/api/rig/4").get("intensity").asDouble()).isEqualTo(1);
        JsonNode reach = app.get("/api/shows/" + show + "/palettes").get(0);
        assertThat(reach.get("follow").asInt()).isEqualTo(3);
        assertThat(reach.get("of").asInt()).isEqualTo(4);
    }

    private static void assertXy(int number, double x, double y, double off) {
        JsonNode colour = app.get("/api/rig/" + number).get("colour");
        assertThat(Math.hypot(colour.get("x").asDouble() - x, colour.get("y").asDouble() - y))
                .isLessThan(off);
    }

    @Test
    void the_paperwork_of_the_demo_is_examined_row_by_row() throws IOException {
        long show = empty();
        String text = app.send("GET", "/api/demo/hookup", null).body();
        JsonNode view = app.json(
                "POST",
                "/api/shows/" + show + "/hookup",
                Map.of("text", text, "preview", true, "clashing", "unpatched"));
        assertThat(view.get("landing").asInt()).isEqualTo(86);
        assertThat(view.get("left").asInt()).isEqualTo(1);
        List<String> words = new ArrayList<>();
        view.get("rows")
                .forEach(r ->
                        r.get("problems").forEach(p -> words.add(p.get("words").asText())));
        assertThat(words)
                .hasSize(3)
                .anyMatch(w -> w.contains("Slot 542"))
                .anyMatch(w -> w.startsWith("3.49 runs into 207"));
        assertThat(app.get("/api/shows/" + show).get("revision").asLong()).isZero();
        app.json("POST", "/api/shows/" + show + "/hookup", Map.of("text", text, "clashing", "share"));
        assertThat(app.get("/api/shows/" + show + "/patch").get("clashes")).hasSize(2);
        app.json("POST", "/api/shows/" + show + "/undo", null);
        assertThat(app.get("/api/shows/" + show + "/patch").get("fixtures")).isEmpty();
    }

    @Test
    void typed_edits_select_and_place() {
        long show = empty();
        app.line(show, "add 1 thru 3 as \"House Dimmer\"");
        app.json(
                "POST",
                "/api/shows/" + show + "/edits",
                Map.of("edit", Map.of("type", "select", "units", List.of("3", "1"), "how", "hold")));
        assertThat(app.get("/api/shows/" + show + "/desk").get("steps").toString())
                .isEqualTo("[[\"3\"],[\"1\"]]");
        app.json(
                "POST",
                "/api/shows/" + show + "/edits",
                Map.of(
                        "edit",
                        Map.of("type", "place", "places", List.of(Map.of("number", 2, "x", 1.5, "y", 2, "z", 6)))));
        assertThat(app.get("/api/shows/" + show + "/patch")
                        .get("fixtures")
                        .get(1)
                        .get("x")
                        .asDouble())
                .isEqualTo(1.5);
        assertThat(app.send("POST", "/api/shows/" + show + "/edits", Map.of("edit", Map.of("type", "nonsense")))
                        .statusCode())
                .isEqualTo(400);
    }

    @Test
    void other_pages_and_unknown_shows_are_turned_away_in_words() {
        assertThat(app.send("GET", "/api/shows", null, "Origin", "http://elsewhere.example")
                        .statusCode())
                .isEqualTo(403);
        assertThat(app.send("GET", "/api/shows", null, "Origin", app.base()).statusCode())
                .isEqualTo(200);
        assertThat(app.send("GET", "/api/shows/99999", null).statusCode()).isEqualTo(404);
        assertThat(app.send("POST", "/api/shows", Map.of("name", " ")).statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/api/shows/1/output/70000", null).statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/patch", null).headers().firstValue("content-security-policy"))
                .isPresent();
    }

    @Test
    void what_a_page_is_made_of_is_asked_for_once_and_the_page_each_time() {
        HttpResponse<String> page = app.send("GET", "/patch", null);
        assertThat(page.headers().allValues("cache-control")).containsExactly("no-cache");
        Matcher asset = Pattern.compile("/assets/[^\"]+").matcher(page.body());
        assertThat(asset.find()).isTrue();
        assertThat(app.send("GET", asset.group(), null).headers().allValues("cache-control"))
                .containsExactly("max-age=31536000, public, immutable");
    }
}
