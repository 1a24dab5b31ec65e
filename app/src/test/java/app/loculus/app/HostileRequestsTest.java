package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is sent, the answer is an answer: never a 5xx, and the show stays as it was. */
class HostileRequestsTest {

    @TempDir
    static Path data;

    private static RunningApplication app;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Kept"));
        app.line(1, "patch 1 thru 4 as \"Ember Par / 8-slot\" at 1.1");
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    private static String patch() {
        return app.get("/api/shows/1/patch").toString();
    }

    /** Every path of the description with something put in for its parameters. */
    private static List<String[]> operations() {
        return operations("1");
    }

    private static List<String[]> operations(String id) {
        List<String[]> all = new ArrayList<>();
        JsonNode paths = app.get("/api/openapi").get("paths");
        paths.fields()
                .forEachRemaining(path -> path.getValue().fieldNames().forEachRemaining(method -> {
                    if (path.getKey().startsWith("/api") && !method.equals("get") || !id.equals("1")) {
                        String filled = path.getKey()
                                .replace("/profiles/{id}", "/profiles/none")
                                .replaceAll("\\{(id|universe|version|number|from|to)\\}", id)
                                .replaceAll("\\{\\w+\\}", "x");
                        all.add(new String[] {method.toUpperCase(java.util.Locale.ROOT), filled});
                    }
                }));
        return all;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "null",
                "[]",
                "{",
                "\"text\"",
                "{\"edit\":null}",
                "{\"edit\":{\"type\":\"revise\"}}",
                "{\"edit\":{\"type\":\"change-type\"}}",
                "{\"edit\":{\"type\":\"nothing\"}}",
                "{\"edit\":{\"type\":\"renew-profile\"}}",
                "{\"text\":null,\"draft\":null,\"numbers\":null}",
                "{\"text\":\"14\",\"universe\":-5,\"read\":[{\"number\":1,\"address\":\"x\"}]}",
                "{\"file\":\"AAAA\"}",
                "{\"numbers\":[99999]}",
                "{\"draft\":{\"maker\":\"a\",\"name\":\"b\",\"modes\":[{\"name\":\"m\",\"cells\":2000000,\"channels\":[{\"label\":\"x\",\"attribute\":\"Dimmer\",\"octets\":9,\"inCell\":true}]}]}}",
                "{\"draft\":{\"maker\":\"a\",\"name\":\"b\",\"modes\":[{\"channels\":[{}]}]}}",
                "{\"dimmers\":-4}",
                "{\"level\":1e308,\"numbers\":[1]}"
            })
    void every_operation_answers_a_body_it_did_not_expect(String body) {
        for (String[] operation : operations()) {
            boolean harmless = !operation[0].equals("DELETE") && !operation[1].matches(".*/(undo|redo|live)$");
            if (harmless) {
                HttpResponse<String> answer = app.sendText(operation[0], operation[1], body);
                assertThat(answer.statusCode())
                        .as("%s %s with %s: %s", operation[0], operation[1], body, answer.body())
                        .isLessThan(500);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "-1", "9223372036854775807", "9223372036854775808", "x", "%00", "1.5"})
    void every_operation_answers_about_what_is_not_there(String id) {
        for (String[] operation : operations(id)) {
            if (operation[1].contains("/" + id)) {
                HttpResponse<String> answer =
                        app.sendText(operation[0], operation[1], operation[0].equals("GET") ? null : "{}");
                assertThat(answer.statusCode())
                        .as("%s %s: %s", operation[0], operation[1], answer.body())
                        .isLessThan(500);
            }
        }
    }

    private static int upload(String path, String field, byte[] octets) {
        try {
            ByteArrayOutputStream body = new ByteArrayOutputStream();
            body.write(("--b\r\nContent-Disposition: form-data; name=\"" + field
                            + "\"; filename=\"x.gdtf\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            body.write(octets);
            body.write("\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
            return HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(app.base() + path))
                                    .header("Content-Type", "multipart/form-data; boundary=b")
                                    .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void files_of_chance_octets_are_answered_and_change_nothing(long seed) {
        Random random = new Random(seed);
        String before = patch();
        for (int i = 0; i < 12; i++) {
            byte[] octets = new byte[random.nextInt(4000)];
            random.nextBytes(octets);
            if (i % 2 == 0 && octets.length > 4) {
                System.arraycopy(new byte[] {'P', 'K', 3, 4}, 0, octets, 0, 4);
            }
            assertThat(upload("/api/profiles/files", "files", octets)).isEqualTo(200);
            assertThat(upload("/api/shows/file", "file", octets)).isEqualTo(422);
            String workbook = Base64.getEncoder().encodeToString(octets);
            for (String path : List.of("/api/shows/1/hookup", "/api/shows/1/comparison")) {
                assertThat(app.send("POST", path, Map.of("file", workbook)).statusCode())
                        .isBetween(200, 422);
            }
        }
        assertThat(patch()).isEqualTo(before);
    }

    @Test
    void a_file_that_is_too_large_is_refused_in_words() {
        assertThat(upload("/api/profiles/files", "files", new byte[40 << 20])).isEqualTo(413);
    }

    @ParameterizedTest
    @ValueSource(strings = {"*/*", "application/*", "text/plain", "application/json;charset=none", "json"})
    void a_kind_of_media_that_cannot_be_sent_is_answered(String kind) throws Exception {
        int status = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(app.base() + "/api/shows/1/line"))
                                .header("Content-Type", kind)
                                .POST(HttpRequest.BodyPublishers.ofString("{\"text\":\"1\"}"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding())
                .statusCode();
        assertThat(status).isLessThan(500);
    }

    @Test
    void a_row_of_millions_of_columns_is_refused_before_it_is_built() {
        for (String row : List.of(",".repeat(19_000_000), "\"\n\",".repeat(3_000_000))) {
            HttpResponse<String> answer = app.send("POST", "/api/shows/1/hookup", Map.of("text", row));
            assertThat(answer.statusCode()).isEqualTo(422);
            assertThat(answer.body()).contains("columns");
        }
    }
}
