package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A data folder of an earlier version opens as it was left, its history included. */
class EarlierDataTest {

    private static final String EARLIER = "/earlier/format-1";

    @TempDir
    Path data;

    private JsonNode golden;

    @BeforeEach
    void unpack() throws IOException {
        try (InputStream in = new GZIPInputStream(EarlierDataTest.class.getResourceAsStream(EARLIER + ".mv.db.gz"))) {
            Files.copy(in, data.resolve("loculus.mv.db"));
        }
        golden = new ObjectMapper().readTree(EarlierDataTest.class.getResourceAsStream(EARLIER + ".json"));
    }

    @Test
    void everything_is_there_and_can_be_taken_back_to_the_beginning() {
        try (RunningApplication app = new RunningApplication(data)) {
            for (String part : new String[] {"/desk", "/groups", "/palettes"}) {
                assertThat(known(app.get("/api/shows/1" + part), golden.get(part)))
                        .as(part)
                        .isEqualTo(known(golden.get(part), app.get("/api/shows/1" + part)));
            }
            JsonNode fixtures = app.get("/api/shows/1/patch").get("fixtures");
            JsonNode kept = golden.get("/patch").get("fixtures");
            // What is worked out from the others is not what was kept.
            fixtures.forEach(f -> ((ObjectNode) f).remove(List.of("id", "clash", "shared")));
            kept.forEach(f -> ((ObjectNode) f).remove("clash"));
            fixtures.forEach(f -> {
                assertThat(f.get("panInverted").asBoolean()
                                || f.get("tiltInverted").asBoolean())
                        .isFalse();
                assertThat(f.get("gel").asText()).isEmpty();
            });
            assertThat(known(fixtures, kept)).isEqualTo(known(kept, fixtures));
            JsonNode show = app.get("/api/shows/1");
            assertThat(show.get("undo")).isEqualTo(golden.get("").get("undo"));
            assertThat(show.get("redo").asText()).contains("Undone");
            assertThat(app.get("/api/shows/1/versions").get(0).get("name").asText())
                    .isEqualTo("Kept");
            app.json("POST", "/api/shows/1/redo", null);
            while (!app.get("/api/shows/1").get("undo").asText().isEmpty()) {
                app.json("POST", "/api/shows/1/undo", null);
            }
            assertThat(app.get("/api/shows/1/patch").get("fixtures")).isEmpty();
            assertThat(app.get("/api/shows/1/palettes")).isEmpty();
        }
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows/1/versions/1/restore", null);
            assertThat(app.get("/api/shows/1/patch").get("fixtures")).hasSize(10);
        }
    }

    /** What both of two answers say: views have grown since, and tell elsewhere how much of a group is selected. */
    private static JsonNode known(JsonNode answer, JsonNode other) {
        if (answer.isArray()) {
            for (int i = 0; i < answer.size() && i < other.size(); i++) {
                known(answer.get(i), other.get(i));
            }
        } else if (answer instanceof ObjectNode fields) {
            List<String> names = new ArrayList<>();
            other.fieldNames().forEachRemaining(names::add);
            fields.retain(names);
            fields.properties().forEach(f -> known(f.getValue(), other.get(f.getKey())));
        }
        return answer;
    }
}
