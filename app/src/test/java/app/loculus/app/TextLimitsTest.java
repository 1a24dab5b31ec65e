package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every text that can be typed has a limit, and what is beyond it is refused with that, not by the database. */
class TextLimitsTest {

    private static final String LONG = "x".repeat(1500);

    @TempDir
    static Path data;

    private static RunningApplication app;

    @BeforeAll
    static void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Limits"));
        for (String line : List.of(
                "patch 1 thru 4 as \"Skiff Wash / extended\" at 1.1",
                "place 1 thru 4 at -3,2,6 thru 3,2,6",
                "1 thru 4 at 50",
                "record group 1 \"One\"",
                "record intensity 1 \"One\"",
                "list 1 \"One\"",
                "record cue 1 \"One\"",
                "record submaster 1 \"One\"",
                "mark \"One\" at 0,0,0",
                "1 thru 4 sine of dimmer size 20",
                "record effect 1 \"One\"")) {
            app.line(1, line);
        }
    }

    @AfterAll
    static void stop() {
        app.close();
    }

    static List<String> lines() {
        return List.of(
                "name 1 \"" + LONG + "\"",
                "note 1 \"" + LONG + "\"",
                "purpose 1 \"" + LONG + "\"",
                "hang 1 on \"" + LONG + "\"",
                "mark 1 dead \"" + LONG + "\"",
                "mark 1 wrong \"" + LONG + "\"",
                "universe 1 name \"" + LONG + "\"",
                "universe 1 to unicast \"127.0.0.1:6000\" as \"" + LONG + "\"",
                "record group 2 \"" + LONG + "\"",
                "rename group 1 \"" + LONG + "\"",
                "record intensity 2 \"" + LONG + "\"",
                "rename intensity 1 \"" + LONG + "\"",
                "mark \"" + LONG + "\" at 0,0,0",
                "list 3 \"" + LONG + "\"",
                "record cue 2 \"" + LONG + "\"",
                "record submaster 2 \"" + LONG + "\"",
                "record look 2 \"" + LONG + "\"",
                "rename effect 1 \"" + LONG + "\"",
                "page intensity \"" + LONG + "\" from 1");
    }

    @ParameterizedTest
    @MethodSource("lines")
    void a_text_that_is_too_long_is_refused_with_its_limit(String line) {
        HttpResponse<String> answer = app.send("POST", "/api/shows/1/line", Map.of("text", line));
        assertThat(answer.statusCode()).as(line.substring(0, 30)).isEqualTo(422);
        assertThat(answer.body())
                .as(line.substring(0, 30))
                .containsAnyOf("at most", "1 to 200 characters", "has 1500 characters")
                .doesNotContain("Something in it is too long");
    }

    @ParameterizedTest
    @MethodSource("bodies")
    void and_so_is_one_that_is_no_line(List<Object> asked) {
        HttpResponse<String> answer = app.send("POST", (String) asked.get(0), asked.get(1));
        assertThat(answer.statusCode()).as("%s", asked.get(0)).isEqualTo(422);
        assertThat(answer.body()).containsAnyOf("at most", "characters").doesNotContain("Something in it is too long");
    }

    static List<List<Object>> bodies() {
        return List.of(
                List.of("/api/shows", Map.of("name", LONG)),
                List.of("/api/shows/1/template", Map.of("name", LONG)),
                List.of("/api/shows/1/versions", Map.of("name", LONG)));
    }
}
