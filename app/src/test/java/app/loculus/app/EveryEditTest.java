package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.api.edits.TypedEdit;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every edit that pages send is sent here, does what the line does that means the same, and is taken back whole. */
class EveryEditTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    private static final String SHOW = "patch 1 thru 4 as \"House Dimmer\" at 1.1\n"
            + "patch 11 thru 14 as \"Skiff Wash / extended\" at 2.1\n"
            + "all at 50\n11 thru 14 colour xy 0.3, 0.2\nrecord colour 1 \"Plum\" per type\nrecord intensity 2 \"Half\"\n"
            + "11 thru 14\nrecord group 1 \"Washes\"\n1 thru 4\nrecord group 2 \"Dimmers\"\n"
            + "type \"Skiff Wash\"\nrecord group 3 \"All washes\" as recipe\nclear all";

    private static final List<String> VIEWS =
            List.of("", "/check", "/patch", "/groups", "/desk", "/palettes", "/palettes/colour/1", "/pages", "/looks");

    /** What counts edits or says what was chosen before. */
    private static final Set<String> PASSING =
            Set.of("revision", "undo", "redo", "undoWords", "redoWords", "recent", "mended");

    /**
     * @param before lines that lead to it
     * @param line what means the same; empty where the line has nothing of the kind, and only that it changes is seen
     */
    private record Case(String name, String before, String edit, String line) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static Case of(String name, String before, String edit, String line) {
        return new Case(name, before, edit.replace('\'', '"'), line);
    }

    static List<Case> cases() {
        return List.of(
                of("select", "", "'units': ['11', '12'], 'how': 'hold'", "11 + 12"),
                of("hold-group", "", "'number': 1, 'how': 'hold'", "group 1"),
                of("choose", "", "'words': 'type \\'House Dimmer\\'', 'how': 'hold'", "type \"House Dimmer\""),
                of("arrange", "all", "'words': 'every 2'", "every 2"),
                of("shuffle", "all\nshuffle", "", ""),
                of("lift", "all\nevery 2", "'index': 0", "whole"),
                of("order", "11 thru 14", "'from': 1, 'to': 4", ""),
                of("invert", "11 + 12", "", "invert"),
                of("recent", "11\n12", "'index': 0", ""),
                of("step", "all", "'back': false", "next"),
                of("step-slot", "11 thru 14", "'attribute': 'Shutter1', 'back': false", "Shutter1 next"),
                of("highlight", "11", "'on': true", "highlight on"),
                of("record-highlight", "11 at 60", "'perType': true, 'with': []", "record highlight per type"),
                of("forget-highlight", "11 at 60\nrecord highlight", "", "highlight home"),
                of("dim-rest", "", "'percent': 20", "highlight rest 20"),
                of("clear", "11 at 50", "'all': true", "clear all"),
                of("home", "11 at 50", "'kind': 'intensity'", "home intensity"),
                of("set", "11 thru 14", "'attribute': 'Dimmer', 'points': [10, 90]", "at 10 thru 90"),
                of("values-of", "", "'units': ['11', '12'], 'words': 'at 40'", ""),
                of("nudge", "11 pan at 10", "'by': {'Pan': 5}", "nudge pan by 5"),
                of("colour", "11", "'u': 0.2, 'v': 0.5", ""),
                of("white", "11", "'kelvin': 3200", ""),
                of("record-group", "1 + 2", "'number': 9, 'name': 'Pair'", "record group 9 \"Pair\""),
                of("rename-group", "", "'number': 1, 'name': 'Movers'", "rename group 1 \"Movers\""),
                of("make-recipe", "", "'number': 2, 'words': 'type \\'House Dimmer\\''", ""),
                of("freeze-group", "", "'number': 3", "freeze group 3"),
                of("move-group", "", "'number': 1, 'to': 7", "move group 1 to 7"),
                of("copy-group", "", "'number': 1, 'to': 8", "copy group 1 to 8"),
                of("delete-groups", "", "'numbers': [1, 2]", "delete group 1 + 2"),
                of("describe-groups", "", "'numbers': [1], 'tint': 'moss'", "tint group 1 moss"),
                of("alter-group", "1", "'number': 1, 'how': 'add'", "edit group 1 + 1"),
                of("level-group", "", "'number': 1, 'percent': 30", ""),
                of("starter-groups", "hang 1 + 2 on \"Rail\"", "", "starter groups"),
                of(
                        "record-palette",
                        "11 colour xy 0.4, 0.4",
                        "'kind': 'colour', 'number': 5, 'name': 'Straw'",
                        "record colour 5 \"Straw\""),
                of("rename-palette", "", "'kind': 'colour', 'number': 1, 'name': 'Fig'", "rename colour 1 \"Fig\""),
                of("starter-palettes", "", "", "starter palettes"),
                of(
                        "edit-entry",
                        "",
                        "'kind': 'colour', 'number': 1, 'scope': 'type', 'of': 'PROFILE', 'attribute': 'ColorAdd_R',"
                                + " 'value': '33', 'form': 'percent'",
                        ""),
                of("apply", "11 + 12", "'kind': 'colour', 'number': 1", "colour 1"),
                of("place", "", "'places': [{'number': 1, 'x': 1, 'y': 2, 'z': 3}]", "place 1 at 1,2,3"),
                of("describe", "", "'numbers': [1, 2], 'position': 'Bridge'", "hang 1 + 2 on \"Bridge\""),
                of("unpatch", "", "'numbers': [1, 2]", "unpatch 1 + 2"),
                of("delete", "", "'numbers': [3, 4]", "delete 3 + 4"),
                of("move", "", "'numbers': [1, 2], 'to': '5.1', 'layout': 'run on'", "patch 1 + 2 at 5.1"),
                of("shift", "", "'numbers': [1, 2, 3, 4], 'by': 10", "shift 1 thru 4 by 10"),
                of("mark", "", "'numbers': [1], 'answer': 'dead', 'note': 'no lamp'", "mark 1 dead \"no lamp\""),
                of("fill", "", "'numbers': [1, 2], 'column': 'purpose', 'value': 'Key'", "purpose 1 + 2 \"Key\""),
                of("revise", "", "'rows': [{'number': 1, 'name': 'Lamp'}]", "name 1 \"Lamp\""),
                of(
                        "change-type",
                        "",
                        "'numbers': [1], 'as': 'Ember Par / 6-slot', 'address': '6.1'",
                        "change 1 to \"Ember Par / 6-slot\" at 6.1"),
                of(
                        "invert-heads",
                        "",
                        "'numbers': [11, 12], 'pan': true, 'tilt': false",
                        "hang 11 + 12 invert pan tilt off"),
                of("renew-profile", "", "'profileId': 'PROFILE'", ""),
                of("rename-show", "", "'name': 'Another'", ""),
                of("set-aside", "mark 1 dead", "'findings': ['answered-dead:1'], 'reason': 'spare'", ""),
                of(
                        "reopen",
                        sent(
                                "edits",
                                "'edit': {'type': 'set-aside', 'findings': ['answered-dead:1'], 'reason': 'spare'}"),
                        "'finding': 'answered-dead:1'",
                        ""),
                of("sign", "", "'chapter': 'patch', 'by': 'R. Ohm'", ""),
                of(
                        "unsign",
                        sent("edits", "'edit': {'type': 'sign', 'chapter': 'Groups', 'by': 'R. Ohm'}"),
                        "'chapter': 'groups'",
                        ""),
                of(
                        "no-paper",
                        sent("comparison", "'text': 'No,Address\\n1,1.2\\n', 'hold': 'hookup'"),
                        "'nothing': 0",
                        ""));
    }

    /** Something else than a line that leads to it: where it is sent, and what. */
    private static String sent(String where, String body) {
        return "/" + where + " {" + body.replace('\'', '"') + "}";
    }

    @TempDir
    static Path data;

    private static RunningApplication app;
    private static String profile;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Every edit"));
        app.line(1, SHOW);
        for (JsonNode fixture : app.get("/api/shows/1/patch").get("fixtures")) {
            profile = fixture.get("number").asInt() == 11
                    ? fixture.get("profileId").asText()
                    : profile;
        }
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    @Test
    void each_is_in_the_list() {
        Set<String> there = Arrays.stream(
                        TypedEdit.class.getAnnotation(JsonSubTypes.class).value())
                .map(JsonSubTypes.Type::name)
                .collect(Collectors.toSet());
        assertThat(cases().stream().map(Case::name)).containsExactlyInAnyOrderElementsOf(there);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void it_does_what_its_line_does(Case one) throws Exception {
        if (one.before().startsWith("/")) {
            int at = one.before().indexOf(' ');
            HttpResponse<String> done = app.send(
                    "POST",
                    "/api/shows/1" + one.before().substring(0, at),
                    JSON.readTree(one.before().substring(at + 1)));
            assertThat(done.statusCode()).as(done.body()).isEqualTo(200);
        } else if (!one.before().isEmpty()) {
            app.line(1, one.before());
        }
        String before = views();
        String comma = one.edit().isEmpty() ? "" : ", ";
        String body = "{\"edit\": {\"type\": \"" + one.name() + "\"" + comma
                + one.edit().replace("PROFILE", profile) + "}}";
        HttpResponse<String> answer = app.sendText("POST", "/api/shows/1/edits", body);
        // The shipped profile is the one that is used: there is nothing to renew, and that is said.
        if (one.name().equals("renew-profile")) {
            assertThat(answer.statusCode()).as(answer.body()).isIn(200, 422);
            return;
        }
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        String after = views();
        assertThat(after).as("something has changed").isNotEqualTo(before);
        assertThat(app.send("POST", "/api/shows/1/undo", null).statusCode()).isEqualTo(200);
        assertThat(views()).as("taken back").isEqualTo(before);
        if (!one.line().isEmpty()) {
            app.line(1, one.line());
            assertThat(views()).as(one.line()).isEqualTo(after);
            app.send("POST", "/api/shows/1/undo", null);
        }
        app.line(1, "clear all");
    }

    private static String views() throws java.io.IOException {
        StringBuilder all = new StringBuilder();
        for (String view : VIEWS) {
            all.append(still(JSON.readTree(
                            app.send("GET", "/api/shows/1" + view, null).body())))
                    .append('\n');
        }
        return all.toString();
    }

    private static JsonNode still(JsonNode node) {
        if (node instanceof ObjectNode object) {
            object.remove(PASSING);
        }
        node.forEach(EveryEditTest::still);
        return node;
    }
}
