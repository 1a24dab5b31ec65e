package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Parts of another show over HTTP: listed, looked at without a trace, taken in one step, undone. */
class ImportPartsTest {

    @TempDir
    Path data;

    private static String key(JsonNode parts, String label) {
        for (JsonNode part : parts) {
            if (part.get("label").asText().equals(label)) {
                return part.get("key").asText();
            }
        }
        throw new AssertionError(label + " is not in " + parts);
    }

    @Test
    void a_look_comes_with_its_palettes_and_goes_by_one_undo() {
        try (RunningApplication app = new RunningApplication(data)) {
            long other = app.json("POST", "/api/shows", Map.of("name", "Other"))
                    .get("id")
                    .asLong();
            app.line(other, "patch 1 thru 4 as \"Ember Par / 8-slot\" at 1.1");
            app.line(other, "1 thru 4 at 60");
            app.line(other, "1 thru 4 colour xy 0.5, 0.3");
            app.line(other, "record colour 1 \"Madder\"");
            app.line(other, "1 thru 4 colour 1");
            app.line(other, "record look 1 \"Warm\"");
            long own = app.json("POST", "/api/shows", Map.of("name", "Own"))
                    .get("id")
                    .asLong();
            app.line(own, "patch 1 thru 3 as \"Ember Par / 8-slot\" at 1.1");
            JsonNode parts = app.get("/api/shows/" + other + "/importable");
            String look = key(parts, "look 1 “Warm”");
            Map<String, Object> wish = Map.of("from", other, "keys", List.of(look), "match", "number");
            String path = "/api/shows/" + own + "/import";

            JsonNode told = app.json("POST", path, with(wish, "preview", true));
            assertThat(told.at("/words/0").asText())
                    .isEqualTo("Imports 2 parts of “Other”: colour 1 “Madder”, look 1 “Warm”");
            assertThat(app.get("/api/shows/" + own + "/importable")).isEmpty();

            JsonNode done = app.json("POST", path, wish);
            assertThat(done.get("words")).isEqualTo(told.get("words"));
            assertThat(app.get("/api/shows/" + own + "/importable").findValuesAsText("label"))
                    .contains("colour 1 “Madder”", "look 1 “Warm”");
            HttpResponse<String> again = app.send("POST", path, wish);
            assertThat(again.statusCode()).isEqualTo(422);
            assertThat(again.body()).contains("has all of that already");

            app.json("POST", "/api/shows/" + own + "/undo", Map.of());
            assertThat(app.get("/api/shows/" + own + "/importable")).isEmpty();
            assertThat(app.send("POST", path, Map.of("from", own)).body()).contains("which other show");
            assertThat(app.send("POST", path, Map.of("from", other, "keys", List.of("look x")))
                            .body())
                    .contains("Nothing of the other show is chosen");
        }
    }

    private static Map<String, Object> with(Map<String, Object> map, String key, Object value) {
        Map<String, Object> more = new java.util.HashMap<>(map);
        more.put(key, value);
        return more;
    }
}
