package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Playing from outside: what is pressed, what goes out, what is left of it after a restart. */
class PlayingTest {

    /** Fades tried until one is undisturbed by whatever else the machine does. */
    private static final int TRIES = 4;

    @TempDir
    Path data;

    private static RunningApplication played(Path data, String... more) {
        RunningApplication app = new RunningApplication(data, more);
        app.json("POST", "/api/shows", Map.of("name", "Played"));
        app.line(1, "patch 1 thru 4 as \"Skiff Wash / extended\" at 42.1");
        app.line(1, "1 at full");
        app.line(1, "record cue 1 \"Up\" in 2 out 2");
        app.line(1, "clear all");
        return app;
    }

    private static JsonNode press(RunningApplication app, Map<String, Object> press) {
        return app.json("POST", "/api/shows/1/play", press);
    }

    @Test
    void a_fade_of_two_seconds_on_sixteen_bits_arrives_smoothly_and_its_end_is_exact() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            socket.setSoTimeout(4000);
            try (RunningApplication app = played(data, "--loculus.e131[0]=127.0.0.1:" + socket.getLocalPort())) {
                int most = 0;
                for (int i = 0; i < TRIES && most < 80; i++) {
                    app.line(1, "release everything");
                    List<Integer> levels = fade(app, socket);
                    assertThat(levels).isSorted();
                    assertThat(levels.get(levels.size() - 1)).isEqualTo(0xFFFF);
                    most = Math.max(most, (int) levels.stream().distinct().count());
                }
                assertThat(most).isGreaterThanOrEqualTo(80);
            }
        }
    }

    /** Every level of the dimmer from the press until it is full. */
    private static List<Integer> fade(RunningApplication app, DatagramSocket socket) throws IOException {
        for (int i = 0; level(socket) > 0; i++) {
            assertThat(i).as("what was before goes out").isLessThan(400);
        }
        press(app, Map.of("press", "jump", "list", 1, "cue", 1));
        List<Integer> levels = new ArrayList<>();
        do {
            levels.add(level(socket));
        } while (levels.get(levels.size() - 1) < 0xFFFF && levels.size() < 400);
        return levels;
    }

    /** The dimmer of the first fixture: 16 bits at slots 5 and 6. */
    private static int level(DatagramSocket socket) throws IOException {
        byte[] buffer = new byte[DataPacketLayout.LONGEST];
        DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
        socket.receive(datagram);
        DataPacket packet =
                DataPacketLayout.decode(buffer, datagram.getLength()).orElseThrow();
        return (packet.slots()[DIMMER] & 0xFF) << 8 | packet.slots()[DIMMER + 1] & 0xFF;
    }

    /** Index of the coarse octet of the dimmer. */
    private static final int DIMMER = 4;

    @Test
    void playing_is_no_edit_and_nothing_plays_after_a_restart() {
        try (RunningApplication app = played(data)) {
            long revision = app.get("/api/shows/1").get("revision").asLong();
            String undo = app.get("/api/shows/1").get("undo").asText();
            JsonNode runs = press(app, Map.of("press", "go", "list", 1));
            assertThat(runs.get("runs").get(0).get("cueName").asText()).isEqualTo("Up");
            app.line(1, "level list 1 at 50");
            press(app, Map.of("press", "blind", "on", true));
            assertThat(app.get("/api/shows/1").get("revision").asLong()).isEqualTo(revision);
            assertThat(app.get("/api/shows/1").get("undo").asText()).isEqualTo(undo);
            assertThat(app.get("/api/shows/1/play")
                            .get("runs")
                            .get(0)
                            .get("level")
                            .asDouble())
                    .isEqualTo(50);
        }
        try (RunningApplication app = new RunningApplication(data)) {
            JsonNode play = app.get("/api/shows/1/play");
            assertThat(play.get("runs")).isEmpty();
            assertThat(play.get("blind").asBoolean())
                    .as("what was kept from the stage stays so")
                    .isTrue();
            assertThat(app.get("/api/shows/1/looks").get("lists").get(0).get("cues"))
                    .hasSize(1);
        }
    }

    @Test
    void what_cannot_be_pressed_is_refused_in_words() {
        try (RunningApplication app = played(data)) {
            for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                    Map.of(),
                    Map.of("press", "sing"),
                    Map.of("press", "go"),
                    Map.of("press", "level", "list", 1, "value", 101),
                    Map.of("press", "level", "list", 1, "value", -1),
                    Map.of("press", "rate", "list", 9, "value", 60),
                    Map.of("press", "rate", "list", 1, "value", 0),
                    Map.of("press", "submaster", "submaster", 1))) {
                assertThat(app.send("POST", "/api/shows/1/play", wrong).statusCode())
                        .as("%s", wrong)
                        .isBetween(400, 499);
            }
            assertThat(app.send("POST", "/api/shows/99/play", Map.of("press", "release-all"))
                            .statusCode())
                    .isEqualTo(404);
            assertThat(press(app, Map.of("press", "go", "list", 77)).get("runs"))
                    .as("what is not there does nothing")
                    .isEmpty();
        }
    }

    @Test
    void a_press_that_does_nothing_says_so() {
        try (RunningApplication app = played(data)) {
            for (String line : List.of("back", "release list 1", "release everything")) {
                assertThat(app.line(1, line).get("reading").asText()).as(line).startsWith("Nothing runs otherwise");
            }
            for (String line : List.of("pause", "level list 1 at 50")) {
                HttpResponse<String> refused = app.send("POST", "/api/shows/1/line", Map.of("text", line));
                assertThat(refused.statusCode()).as(line).isEqualTo(422);
                assertThat(refused.body()).as(line).contains("does not run, so nothing of it changes", "go list 1");
            }
            assertThat(app.line(1, "go").get("reading").asText()).isEqualTo("Goes on: list 1 “Main”");
            assertThat(app.line(1, "go").get("reading").asText())
                    .as("behind the last cue there is none")
                    .startsWith("Nothing runs otherwise");
        }
    }

    @Test
    void what_is_touched_and_recorded_goes_by_what_runs() {
        try (RunningApplication app = played(data)) {
            app.line(1, "1 colour xy 0.5, 0.4");
            app.line(1, "record cue 2");
            app.line(1, "clear all");
            app.line(1, "jump to cue 2");
            JsonNode held = app.line(1, "1 where lit");
            assertThat(held.get("reading").asText()).isNotBlank();
            JsonNode all = app.line(1, "record cue 3 all");
            assertThat(all.get("reading").asText()).contains("all that is not at home");
        }
    }

    @Test
    void cues_go_out_as_a_text_and_come_in_again_as_a_list_of_their_own() {
        try (RunningApplication app = played(data)) {
            byte[] text = app.send("GET", "/api/shows/1/lists/1/text", null)
                    .body()
                    .getBytes(java.nio.charset.StandardCharsets.US_ASCII);
            assertThat(new String(text, java.nio.charset.StandardCharsets.US_ASCII))
                    .startsWith("IDENT 3:0\r\n")
                    .contains("CUE 1\r\nTEXT Up\r\nUP 2\r\nDOWN 2\r\nCHAN 1@100");
            JsonNode foreseen =
                    app.json("POST", "/api/shows/1/cues/text", Map.of("file", text, "dimmers", true, "preview", true));
            assertThat(foreseen.get("words").toString()).contains("Takes in 1 cue, 0 groups, 0 submasters");
            assertThat(app.get("/api/shows/1/looks").get("lists")).hasSize(1);
            app.json("POST", "/api/shows/1/cues/text", Map.of("file", text, "dimmers", true, "preview", false));
            JsonNode taken = app.get("/api/shows/1/looks").get("lists").get(1);
            assertThat(taken.get("name").asText()).isEqualTo("Taken in");
            assertThat(taken.get("join").asText()).isEqualTo("complete");
            assertThat(taken.get("cues").get(0).get("in").asDouble()).isEqualTo(2);
            // Elsewhere nobody is patched: the channels come in as dimmers at their addresses.
            app.json("POST", "/api/shows", Map.of("name", "Elsewhere"));
            JsonNode fitting = app.get("/api/shows/2/cues/dimmers");
            Map<String, Object> unsaid = Map.of("file", text, "dimmers", true, "preview", false);
            if (fitting.size() > 1) {
                assertThat(app.send("POST", "/api/shows/2/cues/text", unsaid).body())
                        .contains("Several dimmers fit.");
            }
            app.json(
                    "POST",
                    "/api/shows/2/cues/text",
                    Map.of(
                            "file",
                            text,
                            "dimmers",
                            true,
                            "dimmer",
                            fitting.get(0).asText(),
                            "preview",
                            false));
            assertThat(app.send(
                                    "POST",
                                    "/api/shows/2/cues/text",
                                    Map.of(
                                            "file",
                                            "IDENT 3:0\nPATCH 1 900<600@50.7 901<601 602@50\nCUE 1\nCHAN 900@FL\nENDDATA\n"
                                                    .getBytes(),
                                            "dimmers",
                                            true,
                                            "preview",
                                            false))
                            .body())
                    .contains("Channel 901: dimmer 602 stands at 50 % in the text and comes in at 100 %");
            assertThat(app.get("/api/shows/2/patch").toString()).contains("at 50.6 percent");
            assertThat(app.get("/api/shows/2/patch").get("fixtures")).hasSize(6);
            assertThat(app.send("POST", "/api/shows/2/cues/text", Map.of("file", "x".getBytes()))
                            .statusCode())
                    .isEqualTo(422);
            assertThat(app.send("POST", "/api/shows/2/cues/text", Map.of()).statusCode())
                    .isBetween(400, 499);
        }
    }
}
