package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.formats.parcel.Parcel;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is found, mended, set aside and signed; what goes out, and comes in again. */
class HandOverTest {

    private static final String SHOW = "patch 1 thru 4 as \"House Dimmer\" at 1.1\n"
            + "patch 11 thru 14 as \"Skiff Wash / extended\" at 2.1\nadd 21 as \"House Dimmer\"\n"
            + "hang 11 thru 14 on \"Bridge\"\nplace 11 thru 14 at -3,2,6 thru 3,2,6\nmark \"Chair\" at 1, 2, 0\n"
            + "all\nrecord group 1 \"All\"\n11 thru 14 at 60 colour xy 0.3, 0.2\nrecord colour 1 \"Plum\"\n"
            + "record cue 1 \"First\"\n11 thru 14 sine of dimmer at 20 thru 80\nrecord effect 1 \"Swell\"\n"
            + "record cue 2 \"Second\"\nclear all";

    private static final List<String> SHEETS = List.of(
            "cover",
            "hookup-by-number",
            "hookup-by-name",
            "hookup-by-position",
            "hookup-by-output",
            "groups",
            "palettes",
            "marks",
            "cues",
            "effects",
            "labels",
            "bring-up",
            "open-points",
            "readiness");

    @TempDir
    static Path data;

    @TempDir
    static Path elsewhere;

    private static RunningApplication app;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "The Lark"));
        app.line(1, SHOW);
        app.json("POST", "/api/shows/1/versions", Map.of("name", "Monday"));
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void every_sheet_goes_out_in_every_form_and_names_whose_it_is() throws Exception {
        JsonNode sheets = app.get("/api/shows/1/paper");
        assertThat(sheets.findValuesAsText("key")).containsExactlyElementsOf(SHEETS);
        for (String sheet : SHEETS) {
            String said = text(app.octets("/api/shows/1/paper/" + sheet + ".pdf"));
            assertThat(said).as(sheet).contains(sheet.equals("labels") ? "21" : "The Lark");
            assertThat(app.octets("/api/shows/1/paper/" + sheet + ".xlsx")).startsWith('P', 'K');
            assertThat(new String(app.octets("/api/shows/1/paper/" + sheet + ".csv"), StandardCharsets.UTF_8))
                    .startsWith("\uFEFF");
        }
        String hookup = text(app.octets("/api/shows/1/paper/hookup-by-number.pdf?size=letter&across=true"));
        app.get("/api/shows/1/patch")
                .get("fixtures")
                .forEach(f -> assertThat(hookup).contains(f.get("number").asText()));
        assertThat(app.send("GET", "/api/shows/1/paper/nothing.pdf", null).statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/api/shows/1/paper/cover.doc", null).statusCode())
                .isEqualTo(422);
        assertThat(app.send("GET", "/api/shows/1/paper/cover.pdf?size=a9", null).statusCode())
                .isEqualTo(422);
    }

    @Test
    void pages_are_looked_at_as_they_are_printed() throws Exception {
        JsonNode pages = app.get("/api/shows/1/paper/hookup-by-output/pages?size=a4");
        assertThat(pages.get("pages").asInt()).isGreaterThanOrEqualTo(2);
        assertThat(app.octets("/api/shows/1/paper/hookup-by-output/pages/2.png?size=a4"))
                .startsWith(0x89, 'P', 'N', 'G');
        assertThat(app.send("GET", "/api/shows/1/paper/cover/pages/99.png", null)
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    void a_finding_is_mended_and_stands_among_those_until_it_is_taken_back() {
        app.get("/api/shows/1/check");
        app.line(1, "patch 21 at next gap");
        JsonNode mended = app.get("/api/shows/1/check").get("mended");
        assertThat(mended).hasSize(1);
        assertThat(mended.get(0).get("words").asText()).isEqualTo("21 “House Dimmer 21” has no address.");
        assertThat(mended.get(0).get("deed").asText()).contains("1.5");
        app.send("POST", "/api/shows/1/undo", null);
        assertThat(app.get("/api/shows/1/check").get("mended")).isEmpty();
    }

    @Test
    void a_signature_stands_until_its_chapter_is_another() {
        app.json(
                "POST",
                "/api/shows/1/edits",
                Map.of("edit", Map.of("type", "sign", "chapter", "groups", "by", "R. Ohm")));
        assertThat(signed("Groups").get("by").asText()).isEqualTo("R. Ohm");
        assertThat(signed("Groups").get("changed").asBoolean()).isFalse();
        app.line(1, "1 at 50");
        app.line(1, "note 1 \"another chapter\"");
        assertThat(signed("Groups").get("changed").asBoolean()).isFalse();
        app.line(1, "rename group 1 \"Everybody\"");
        assertThat(signed("Groups").get("changed").asBoolean()).isTrue();
        app.line(1, "rename group 1 \"All\"");
        assertThat(signed("Groups").get("changed").asBoolean())
                .as("just as it was when it was signed")
                .isFalse();
        app.json("POST", "/api/shows/1/edits", Map.of("edit", Map.of("type", "unsign", "chapter", "groups")));
        assertThat(signed("Groups").get("by").asText()).isEmpty();
    }

    private static JsonNode signed(String chapter) {
        for (JsonNode c : app.get("/api/shows/1/check").get("chapters")) {
            if (c.get("chapter").asText().equals(chapter)) {
                return c;
            }
        }
        throw new AssertionError(chapter);
    }

    /** What a show looks like to everybody, but for what counts edits. */
    private static Map<String, JsonNode> views(RunningApplication of) {
        Map<String, JsonNode> all = new LinkedHashMap<>();
        for (String view :
                List.of("/patch", "/groups", "/palettes", "/marks", "/pages", "/looks", "/effects", "/check")) {
            JsonNode seen = of.get("/api/shows/1" + view).deepCopy();
            if (seen instanceof ObjectNode object) {
                object.remove(List.of("revision", "mended"));
            }
            // Effects go on by themselves.
            seen.findParents("turns").forEach(step -> ((ObjectNode) step).remove("turns"));
            all.put(view, seen);
        }
        return all;
    }

    private static byte[] packed() throws Exception {
        return app.octets("/api/shows/1/parcel?making=mine");
    }

    @Test
    void a_parcel_opens_elsewhere_as_the_same_show() throws Exception {
        JsonNode goods = app.get("/api/shows/1/parcel/contents");
        assertThat(goods.get("goods").findValuesAsText("key"))
                .containsExactly("show", "paper", "hookup", "profiles", "scene", "cues");
        assertThat(goods.get("goods").get(5).get("leftOut").toString()).contains("effects move lights");
        byte[] parcel = packed();
        assertThat(app.get("/api/shows/1/parcel/contents").get("madeAt").asLong())
                .isEqualTo(goods.get("revision").asLong());
        Map<String, byte[]> parts = parts(parcel);
        assertThat(parts.keySet())
                .contains("contents.json", "CONTENTS.txt", "The Lark.loculus", "paper/The Lark.pdf", "cues/1 Main.asc");
        JsonNode contents = new ObjectMapper().readTree(parts.get("contents.json"));
        assertThat(contents.get("parts")).hasSize(parts.size() - 2);
        assertThat(Parcel.showFile(parcel)).isEqualTo(parts.get("The Lark.loculus"));
        try (RunningApplication other = new RunningApplication(elsewhere)) {
            HttpResponse<String> opened = other.upload("/api/shows/file", "x.zip", parcel);
            assertThat(opened.statusCode()).as(opened.body()).isEqualTo(201);
            assertThat(views(other)).isEqualTo(views(app));
            assertThat(other.get("/api/shows/1/versions").findValuesAsText("name"))
                    .containsExactly("Monday");
            HttpResponse<String> refused =
                    other.upload("/api/shows/file", "x.zip", changed(parcel, "paper/The Lark.pdf"));
            assertThat(refused.statusCode()).isEqualTo(422);
            assertThat(refused.body()).contains("paper/The Lark.pdf” was changed after the parcel was packed");
        }
    }

    private static Map<String, byte[]> parts(byte[] parcel) throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(parcel))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                parts.put(e.getName(), zip.readAllBytes());
            }
        }
        return parts;
    }

    private static byte[] changed(byte[] parcel, String part) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> e : parts(parcel).entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
                zip.write(e.getKey().equals(part) ? new byte[] {7} : new byte[0]);
            }
        }
        return out.toByteArray();
    }

    @Test
    void what_is_being_made_can_be_stopped_and_nothing_is_left_of_it() throws Exception {
        app.line(1, "add 1001 thru 3000 as \"House Dimmer\"");
        try {
            CompletableFuture<HttpResponse<String>> made = CompletableFuture.supplyAsync(
                    () -> app.send("GET", "/api/shows/1/paper/hookup-by-number,bring-up.pdf?making=large", null));
            while (!made.isDone() && app.get("/api/making/large").get("of").asInt() == 0) {
                Thread.onSpinWait();
            }
            app.send("DELETE", "/api/making/large", null);
            HttpResponse<String> answer = made.get();
            assertThat(answer.statusCode()).isIn(200, 422);
            if (answer.statusCode() == 422) {
                assertThat(answer.body()).contains("It was stopped.");
            }
            assertThat(app.get("/api/making/large").get("of").asInt()).isZero();
        } finally {
            app.send("POST", "/api/shows/1/undo", null);
        }
    }

    @Test
    void a_version_is_read_by_who_has_its_link_until_that_is_withdrawn_and_nothing_is_written() {
        long version = app.get("/api/shows/1/versions").get(0).get("id").asLong();
        assertThat(app.send("POST", "/api/shows/1/showings", Map.of("version", 999))
                        .statusCode())
                .isEqualTo(422);
        JsonNode links = app.json("POST", "/api/shows/1/showings", Map.of("version", version));
        String token = links.get(0).get("token").asText();
        assertThat(token).hasSizeGreaterThan(20);
        app.line(1, "rename group 1 \"Others\"");
        String shown = app.get("/api/showing/" + token).toString();
        assertThat(shown).contains("\"All\"", "\"Plum\"", "Bridge", "Monday").doesNotContain("Others");
        assertThat(app.get("/api/showing/" + token).get("plan")).hasSize(4);
        long revision = app.get("/api/shows/1").get("revision").asLong();
        for (String method : List.of("POST", "PUT", "DELETE", "PATCH")) {
            assertThat(app.send(method, "/api/showing/" + token, Map.of("name", "Other"))
                            .statusCode())
                    .as(method)
                    .isBetween(400, 499);
        }
        assertThat(app.get("/api/shows/1").get("revision").asLong()).isEqualTo(revision);
        assertThat(app.send("GET", "/showing/" + token, null).statusCode()).isEqualTo(200);
        app.send("DELETE", "/api/shows/1/showings/" + token, null);
        HttpResponse<String> gone = app.send("GET", "/api/showing/" + token, null);
        assertThat(gone.statusCode()).isEqualTo(422);
        assertThat(gone.body()).contains("This link shows nothing, or not any more.");
        app.send("POST", "/api/shows/1/undo", null);
    }

    private static List<String> open(RunningApplication at, long show) {
        return at.get("/api/shows/" + show + "/check").findValues("key").stream()
                .map(JsonNode::asText)
                .filter(k -> k.startsWith("version"))
                .toList();
    }

    @Test
    void what_differs_from_the_version_kept_last_is_found_until_it_is_kept_or_taken_back(@TempDir Path own) {
        long id;
        try (RunningApplication at = new RunningApplication(own)) {
            id = at.json("POST", "/api/shows", Map.of("name", "The Heron"))
                    .get("id")
                    .asLong();
            at.line(id, "patch 1 thru 4 as \"House Dimmer\" at 1.1");
            assertThat(open(at, id)).as("no version was kept").isEmpty();
            at.line(id, "save version \"Noon\"");
            assertThat(open(at, id)).isEmpty();
            at.line(id, "1 thru 4 at 50");
            assertThat(open(at, id)).as("the selection is no work").isEmpty();
            at.line(id, "name 1 \"Key\"");
            assertThat(open(at, id)).hasSize(1);
            at.line(id, "undo");
            assertThat(open(at, id)).isEmpty();
            at.line(id, "record intensity 1 \"Half\"");
            assertThat(open(at, id)).hasSize(1);
        }
        try (RunningApplication at = new RunningApplication(own)) {
            JsonNode row = at.get("/api/shows/" + id + "/check").get("rows");
            JsonNode last = row.get(row.size() - 1);
            assertThat(last.get("words").asText())
                    .isEqualTo("The show is another than version “Noon”, which was kept last.");
            assertThat(last.get("beside").asText()).isEqualTo("in palettes");
            assertThat(last.get("chapter").asText()).isEqualTo("Hand over");
            JsonNode ways = at.get("/api/shows/" + id + "/check/ways?key=version-differs:");
            assertThat(ways.get(0).get("line").asText()).isEqualTo("save version \"Noon\"");
            at.line(id, ways.get(0).get("line").asText());
            assertThat(open(at, id)).isEmpty();
            at.line(id, "restore version \"Noon\"");
            assertThat(open(at, id)).as("it is another than “Noon 2” now").hasSize(1);
            assertThat(at.get("/api/shows/" + id + "/check/ways?key=gone:1")).isEmpty();
        }
    }
}
