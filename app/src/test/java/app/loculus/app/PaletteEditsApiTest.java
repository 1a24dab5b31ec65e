package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Palettes and marks as pages ask for them, and what is left of them after a restart. */
class PaletteEditsApiTest {

    private static final List<String> VIEWS =
            List.of("palettes", "coverage", "marks", "values", "desk", "palettes/colour/1", "palettes/starters");

    @TempDir
    Path data;

    private RunningApplication app;

    private JsonNode edit(Map<String, Object> edit) {
        return app.json("POST", "/api/shows/1/edits", Map.of("edit", edit));
    }

    private JsonNode preview(Map<String, Object> edit) {
        return app.json("POST", "/api/shows/1/edits", Map.of("edit", edit, "preview", true));
    }

    private JsonNode part(String name) {
        return app.get("/api/shows/1/" + name);
    }

    private void newShow() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Palettes"));
        app.line(1, """
                patch 1 thru 4 as "Skiff Wash / extended" at 1.1
                patch 11 as "Fathom Profile / standard" at 1.101
                patch 21 as "Gull Panel / 8-slot" at 1.201
                place 1 thru 4 at -3,2,6 thru 3,2,6
                mark "Slip foot" at 0, 3, 0
                1 thru 4 at 20 thru 80 colour xy 0.25, 0.39
                record colour 1 "Verdigris"
                record intensity 1 "Rise"
                record position 1 at mark "Slip foot"
                21 colour 1
                21 ColorAdd_G at 80""");
    }

    @Test
    void what_recording_would_do_is_told_by_owner_and_attribute_with_both_faces() {
        newShow();
        JsonNode change = preview(Map.of("type", "record-palette", "kind", "colour", "number", 1, "onto", "merge"))
                .get("palettes")
                .get(0);
        assertThat(change.get("before").asText()).isEqualTo("Verdigris");
        assertThat(change.get("faceBefore").get("colours").get(0).asText()).startsWith("#");
        assertThat(change.get("rows").findValuesAsText("owner")).containsOnly("Gull Panel", "global for Gull Panel");
        assertThat(change.get("rows").findValuesAsText("happens")).contains("added", "shadowed");
        assertThat(part("palettes").get(2).get("entries").asInt())
                .as("nothing is written")
                .isEqualTo(4);
    }

    @Test
    void a_preview_of_what_takes_units_and_types_away_is_answered() {
        newShow();
        JsonNode deleting = preview(Map.of("type", "delete", "numbers", List.of(1, 2, 3, 4)));
        assertThat(deleting.get("palettes").findValuesAsText("happens")).contains("removed");
        assertThat(deleting.get("palettes").findValuesAsText("owner")).contains("a fixture that goes");
        edit(Map.of("type", "delete", "numbers", List.of(1, 2, 3, 4, 21)));
        VIEWS.forEach(view -> assertThat(part(view)).as(view).isNotNull());
    }

    @Test
    void a_value_of_a_unit_is_set_and_released_while_another_one_is_in_hand() {
        newShow();
        app.line(1, "11");
        edit(Map.of("type", "values-of", "units", List.of("3"), "words", "zoom at 12 deg"));
        assertThat(part("desk").get("steps").toString()).isEqualTo("[[\"11\"]]");
        app.line(1, "3");
        JsonNode zoom = part("values").get("rows").get(0).get("cells").get("Zoom");
        assertThat(zoom.get("source").asText()).isEqualTo("hand");
        assertThat(zoom.get("touched").asBoolean()).isTrue();
        edit(Map.of("type", "values-of", "units", List.of("3"), "words", "release zoom"));
        assertThat(part("values")
                        .get("rows")
                        .get(0)
                        .get("cells")
                        .get("Zoom")
                        .get("source")
                        .asText())
                .isEqualTo("home");
    }

    @Test
    void starters_are_recorded_in_one_step_and_only_what_is_left_out_is_left() {
        newShow();
        List<String> names = new ArrayList<>();
        part("palettes/starters").forEach(s -> {
            if (!s.get("family").asText().equals("Colours")) {
                names.add(s.get("key").asText());
            }
        });
        int before = part("palettes").size();
        edit(Map.of("type", "starter-palettes", "names", names));
        assertThat(part("palettes").size() - before).isEqualTo(names.size());
        List<String> left = new ArrayList<>();
        part("palettes/starters").forEach(s -> {
            if (s.get("adds").asInt() > 0) {
                left.add(s.get("family").asText());
            }
        });
        assertThat(left).hasSize(25).containsOnly("Colours");
        app.json("POST", "/api/shows/1/undo", null);
        assertThat(part("palettes").size()).isEqualTo(before);
    }

    @Test
    void everything_is_there_again_after_a_restart() {
        newShow();
        app.line(1, """
                time colour 1 at 2.5
                note colour 1 "harbour"
                tint colour 1 teal
                1 colour 1
                record colour 2 "Follower" keep references
                11 Gobo1 at 100 dmx
                21
                update colour 1""");
        edit(Map.of(
                "type",
                "edit-entry",
                "kind",
                "intensity",
                "number",
                1,
                "scope",
                "unit",
                "of",
                "2",
                "attribute",
                "Dimmer",
                "value",
                "45",
                "form",
                "percent"));
        List<String> before = VIEWS.stream().map(v -> part(v).toString()).toList();
        app.close();
        app = new RunningApplication(data);
        for (int i = 0; i < VIEWS.size(); i++) {
            assertThat(part(VIEWS.get(i)).toString()).as(VIEWS.get(i)).isEqualTo(before.get(i));
        }
        assertThat(part("palettes/intensity/1").toString()).contains("\"value\":\"45 %\"");
        assertThat(part("palettes").get(2).get("seconds").asDouble()).isEqualTo(2.5);
        for (int i = 0; i < 8; i++) {
            app.json("POST", "/api/shows/1/undo", null);
        }
        assertThat(part("palettes").findValuesAsText("name")).doesNotContain("Follower");
    }
}
