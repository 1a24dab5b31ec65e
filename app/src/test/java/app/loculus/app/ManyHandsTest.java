package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several scripts at once, repeated requests and old revisions. */
class ManyHandsTest {

    @TempDir
    Path data;

    private RunningApplication app;

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Many hands"));
    }

    @AfterEach
    void stop() {
        app.close();
    }

    private JsonNode show() {
        return app.get("/api/shows/1");
    }

    private int status(Map<String, Object> body) {
        return app.send("POST", "/api/shows/1/line", body).statusCode();
    }

    @Test
    void edits_from_many_sides_are_made_one_after_the_other() throws Exception {
        ExecutorService hands = Executors.newFixedThreadPool(6);
        List<Future<Integer>> answers = new ArrayList<>();
        IntStream.rangeClosed(1, 60)
                .forEach(n -> answers.add(hands.submit(
                        () -> status(Map.of("text", "patch " + n + " as \"House Dimmer\" at 1." + (n % 40 + 1))))));
        int accepted = 0;
        for (Future<Integer> answer : answers) {
            accepted += answer.get() == 200 ? 1 : 0;
        }
        hands.shutdown();
        assertThat(accepted).as("forty slots, each taken once").isEqualTo(40);
        assertThat(show().get("revision").asInt()).isEqualTo(40);
        assertThat(app.get("/api/shows/1/patch").get("clashes")).isEmpty();
        IntStream.range(0, 40).forEach(i -> app.json("POST", "/api/shows/1/undo", null));
        assertThat(show().get("fixtures").asInt()).isZero();
    }

    @Test
    void a_request_repeated_with_its_key_happens_once() {
        Map<String, Object> add = Map.of("text", "record group \"Once\"", "key", "abc");
        app.line(1, "add 1 as \"House Dimmer\"\n1");
        assertThat(status(add)).isEqualTo(200);
        assertThat(status(add)).isEqualTo(200);
        assertThat(app.get("/api/shows/1/groups")).hasSize(1);
    }

    @Test
    void an_edit_made_on_an_old_revision_is_refused_only_where_it_meets_a_change() {
        app.line(1, "add 1 thru 2 as \"House Dimmer\"");
        app.line(1, "name 1 \"Left\"");
        assertThat(status(Map.of("text", "name 2 \"Right\"", "revision", 1))).isEqualTo(200);
        assertThat(status(Map.of("text", "name 1 \"Other\"", "revision", 1))).isEqualTo(422);
        assertThat(status(Map.of("text", "name 1 \"Other\"", "revision", 3))).isEqualTo(200);
    }

    @Test
    void nonsense_is_answered_in_words_and_never_with_a_fault_of_ours() {
        List<String> bodies = List.of("{", "[]", "{\"text\": 7}", "null", "{\"text\":\"\\u0000\"}", "{}");
        for (String body : bodies) {
            int code = app.sendText("POST", "/api/shows/1/line", body).statusCode();
            assertThat(code).as(body).isLessThan(500);
        }
        assertThat(app.send("POST", "/api/shows/1/hookup", Map.of("text", "a,b\n1,2", "mapping", Map.of("a", "number")))
                        .statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/api/profiles/nope", null).statusCode()).isEqualTo(422);
        assertThat(app.send("GET", "/api/rig/12345", null).statusCode()).isEqualTo(422);
        assertThat(app.send("PUT", "/api/rig/1", Map.of("address", "x")).statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/api/shows/x", null).statusCode()).isEqualTo(400);
    }

    @Test
    void another_show_becomes_live_and_the_first_one_keeps_everything() {
        app.line(1, "patch 1 as \"House Dimmer\" at 1.1\n1 at full");
        app.json("POST", "/api/shows", Map.of("name", "Second"));
        app.line(2, "patch 1 as \"House Dimmer\" at 8.1\n1 at 50");
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isBetween(0.5, 0.51);
        assertThat(app.get("/api/shows/1/output/1").get("slots").get(0).asInt()).isEqualTo(255);
        app.json("POST", "/api/shows/1/live", null);
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isEqualTo(1);
        assertThat(app.get("/api/shows").findValuesAsText("live")).containsExactly("true", "false");
    }
}
