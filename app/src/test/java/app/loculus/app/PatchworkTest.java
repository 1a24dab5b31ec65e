package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.session.DemoShow;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Paper, reading aloud, pasting and bringing up, over HTTP. */
class PatchworkTest {

    @TempDir
    static Path data;

    private static RunningApplication app;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static long show(String... lines) {
        long id =
                app.json("POST", "/api/shows", Map.of("name", "Work")).get("id").asLong();
        for (String line : lines) {
            app.line(id, line);
        }
        return id;
    }

    private static String address(long show, int number) {
        for (JsonNode f : app.get("/api/shows/" + show + "/patch").get("fixtures")) {
            if (f.get("number").asInt() == number) {
                return f.get("address").asText();
            }
        }
        return "missing";
    }

    private static final String PAPER = """
            Channel;Type;Mode;Address;Location
            101;Skiff Wash;extended;1.1;Bridge 1
            102;Skiff Wash;extended;1.12;Bridge 1
            103;Skiff Wash;extended;1/42;Bridge 1
            104;Skiff Wash;extended;2.61;Bridge 1
            115;Skiff Wash;extended;1.81;Bridge 1
            106;Skiff Wash;extended;1.121;Bridge 1
            107;Skiff Wash;extended;1.121;Bridge 2
            """;

    private static long washes() {
        return show("patch 101 thru 107 as \"Skiff Wash / extended\" at 1.1", "hang 101 thru 107 on \"Bridge 1\"");
    }

    @Test
    void five_slips_are_found_named_and_taken_in_one_step() {
        long show = washes();
        JsonNode view = app.json("POST", "/api/shows/" + show + "/comparison", Map.of("text", PAPER));
        Map<String, String> slips = new java.util.TreeMap<>();
        view.get("differences")
                .forEach(d -> slips.put(d.get("key").asText(), d.get("slip").asText()));
        assertThat(slips)
                .containsEntry("102 DIFFERENT ADDRESS", "digits swapped")
                .containsEntry("103 DIFFERENT ADDRESS", "off by one")
                .containsEntry("104 DIFFERENT ADDRESS", "same slot, wrong universe")
                .containsEntry("105 DIFFERENT NUMBER", "")
                .containsEntry("106 DIFFERENT ADDRESS", "that is where 107 stands: a neighbour's number")
                .containsEntry("107 DIFFERENT POSITION", "")
                .containsKey("107 DOUBLED ADDRESS 8");
        List<String> take = List.of("105 DIFFERENT NUMBER", "104 DIFFERENT ADDRESS", "107 DIFFERENT POSITION");
        JsonNode foreseen = compare(show, take, true);
        assertThat(foreseen.get("words").get(0).asText()).isEqualTo("Revises 3 fixtures");
        assertThat(address(show, 115)).isEqualTo("missing");
        JsonNode done = compare(show, take, false);
        assertThat(done.get("done").asBoolean()).isTrue();
        assertThat(address(show, 115)).isEqualTo("1.81");
        assertThat(address(show, 104)).isEqualTo("2.61");
        app.send("POST", "/api/shows/" + show + "/undo", null);
        assertThat(address(show, 105)).isEqualTo("1.81");
        assertThat(address(show, 104)).isEqualTo("1.61");
    }

    private static JsonNode compare(long show, List<String> take, boolean preview) {
        return app.json(
                "POST", "/api/shows/" + show + "/comparison", Map.of("text", PAPER, "take", take, "preview", preview));
    }

    @Test
    void taking_what_would_clash_says_so_before_and_changes_nothing() {
        long show = washes();
        JsonNode foreseen = compare(show, List.of("106 DIFFERENT ADDRESS"), true);
        assertThat(foreseen.get("problems").get(0).get("words").asText()).contains("107 “Skiff Wash 107” holds");
        HttpResponse<String> refused = app.send(
                "POST",
                "/api/shows/" + show + "/comparison",
                Map.of("text", PAPER, "take", List.of("106 DIFFERENT ADDRESS")));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(address(show, 106)).isEqualTo("1.101");
    }

    @Test
    void a_workbook_is_paper_as_well() throws IOException {
        long show = show();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            XSSFSheet sheet = book.createSheet();
            int at = 0;
            for (String line : PAPER.lines().toList()) {
                XSSFRow row = sheet.createRow(at++);
                String[] cells = line.split(";");
                for (int c = 0; c < cells.length; c++) {
                    row.createCell(c).setCellValue(cells[c]);
                }
            }
            book.write(bytes);
        }
        String workbook = Base64.getEncoder().encodeToString(bytes.toByteArray());
        JsonNode view = app.json("POST", "/api/shows/" + show + "/comparison", Map.of("file", workbook));
        assertThat(view.get("differences")).hasSize(9);
        JsonNode taken =
                app.json("POST", "/api/shows/" + show + "/hookup", Map.of("file", workbook, "clashing", "move"));
        assertThat(taken.get("landing").asInt()).isEqualTo(7);
        HttpResponse<String> broken =
                app.send("POST", "/api/shows/" + show + "/comparison", Map.of("file", "UEsDBAAA"));
        assertThat(broken.statusCode()).isEqualTo(422);
    }

    @Test
    void the_hookup_goes_out_and_comes_in_again_and_agrees_with_the_show() throws IOException, InterruptedException {
        long show = washes();
        app.line(show, "patch 101 at 9.1 also");
        for (String form : List.of("csv", "xlsx")) {
            HttpResponse<byte[]> out = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(app.base() + "/api/shows/" + show + "/hookup." + form))
                                    .build(),
                            HttpResponse.BodyHandlers.ofByteArray());
            assertThat(out.headers().firstValue("Content-Disposition").orElseThrow())
                    .contains("hookup." + form);
            String file = Base64.getEncoder().encodeToString(out.body());
            JsonNode compared = app.json("POST", "/api/shows/" + show + "/comparison", Map.of("file", file));
            assertThat(compared.get("differences")).isEmpty();
            long other = show();
            JsonNode taken = app.json("POST", "/api/shows/" + other + "/hookup", Map.of("file", file));
            assertThat(taken.get("left").asInt()).isZero();
            assertThat(address(other, 101)).isEqualTo(address(show, 101)).contains(" + 9.1");
        }
        assertThat(app.send("GET", "/api/shows/" + show + "/hookup.pdf", null).statusCode())
                .isEqualTo(422);
    }

    @Test
    void a_sheet_that_is_not_utf_8_is_read_and_it_is_said() {
        long show = show();
        String text = "number;name;profile;mode\n1;Zwölf;Skiff Wash;basic\n";
        for (String charset : List.of("windows-1252", "UTF-16LE", "UTF-8")) {
            String file = Base64.getEncoder().encodeToString(text.getBytes(Charset.forName(charset)));
            JsonNode view = app.json("POST", "/api/shows/" + show + "/hookup", Map.of("file", file, "preview", true));
            assertThat(view.get("rows").get(0).get("name").asText()).isEqualTo("Zwölf");
            assertThat(view.get("remarks").size()).isEqualTo(charset.startsWith("w") ? 1 : 0);
        }
    }

    private static JsonNode read(long show, String text) {
        return app.json(
                "POST", "/api/shows/" + show + "/aloud", Map.of("text", text, "universe", 1, "type", "House Dimmer"));
    }

    private static HttpResponse<String> takeBack(long show, JsonNode entry) {
        return app.send(
                "POST",
                "/api/shows/" + show + "/aloud/take-back",
                Map.of("revision", entry.get("revision").asLong()));
    }

    @Test
    void an_entry_read_aloud_is_taken_back_and_nothing_that_was_done_since() {
        long show = washes();
        String before = address(show, 101);
        JsonNode moved = read(show, "101 5.1");
        JsonNode created = read(show, "900 5.200");
        app.line(show, "purpose 102 \"Sweep\"");
        assertThat(takeBack(show, moved).statusCode()).isEqualTo(200);
        assertThat(address(show, 101)).isEqualTo(before);
        assertThat(app.get("/api/shows/" + show + "/patch").toString()).contains("Sweep");
        assertThat(takeBack(show, created).statusCode()).isEqualTo(200);
        assertThat(app.get("/api/shows/" + show + "/patch").toString()).doesNotContain("\"number\":900");
        HttpResponse<String> again = takeBack(show, moved);
        assertThat(again.statusCode()).isEqualTo(422);
        assertThat(again.body()).contains("has changed again since");
    }

    @Test
    void an_entry_that_somebody_has_moved_since_is_not_taken_back() {
        long show = washes();
        JsonNode moved = read(show, "101 5.1");
        app.line(show, "patch 101 at 6.1");
        assertThat(takeBack(show, moved).body()).contains("Fixture 101 has changed again since");
        assertThat(address(show, 101)).isEqualTo("6.1");
    }

    @Test
    void a_show_file_takes_the_versions_along() throws IOException, InterruptedException {
        long show = washes();
        app.json("POST", "/api/shows/" + show + "/versions", Map.of("name", "As washes"));
        app.line(show, "delete 101");
        app.json("POST", "/api/shows/" + show + "/versions", Map.of("name", "One less"));
        HttpClient client = HttpClient.newHttpClient();
        byte[] file = client.send(
                        HttpRequest.newBuilder(URI.create(app.base() + "/api/shows/" + show + "/file"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
        String body = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"x.loculus\"\r\n\r\n"
                + new String(file, StandardCharsets.ISO_8859_1) + "\r\n--b--\r\n";
        HttpResponse<String> taken = client.send(
                HttpRequest.newBuilder(URI.create(app.base() + "/api/shows/file"))
                        .header("Content-Type", "multipart/form-data; boundary=b")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(body.getBytes(StandardCharsets.ISO_8859_1)))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(taken.statusCode()).isEqualTo(201);
        long copy = new ObjectMapper().readTree(taken.body()).get("id").asLong();
        JsonNode versions = app.get("/api/shows/" + copy + "/versions");
        JsonNode were = app.get("/api/shows/" + show + "/versions");
        assertThat(versions).hasSize(2);
        for (int i = 0; i < 2; i++) {
            for (String field : List.of("name", "revision", "madeAt", "fixtures", "inFile")) {
                assertThat(versions.get(i).get(field)).isEqualTo(were.get(i).get(field));
            }
        }
        app.json(
                "POST",
                "/api/shows/" + copy + "/versions/" + versions.get(1).get("id").asLong() + "/restore",
                Map.of());
        assertThat(address(copy, 101)).isEqualTo("1.1");
    }

    @Test
    void the_paperwork_of_the_demo_is_found_to_have_two_clashes_a_hole_and_a_misread_address() {
        long show = show();
        app.send("POST", "/api/shows/" + show + "/hookup", Map.of("text", DemoShow.paperwork(), "clashing", "share"));
        JsonNode view = app.json("POST", "/api/shows/" + show + "/comparison", Map.of("text", DemoShow.paperwork()));
        List<String> kinds = new ArrayList<>();
        view.get("differences")
                .forEach(d ->
                        kinds.add(d.get("number").asText() + " " + d.get("kind").asText()));
        assertThat(kinds).contains("208 doubled", "405 doubled", "505 hole", "703 missing");
    }

    @Test
    void what_is_read_aloud_lands_and_doubles_and_holes_are_flagged() {
        long show = show("add 14 thru 18 as \"House Dimmer\"");
        JsonNode first = aloud(show, "14 3.207", 1, List.of());
        assertThat(first.get("did").asText()).contains("3.207");
        List<Map<String, Object>> read = List.of(Map.of("number", 14, "address", "3.207"));
        JsonNode second = aloud(show, "17 208", first.get("universe").asInt(), read);
        assertThat(second.get("address").asText()).isEqualTo("3.208");
        assertThat(second.get("flags").get(0).asText()).isEqualTo("Not read yet: 15 thru 16");
        JsonNode clash = aloud(show, "15 207", 3, read);
        assertThat(clash.get("did").asText()).isEmpty();
        assertThat(clash.get("problems").get(0).get("words").asText()).contains("14 “House Dimmer 14” holds 3.207");
        assertThat(address(show, 15)).isEmpty();
        assertThat(aloud(show, "99 1", 3, List.of())
                        .get("problems")
                        .get(0)
                        .get("words")
                        .asText())
                .isEqualTo("There is no fixture 99.");
    }

    private static JsonNode aloud(long show, String text, int universe, List<Map<String, Object>> read) {
        return app.json(
                "POST", "/api/shows/" + show + "/aloud", Map.of("text", text, "universe", universe, "read", read));
    }

    @Test
    void pasted_columns_are_one_edit_or_none() {
        long show = show("add 1 thru 3 as \"House Dimmer\"");
        Map<String, Object> good = Map.of(
                "type",
                "revise",
                "rows",
                List.of(
                        Map.of("number", 1, "address", "1.10", "purpose", "front"),
                        Map.of("number", 2, "address", "1.11", "newNumber", 20)));
        assertThat(edit(show, good).statusCode()).isEqualTo(200);
        assertThat(address(show, 20)).isEqualTo("1.11");
        Map<String, Object> bad = Map.of(
                "type",
                "revise",
                "rows",
                List.of(Map.of("number", 1, "address", "1.50"), Map.of("number", 3, "address", "1.999")));
        HttpResponse<String> refused = edit(show, bad);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Fixture 3, address: Slot 999");
        assertThat(address(show, 1)).isEqualTo("1.10");
    }

    private static HttpResponse<String> edit(long show, Map<String, Object> edit) {
        return app.send("POST", "/api/shows/" + show + "/edits", Map.of("edit", edit));
    }

    @Test
    void bringing_up_lights_one_fixture_and_leaves_the_show_alone() {
        long show = show("patch 1 thru 3 as \"House Dimmer\" at 7.1", "all at full");
        long revision = app.get("/api/shows/" + show).get("revision").asLong();
        app.send("PUT", "/api/bring-up", Map.of("numbers", List.of(2), "look", "open", "level", 60));
        assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isEqualTo(0.6);
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isZero();
        app.send("DELETE", "/api/bring-up", null);
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isEqualTo(1);
        assertThat(app.get("/api/shows/" + show).get("revision").asLong()).isEqualTo(revision);
    }

    @Test
    void hidden_faults_are_told_by_nobody_and_findings_are_compared() {
        show("patch 1 thru 8 as \"House Dimmer\" at 8.1", "patch 11 thru 14 as \"Ember Par / 8-slot\" at 8.101");
        JsonNode hidden = app.json("POST", "/api/rig/practice", Map.of("seed", 3));
        assertThat(hidden.get("hidden").asInt()).isEqualTo(6);
        for (int number : new int[] {1, 2, 3, 4, 5, 6, 7, 8, 11, 12, 13, 14}) {
            JsonNode rig = app.get("/api/rig/" + number);
            assertThat(rig.get("dead").asBoolean()).isFalse();
            assertThat(rig.get("asPatched").asBoolean()).isTrue();
        }
        JsonNode result = app.get("/api/rig/practice/result");
        assertThat(words(result, "verdict")).containsOnly("missed", "by device");
        assertThat(words(result, "words")).anyMatch(w -> w.startsWith("dead")).anyMatch(w -> w.contains("in mode"));
        assertThat(app.json("DELETE", "/api/rig/practice", null).get("hidden").asInt())
                .isZero();
    }

    private static List<String> words(JsonNode result, String field) {
        List<JsonNode> all = new ArrayList<>();
        result.get("findings").forEach(all::add);
        return all.stream().map(f -> f.get(field).asText()).collect(Collectors.toList());
    }
}
