package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Everything that was acknowledged is there after a restart, undo and the programmer included. */
class DurabilityTest {

    private static final List<String> PARTS = List.of("", "/patch", "/desk", "/groups", "/palettes");

    @TempDir
    Path data;

    private List<JsonNode> parts(RunningApplication app) {
        return PARTS.stream().map(p -> app.get("/api/shows/1" + p)).toList();
    }

    @Test
    void a_restart_loses_nothing() {
        List<JsonNode> before;
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Kept"));
            List.of(
                            "patch 1 thru 4 as \"Skiff Wash / extended\" at 1.1",
                            "patch 11 as \"Tideline Batten / 38-slot\" at 1.200",
                            "patch 21 as \"Gull Panel / 8-slot\" at 1.300",
                            "place 1 thru 4 at -3,2,6 thru 3,2,6",
                            "hang 1 thru 4 on \"Bridge\"",
                            "1 thru 4 mirror at 20 thru 80 colour xy 0.25, 0.39",
                            "record colour 3 \"Verdigris\"",
                            "record intensity 1 \"Levels\"",
                            "record group 2 \"Washes\"",
                            "21 colour 3",
                            "11.2 thru 11.4 red at 30 highlight on".replace(" highlight on", ""),
                            "highlight on",
                            "patch 4 at 1.20 share",
                            "name 1 \"Undone\"")
                    .forEach(line -> app.line(1, line));
            app.json("POST", "/api/shows/1/undo", null);
            before = parts(app);
        }
        try (RunningApplication app = new RunningApplication(data)) {
            assertThat(parts(app)).isEqualTo(before);
            assertThat(app.get("/api/shows/1").get("redo").asText()).contains("Undone");
            app.json("POST", "/api/shows/1/redo", null);
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .isEqualTo("Undone");
            for (int i = 0; i < 14; i++) {
                app.json("POST", "/api/shows/1/undo", null);
            }
            assertThat(app.get("/api/shows/1/patch").get("fixtures")).isEmpty();
            assertThat(app.get("/api/shows/1").get("undo").asText()).isEmpty();
        }
    }
}
