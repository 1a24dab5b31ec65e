package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the bench, the niches and the map are told. */
class DeskViewTest {

    @TempDir
    static Path data;

    private static RunningApplication app;
    private long show;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    @BeforeEach
    void patchSome() {
        show = app.json("POST", "/api/shows", Map.of("name", "Desk")).get("id").asLong();
        app.line(show, """
                patch 1 thru 4 as "Skiff Wash / extended" at 1.1
                patch 11 as "Fathom Profile / standard" at 1.101
                patch 21 as "Tideline Batten / 38-slot" at 1.201
                patch 31 thru 32 as "House Dimmer" at 1.301""");
    }

    private JsonNode part(String name) {
        return app.get("/api/shows/" + show + "/" + name);
    }

    private JsonNode value(String attribute) {
        for (JsonNode row : part("desk").get("values")) {
            if (row.get("attribute").asText().equals(attribute)) {
                return row;
            }
        }
        throw new AssertionError("no row for " + attribute);
    }

    private static List<String> texts(JsonNode list) {
        List<String> all = new ArrayList<>();
        list.forEach(n -> all.add(n.asText()));
        return all;
    }

    @Test
    void values_tell_level_angle_slots_and_where_they_come_from() {
        app.line(show, "1 thru 4 at 20 thru 80 pan at 90");
        assertThat(value("Dimmer").get("text").asText()).isEqualTo("20 … 80 %");
        assertThat(value("Dimmer").get("source").asText()).isEqualTo("hand");
        assertThat(value("Dimmer").get("dmx").asText()).isEqualTo("13107 … 52428");
        assertThat(value("Pan").get("text").asText()).isEqualTo("90°");
        assertThat(value("Zoom").get("source").asText()).isEqualTo("home");
        assertThat(value("ColorAdd_R").get("units").asInt()).isEqualTo(4);
    }

    @Test
    void wheels_tell_their_slot_by_name_with_colours_to_choose_from() {
        app.line(show, "11 Color1 at \"Jade\" Shutter1 at \"Closed\"");
        assertThat(value("Color1").get("text").asText()).isEqualTo("Jade");
        assertThat(value("Color1").get("ranges")).hasSize(7);
        assertThat(value("Color1").get("ranges").get(1).get("swatch").asText()).startsWith("#");
        assertThat(value("Shutter1").get("text").asText()).isEqualTo("Closed");
        app.line(show, "11 at full");
        assertThat(app.get("/api/rig/11").get("intensity").asDouble()).isZero();
        app.line(show, "home beam");
        assertThat(app.get("/api/rig/11").get("intensity").asDouble()).isEqualTo(1);
    }

    @Test
    void a_value_from_a_palette_names_it() {
        app.line(show, "1 colour xy 0.25, 0.39\nrecord colour 5 \"Verdigris\"\nclear all\n1 thru 2 colour 5");
        assertThat(value("ColorAdd_G").get("source").asText()).isEqualTo("palette");
        assertThat(value("ColorAdd_G").get("palette").asText()).isEqualTo("5 Verdigris");
        app.line(show, "2 red at 10\n1 thru 2");
        assertThat(value("ColorAdd_G").get("source").asText()).isEqualTo("mixed");
    }

    @Test
    void the_hand_tells_steps_rest_patterns_and_shares() {
        app.line(show, "1 thru 4 mirror every 2");
        JsonNode desk = part("desk");
        assertThat(desk.get("steps").toString()).isEqualTo("[[\"1\",\"4\"]]");
        assertThat(texts(desk.get("rest"))).containsExactly("2", "3");
        assertThat(texts(desk.get("patterns"))).containsExactly("mirror", "every 2");
        assertThat(desk.get("shares").asInt()).isEqualTo(2);
        app.line(show, "next");
        assertThat(part("desk").get("share").asInt()).isEqualTo(1);
        assertThat(part("desk").get("holds").asText()).isEqualTo("2 Skiff Wash");
    }

    @Test
    void cells_are_called_by_number_and_cell() {
        app.line(show, "21.2 thru 21.4 red at 10");
        assertThat(part("desk").get("steps").toString()).isEqualTo("[[\"21.2\"],[\"21.3\"],[\"21.4\"]]");
        assertThat(value("ColorAdd_R").get("high").asDouble()).isEqualTo(10);
    }

    @Test
    void a_picture_of_many_shows_what_recurs_from_the_beginning_and_the_rest_spread_over_all() {
        app.line(show, "patch 101 thru 160 as \"House Dimmer\" at 5.1\n101 thru 160");
        for (JsonNode picture : part("desk").get("pictures")) {
            String taken = picture.get("taken").toString();
            if (picture.get("words").asText().equals("every 3")) {
                assertThat(taken).startsWith("[1,0,0,2,0,0,3,0,0").endsWith("8,0,0]");
                assertThat(picture.get("steps").asInt()).isEqualTo(20);
            } else if (picture.get("words").asText().equals("part 1 of 2")) {
                assertThat(taken).startsWith("[1,").endsWith("0,0,0,0,0,0,0,0,0,0,0,0]");
            }
        }
    }

    @Test
    void groups_tell_how_much_of_them_is_in_hand() {
        app.line(
                show,
                "1 thru 4\nrecord group 1 \"All\"\n1 thru 2\nrecord group 2 \"Two\"\n31\nrecord group 3 \"Other\"\n1 thru 3");
        assertThat(part("desk").get("groups").toString()).isEqualTo("{\"1\":\"some\",\"2\":\"all\"}");
        app.line(show, "21.1 thru 21.3\nrecord group 4 \"Cells\"\n21");
        assertThat(part("desk").get("groups").toString()).isEqualTo("{\"4\":\"all\"}");
    }

    @Test
    void palettes_tell_their_reach_over_the_hand_by_type() {
        app.line(show, "1 colour xy 0.25, 0.39\nrecord colour 5 \"Verdigris\" global\n1 + 11 + 21 + 31");
        JsonNode palette = part("palettes").get(0);
        assertThat(palette.get("scope").asText()).isEqualTo("global");
        assertThat(palette.get("face").get("colours").get(0).asText()).startsWith("#");
        assertThat(palette.get("of").asInt()).as("1, 11, twelve cells, 31").isEqualTo(15);
        assertThat(palette.get("follow").asInt()).isEqualTo(14);
        assertThat(palette.get("reach").findValuesAsText("way"))
                .contains("global values", "computed mix", "House Dimmer has neither mix nor wheel");
    }

    @Test
    void the_patch_tells_fullness_gaps_and_clashes_with_lines_that_resolve_them() {
        app.line(show, "patch 41 as \"Ember Par / 8-slot\" at 1.15 share");
        JsonNode patch = part("patch");
        JsonNode universe = patch.get("universes").get(0);
        assertThat(universe.get("used").asInt()).isEqualTo(80 + 34 + 38 + 2);
        assertThat(universe.get("longestGapAt").asText()).isEqualTo("1.303");
        assertThat(patch.get("clashes")).as("told once with everybody in it").hasSize(1);
        assertThat(patch.get("clashes").get(0).get("numbers").toString()).isEqualTo("[1,41,2]");
        String way =
                patch.get("clashes").get(0).get("waysOut").get(0).get("line").asText();
        app.line(show, way);
        assertThat(part("patch").get("clashes")).isEmpty();
    }

    @Test
    void chapters_tell_how_far_they_are() {
        JsonNode chapters = app.get("/api/shows/" + show).get("chapters");
        assertThat(chapters.findValuesAsText("name"))
                .containsExactly("Profiles", "Patch", "Groups", "Palettes", "Looks", "Check", "Hand over");
        assertThat(chapters.findValuesAsText("state"))
                .containsExactly("ready", "ready", "not-begun", "not-begun", "not-begun", "ready", "not-begun");
    }
}
