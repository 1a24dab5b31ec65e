package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Choosing and groups as pages ask for them, and what is left of it after a restart. */
class GroupEditsTest {

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

    private String held() {
        return part("desk").get("steps").toString().replaceAll("[\\[\\]\"]", "");
    }

    private JsonNode group(int number) {
        for (JsonNode group : part("groups")) {
            if (group.get("number").asInt() == number) {
                return group;
            }
        }
        throw new AssertionError("no group " + number);
    }

    private void open() {
        app = new RunningApplication(data);
    }

    private void newShow() {
        open();
        app.json("POST", "/api/shows", Map.of("name", "Groups"));
        app.line(1, """
                patch 1 thru 8 as "Skiff Wash / extended" at 1.1
                patch 21 thru 24 as "House Dimmer" at 1.301
                place 1 thru 8 at -7,2,6 thru 7,2,6
                hang 1 thru 4 on "Bridge 1"
                hang 5 thru 8 on "Bridge 2\"""");
    }

    @Test
    void the_obvious_groups_are_made_in_one_edit_and_follow_the_patch_after_a_restart() {
        newShow();
        JsonNode starters = part("groups/starters");
        assertThat(starters.findValuesAsText("name"))
                .contains("Skiff Wash", "Bridge 1", "Bridge 1 left", "House Dimmer odd");
        JsonNode made =
                edit(Map.of("type", "starter-groups", "names", List.of("Skiff Wash", "Bridge 2", "Skiff Wash odd")));
        assertThat(made.get("words").get(0).asText()).isEqualTo("Records 3 groups that follow the patch");
        assertThat(group(2).get("recipe").asText()).isEqualTo("type \"Skiff Wash\" every 2");
        app.close();
        open();
        app.line(1, "patch 9 as \"Skiff Wash / extended\" at 4.1");
        assertThat(group(2).get("units").toString()).isEqualTo("[\"1\",\"3\",\"5\",\"7\",\"9\"]");
        assertThat(part("groups/starters").findValuesAsText("there")).contains("2 “Skiff Wash odd”");
        app.json("POST", "/api/shows/1/undo", null);
        app.json("POST", "/api/shows/1/undo", null);
        assertThat(part("groups")).isEmpty();
        app.close();
    }

    @Test
    void what_is_in_hand_meets_words_units_and_groups_in_four_ways() {
        newShow();
        edit(Map.of("type", "choose", "words", "position \"Bridge 1\" reverse", "how", "hold"));
        assertThat(held()).isEqualTo("4,3,2,1");
        edit(Map.of("type", "record-group", "name", "Back", "recipe", true));
        edit(Map.of("type", "select", "units", List.of("21", "2"), "how", "add"));
        assertThat(held()).isEqualTo("4,3,2,1,21");
        edit(Map.of("type", "select", "units", List.of("3"), "how", "less"));
        edit(Map.of("type", "hold-group", "number", 1, "how", "both"));
        assertThat(held()).isEqualTo("4,2,1");
        assertThat(part("desk").get("groups").toString()).isEqualTo("{\"1\":\"some\"}");
        assertThat(part("desk").get("recent").findValuesAsText("words")).first().isEqualTo("4 + 2 + 1 + 21");
        edit(Map.of("type", "recent", "index", 0));
        assertThat(held()).isEqualTo("4,2,1,21");
        assertThat(preview(Map.of("type", "choose", "words", "all where not in group 1", "how", "hold"))
                        .get("units")
                        .toString())
                .isEqualTo("[\"5\",\"6\",\"7\",\"8\",\"21\",\"22\",\"23\",\"24\"]");
        assertThat(held()).isEqualTo("4,2,1,21");
        app.close();
    }

    @Test
    void order_patterns_and_the_way_back_to_the_whole() {
        newShow();
        app.line(1, "1 thru 4");
        edit(Map.of("type", "order", "from", 4, "to", 1));
        assertThat(held()).isEqualTo("4,1,2,3");
        edit(Map.of("type", "arrange", "words", "every 2"));
        edit(Map.of("type", "step", "back", false));
        assertThat(held()).isEqualTo("1,3");
        assertThat(part("desk").get("patterns").toString()).isEqualTo("[\"every 2 from 2\"]");
        assertThat(part("desk").get("share").asInt()).isEqualTo(1);
        edit(Map.of("type", "lift"));
        assertThat(held()).isEqualTo("4,1,2,3");
        edit(Map.of("type", "shuffle"));
        edit(Map.of("type", "shuffle"));
        assertThat(part("desk").get("patterns").toString()).isEqualTo("[\"shuffle seed 2\"]");
        edit(Map.of("type", "choose", "words", "1 thru 8 rows of 4", "how", "hold"));
        JsonNode grid = part("desk").get("grid");
        assertThat(List.of(grid.get("rows").asInt(), grid.get("columns").asInt()))
                .containsExactly(2, 4);
        app.close();
    }

    @Test
    void groups_are_levelled_moved_marked_altered_and_deleted_without_losing_what_is_in_hand() {
        newShow();
        app.line(
                1,
                "1 thru 4\nrecord group 1 \"Front\"\n5 thru 8\nrecord group 2 \"Back\"\ngroup 1\nrecord group 3 \"Again\" as recipe\n21");
        edit(Map.of("type", "level-group", "number", 1, "percent", 40));
        assertThat(held()).isEqualTo("21");
        assertThat(app.get("/api/shows/1/desk").get("touchedUnits").asInt()).isEqualTo(4);
        edit(Map.of("type", "alter-group", "number", 3, "how", "add"));
        assertThat(group(3).get("recipe").asText()).isEqualTo("group \"Front\" + 21");
        edit(Map.of("type", "move-group", "number", 1, "to", 2));
        assertThat(group(2).get("name").asText()).isEqualTo("Front");
        assertThat(group(2).get("usedBy").get(0).asText()).isEqualTo("3 “Again”");
        edit(Map.of("type", "describe-groups", "numbers", List.of(1, 2), "tint", "moss", "note", "keep"));
        assertThat(group(1).get("tint").asText()).isEqualTo("moss");
        edit(Map.of("type", "make-recipe", "number", 3, "words", "type \"House Dimmer\" every 2"));
        assertThat(group(3).get("units").toString()).isEqualTo("[\"21\",\"23\"]");
        JsonNode foreseen = preview(Map.of("type", "make-recipe", "number", 3, "words", "group \"Back\" reverse"));
        assertThat(foreseen.get("units").toString()).isEqualTo("[\"8\",\"7\",\"6\",\"5\"]");
        edit(Map.of("type", "delete-groups", "numbers", List.of(1, 2)));
        assertThat(part("groups")).hasSize(1);
        app.close();
        open();
        assertThat(group(3).get("recipe").asText()).isEqualTo("type \"House Dimmer\" every 2");
        app.close();
    }

    @Test
    void the_look_of_highlight_survives_a_restart_and_crashing_leaves_no_light_behind() {
        newShow();
        app.line(1, "1 at 30\nrecord highlight\nclear all\nhighlight rest 25\n2\nhighlight on");
        app.close();
        open();
        assertThat(part("desk").get("look").toString())
                .isEqualTo("{\"lines\":[\"every type: Dimmer 30 %\"],\"without\":[],\"rest\":25}");
        assertThat(part("desk").get("highlight").asBoolean()).isTrue();
        app.line(1, "highlight off");
        assertThat(app.get("/api/shows/1/desk").get("touchedUnits").asInt()).isZero();
        app.close();
    }

    @Test
    void what_cannot_be_is_refused_in_words() {
        newShow();
        for (Map<String, Object> edit : List.<Map<String, Object>>of(
                Map.of("type", "choose", "words", "all where", "how", "hold"),
                Map.of("type", "choose"),
                Map.of("type", "arrange", "words", "every"),
                Map.of("type", "arrange"),
                Map.of("type", "recent", "index", 3),
                Map.of("type", "lift", "index", 2),
                Map.of("type", "order", "from", 1, "to", 9),
                Map.of("type", "level-group", "number", 9, "percent", 40),
                Map.of("type", "describe-groups", "numbers", List.of(1), "tint", "mauve"),
                Map.of("type", "starter-groups", "names", List.of("Nothing")),
                Map.of("type", "make-recipe", "number", 1, "words", "group 1"),
                Map.of("type", "alter-group", "number", 1, "how", "upside down"))) {
            assertThat(app.send("POST", "/api/shows/1/edits", Map.of("edit", edit))
                            .statusCode())
                    .as("%s", edit)
                    .isBetween(400, 499);
        }
        app.close();
    }
}
