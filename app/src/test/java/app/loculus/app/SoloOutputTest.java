package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes out instead of the show, and how that ends. */
class SoloOutputTest {

    @TempDir
    Path data;

    private RunningApplication app;

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Solo"));
        app.line(1, "patch 1 thru 3 as \"House Dimmer\" at 1.1\npatch 11 as \"Skiff Wash / extended\" at 1.101");
        app.line(1, "all at full");
    }

    @AfterEach
    void stop() {
        app.close();
    }

    private double intensity(int number) {
        return app.get("/api/rig/" + number).get("intensity").asDouble();
    }

    private void eventually(int number, double level) throws InterruptedException {
        for (int i = 0; i < 60 && intensity(number) != level; i++) {
            Thread.sleep(30);
        }
        assertThat(intensity(number)).isEqualTo(level);
    }

    @Test
    void several_fixtures_can_be_brought_up_together_in_a_colour() throws InterruptedException {
        app.send("PUT", "/api/bring-up", Map.of("numbers", List.of(1, 11), "look", "green", "level", 50));
        eventually(2, 0);
        eventually(1, 0.5019607843137255);
        JsonNode wash = app.get("/api/rig/11");
        assertThat(wash.get("colour").get("y").asDouble()).isGreaterThan(0.5);
    }

    @Test
    void who_is_lit_is_seen_through_what_lies_over_the_show() {
        app.send("PUT", "/api/bring-up", Map.of("numbers", List.of(2)));
        JsonNode lit = app.json("POST", "/api/shows/1/line", Map.of("text", "all where lit", "preview", true));
        assertThat(lit.get("units").toString()).isEqualTo("[\"2\"]");
        assertThat(lit.get("words").get(1).asText()).isEqualTo("Lit by bring-up (1)");
        app.send("DELETE", "/api/bring-up", Map.of());
        lit = app.json("POST", "/api/shows/1/line", Map.of("text", "all where lit", "preview", true));
        assertThat(lit.get("words").get(1).asText()).startsWith("Lit by programmer (");
    }

    @Test
    void when_the_last_browser_has_gone_the_show_goes_out_again() throws InterruptedException {
        WebSocket browser = HttpClient.newHttpClient()
                .newWebSocketBuilder()
                .buildAsync(URI.create(app.base().replace("http", "ws") + "/live"), new WebSocket.Listener() {})
                .join();
        app.send("PUT", "/api/bring-up", Map.of("numbers", List.of(2)));
        eventually(1, 0);
        browser.sendClose(WebSocket.NORMAL_CLOSURE, "").join();
        eventually(1, 1);
        eventually(2, 1);
    }

    @Test
    void a_test_strip_lies_over_the_show_and_leaves_the_rest_of_it_alone() throws InterruptedException {
        JsonNode chart = app.json("POST", "/api/profiles/chart", Map.of("text", "Dimmer\nRed\nGreen\nBlue"));
        Map<String, Object> draft = Map.of("maker", "Halden", "name", "Strip", "modes", chart.get("modes"));
        app.json(
                "PUT",
                "/api/strip",
                Map.of("draft", draft, "mode", "4-slot", "address", "1.2", "slots", Map.of("1", 51)));
        eventually(2, 0.2);
        eventually(1, 1);
        app.send("DELETE", "/api/strip", null);
        eventually(2, 1);
    }

    @Test
    void changing_a_type_by_its_id_is_previewed_first_and_says_what_is_in_the_way() {
        String par = "";
        for (JsonNode p : app.get("/api/profiles")) {
            par = p.get("name").asText().equals("Ember Par") ? p.get("id").asText() : par;
        }
        Map<String, Object> edit =
                Map.of("type", "change-type", "numbers", List.of(1), "profileId", par, "mode", "8-slot");
        // A question is no mistake; the same asked for in earnest is.
        JsonNode refused = app.json("POST", "/api/shows/1/edits", Map.of("edit", edit, "preview", true));
        assertThat(refused.get("problems").get(0).get("severity").asText()).isEqualTo("refusal");
        assertThat(refused.get("changes").asBoolean()).isFalse();
        assertThat(app.send("POST", "/api/shows/1/edits", Map.of("edit", edit)).statusCode())
                .isEqualTo(422);
        Map<String, Object> moved = Map.of(
                "type", "change-type", "numbers", List.of(1), "profileId", par, "mode", "8-slot", "address", "4.1");
        JsonNode foreseen = app.json("POST", "/api/shows/1/edits", Map.of("edit", moved, "preview", true));
        assertThat(foreseen.get("words").get(0).asText()).contains("1 → 8 slots");
        assertThat(app.get("/api/shows/1/patch")
                        .get("fixtures")
                        .get(0)
                        .get("slots")
                        .asInt())
                .isEqualTo(1);
        app.json("POST", "/api/shows/1/edits", Map.of("edit", moved));
        assertThat(app.get("/api/shows/1/patch")
                        .get("fixtures")
                        .get(0)
                        .get("address")
                        .asText())
                .isEqualTo("4.1");
    }

    @Test
    void check_lists_what_was_marked() {
        app.line(1, "mark 2 dead \"no lamp\"");
        JsonNode rows = app.get("/api/shows/1/check").get("rows");
        assertThat(rows).hasSize(1);
        assertThat(rows.get(0).get("severity").asText()).isEqualTo("wrong");
        assertThat(rows.get(0).get("units").get(0).asText()).isEqualTo("2");
    }
}
