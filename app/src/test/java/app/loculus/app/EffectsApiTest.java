package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Effects from outside: what goes out, what is told of them, what is left after a restart. */
class EffectsApiTest {

    /** Index of the coarse octet of the first wash's dimmer. */
    private static final int DIMMER = 4;

    @TempDir
    Path data;

    private static RunningApplication moving(Path data, String... more) {
        RunningApplication app = new RunningApplication(data, more);
        app.json("POST", "/api/shows", Map.of("name", "Moving"));
        app.line(1, "patch 1 thru 4 as \"Skiff Wash / extended\" at 42.1");
        app.line(1, "1 thru 4 sine of dimmer at 20 thru 80 rate 60 offset round");
        return app;
    }

    /** The dimmer of the first fixture, frame by frame, in percent. */
    private static List<Double> levels(DatagramSocket socket, int frames) throws IOException {
        List<Double> levels = new ArrayList<>();
        byte[] buffer = new byte[DataPacketLayout.LONGEST];
        while (levels.size() < frames) {
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            socket.receive(datagram);
            DataPacket packet =
                    DataPacketLayout.decode(buffer, datagram.getLength()).orElseThrow();
            levels.add(((packet.slots()[DIMMER] & 0xFF) << 8 | packet.slots()[DIMMER + 1] & 0xFF) / 655.35);
        }
        return levels;
    }

    /** Where it stands once three frames are the same; what was sent before waits in the socket. */
    private static double still(DatagramSocket socket) throws IOException {
        List<Double> last = levels(socket, 3);
        for (int i = 0; i < 400 && last.stream().distinct().count() > 1; i++) {
            last = List.of(last.get(1), last.get(2), levels(socket, 1).get(0));
        }
        assertThat(last.stream().distinct()).hasSize(1);
        return last.get(0);
    }

    private static void settled(DatagramSocket socket) throws IOException {
        levels(socket, 8);
    }

    @Test
    void what_is_set_goes_out_moving_blind_keeps_it_back_and_it_goes_on_after_a_restart() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            socket.setSoTimeout(4000);
            String to = "--loculus.e131[0]=127.0.0.1:" + socket.getLocalPort();
            try (RunningApplication app = moving(data, to)) {
                settled(socket);
                List<Double> levels = levels(socket, 88);
                assertThat(levels).allSatisfy(l -> assertThat(l).isBetween(19.99, 80.01));
                assertThat(Collections.max(levels)).isGreaterThan(75);
                assertThat(Collections.min(levels)).isLessThan(25);
                assertThat(levels.stream().distinct().count()).isGreaterThan(50);
                long revision = app.get("/api/shows/1").get("revision").asLong();
                app.line(1, "blind on");
                assertThat(still(socket)).isZero();
                app.line(1, "blind off");
                assertThat(app.get("/api/shows/1").get("revision").asLong()).isEqualTo(revision);
            }
            try (RunningApplication again = new RunningApplication(data, to)) {
                settled(socket);
                assertThat(levels(socket, 60).stream().distinct().count()).isGreaterThan(30);
                again.line(1, "1 thru 4 effects off");
                assertThat(still(socket)).as("home").isZero();
            }
        }
    }

    @Test
    void what_is_told_of_an_effect_goes_by_what_is_in_hand_and_what_is_used() {
        try (RunningApplication app = moving(data)) {
            app.line(1, "record effect 3 \"Swell\"");
            app.line(1, "record cue 1 \"Waves\"");
            JsonNode swell = app.get("/api/shows/1/effects").get("effects").get(0);
            assertThat(swell.get("number").asInt()).isEqualTo(3);
            assertThat(swell.get("words").asText())
                    .isEqualTo("sine of Dimmer between 20 % and 80 %, 60 a minute, offset round");
            assertThat(swell.get("used").asBoolean()).isTrue();
            assertThat(swell.get("steps")).hasSize(4);
            assertThat(swell.get("steps").get(3).get("offset").asDouble()).isEqualTo(.75);
            assertThat(swell.get("reach").asText()).isEqualTo("all");
            assertThat(swell.get("looks").get(0).asText()).isEqualTo("cue 1 “Waves” of list 1 “Main”");
            JsonNode curve = swell.get("movements").get(0).get("curve");
            assertThat(curve.get(24).asDouble()).isCloseTo(1, within(1e-9));
            assertThat(curve.get(72).asDouble()).isCloseTo(-1, within(1e-9));
            app.line(1, "clear all");
            JsonNode unused = app.get("/api/shows/1/effects").get("effects").get(0);
            assertThat(unused.get("units").asInt()).isZero();
            assertThat(unused.get("held").asInt()).isZero();
            JsonNode starters = app.get("/api/shows/1/effects/starters");
            assertThat(starters).hasSizeGreaterThan(4);
            assertThat(starters.findValuesAsText("there")).contains("false");
        }
    }

    @Test
    void a_value_that_moves_is_told_as_that_and_not_as_a_number() {
        try (RunningApplication app = moving(data)) {
            int found = 0;
            for (JsonNode row : app.get("/api/shows/1/desk").get("values")) {
                boolean moves = row.get("label").asText().equals("Dimmer");
                found += moves ? 1 : 0;
                assertThat(row.get("text").asText().equals("moves")).isEqualTo(moves);
                assertThat(row.get("source").asText().equals("effect")).isEqualTo(moves);
            }
            assertThat(found).isEqualTo(1);
        }
    }

    @Test
    void each_step_turns_at_its_own_rate_and_what_moves_by_chance_tells_its_values_unit_by_unit() {
        try (RunningApplication app = moving(data)) {
            app.line(1, "record effect 3 \"Swell\"");
            app.line(1, "2 effect 3 rate 6 size 10");
            JsonNode steps =
                    app.get("/api/shows/1/effects").get("effects").get(0).get("steps");
            List<Double> rates = new ArrayList<>();
            steps.forEach(s -> rates.add(s.get("rate").asDouble()));
            assertThat(rates).containsExactlyInAnyOrder(60.0, 6.0, 60.0, 60.0);
            assertThat(steps).filteredOn(s -> !s.get("size").isNull()).hasSize(1);
            app.line(1, "clear all");
            app.line(1, "1 + 2 random of zoom at 10 thru 90 rate 0 seed 4");
            JsonNode all = app.get("/api/shows/1/effects").get("effects");
            assertThat(all)
                    .as("one by its number, one by the selection")
                    .allSatisfy(e -> assertThat(e.get("reached").asBoolean()).isTrue());
            JsonNode chance = all.get(0).get("number").asInt() == 0 ? all.get(0) : all.get(1);
            assertThat(chance.get("steps")).as("a dot for each unit").hasSize(2);
            JsonNode values = chance.get("movements").get(0).get("chances");
            assertThat(values).hasSize(2);
            assertThat(values.get(0)).hasSize(24);
            JsonNode one = values.get(0).get(0);
            assertThat(one.asDouble())
                    .isBetween(-1.0, 1.0)
                    .isNotEqualTo(values.get(1).get(0).asDouble());
        }
    }

    @Test
    void all_steps_are_counted_however_many_are_drawn() {
        try (RunningApplication app = moving(data)) {
            app.line(1, "patch 1001 thru 1250 as \"House Dimmer / 1-slot\" at 50.1");
            app.line(1, "clear all");
            app.line(1, "1001 thru 1250 sine of dimmer at 20 thru 80 rate 60 offset round");
            app.line(1, "record effect 1 \"Wide\"");
            app.line(1, "1001 thru 1010 effect 1 rate 30");
            JsonNode wide = app.get("/api/shows/1/effects").get("effects").get(0);
            assertThat(wide.get("allSteps").asInt()).isEqualTo(250);
            assertThat(wide.get("allUnits").asInt()).isEqualTo(250);
            assertThat(wide.get("ownSteps").asInt()).isEqualTo(10);
            JsonNode steps = wide.get("steps");
            assertThat(steps).hasSize(100);
            assertThat(steps.get(99).get("offset").asDouble())
                    .as("up to the end")
                    .isGreaterThan(.98);
        }
    }
}
