package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The devices of the virtual rig, found over their lines, against the patch. */
class DevicesTest {

    @TempDir
    Path data;

    private static void rig(RunningApplication app) {
        app.json("POST", "/api/shows", Map.of("name", "Devices"));
        app.line(1, "patch 1 thru 8 as \"Skiff Wash / extended\" at 1.1");
        app.line(1, "patch 11 thru 16 as \"Skiff Wash / basic\" at 2.1");
        app.line(1, "patch 21 thru 26 as \"Fathom Profile / standard\" at 3.1");
        app.line(1, "patch 31 as \"House Dimmer\" at 4.1");
        app.line(1, "patch 31 at 4.7 also");
    }

    private static JsonNode search(RunningApplication app) {
        return app.json("POST", "/api/shows/1/devices/search", Map.of());
    }

    private static Map<String, String> faults(JsonNode view) {
        Map<String, String> all = new LinkedHashMap<>();
        view.get("rows")
                .forEach(r -> all.put(
                        r.get("key").asText(), texts(r.get("faults")).stream().collect(Collectors.joining(", "))));
        return all;
    }

    private static List<String> texts(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false)
                .map(JsonNode::asText)
                .toList();
    }

    private static List<String> keys(JsonNode view, String flag) {
        List<String> keys = new ArrayList<>();
        view.get("rows").forEach(r -> {
            if (r.get(flag).asBoolean()) {
                keys.add(r.get("key").asText());
            }
        });
        return keys;
    }

    @Test
    void what_hangs_as_patched_is_found_and_right_and_nothing_is_said_before_it_was_searched() {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            assertThat(app.get("/api/shows/1/devices").get("searchedAt").asText())
                    .isEmpty();
            JsonNode found = search(app);
            assertThat(found.at("/counts/found").asInt()).isEqualTo(22);
            assertThat(found.at("/counts/right").asInt()).isEqualTo(22);
            assertThat(found.get("lines").asInt()).isEqualTo(4);
            assertThat(found.get("rows")).isEmpty();
            JsonNode all = app.get("/api/shows/1/devices?all=true").get("rows");
            assertThat(all).hasSize(22);
            assertThat(all.get(0).at("/device/model").asText()).contains("Skiff Wash");
            assertThat(all.get(0).at("/device/mode").asText()).isEqualTo("“extended”");
            assertThat(all.get(21).get("key").asText()).isEqualTo("31.2");
            JsonNode details = app.get(
                    "/api/shows/1/devices/1/" + all.get(0).at("/device/uid").asText());
            assertThat(details.at("/sensors/0/unit").asText()).isEqualTo("°C");
            assertThat(details.get("lamp").asText()).isEqualTo("on");
            assertThat(texts(details.get("modes"))).contains("extended, 20 slots");
        }
    }

    @Test
    void a_device_set_wrong_is_told_and_set_right_and_the_light_follows() {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            app.json("PUT", "/api/rig/1", Map.of("address", "1.300"));
            app.json("PUT", "/api/rig/2", Map.of("dead", true));
            app.line(1, "1 at full");
            assertThat(lit(app, 1)).isZero();
            JsonNode found = search(app);
            assertThat(faults(found)).isEqualTo(Map.of("1", "wrong address", "2", "missing"));
            assertThat(texts(found.get("rows").get(0).get("words")))
                    .containsExactly("It is set to 1.300, patched is 1.1.");
            JsonNode would =
                    app.json("POST", "/api/shows/1/devices/set", Map.of("keys", List.of("1", "2"), "preview", true));
            assertThat(texts(would.get("words")).get(1)).contains("address 1.300 → 1.1");
            assertThat(faults(search(app))).as("nothing was set yet").containsKey("1");
            JsonNode set = app.json("POST", "/api/shows/1/devices/set", Map.of("keys", List.of("1")));
            assertThat(faults(set)).isEqualTo(Map.of("2", "missing"));
            assertThat(lit(app, 1)).isEqualTo(1);
            assertThat(app.send("POST", "/api/shows/1/devices/set", Map.of("keys", List.of("2")))
                            .statusCode())
                    .isEqualTo(422);
        }
    }

    @Test
    void a_swapped_pair_is_said_as_that_and_the_patch_can_take_it_in_one_step() {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            app.json("PUT", "/api/rig/21", Map.of("address", second(app, 22)));
            app.json("PUT", "/api/rig/22", Map.of("address", "3.1"));
            JsonNode found = search(app);
            assertThat(faults(found)).isEqualTo(Map.of("21", "swapped", "22", "swapped"));
            JsonNode taken = app.json(
                    "POST", "/api/shows/1/devices/take", Map.of("keys", List.of("21", "22"), "preview", false));
            assertThat(faults(taken)).isEmpty();
            assertThat(taken.get("problems")).isEmpty();
            assertThat(app.get("/api/shows/1/patch").toString()).contains("\"number\":22");
            assertThat(search(app).at("/counts/right").asInt()).isEqualTo(22);
            app.json("POST", "/api/shows/1/undo", Map.of());
            assertThat(faults(app.get("/api/shows/1/devices"))).containsOnlyKeys("21", "22");
        }
    }

    private static String second(RunningApplication app, int number) {
        for (JsonNode f : app.get("/api/shows/1/patch").get("fixtures")) {
            if (f.get("number").asInt() == number) {
                return f.get("address").asText();
            }
        }
        throw new AssertionError("no fixture " + number);
    }

    @Test
    void who_is_who_is_kept_with_the_show_through_a_restart_and_told_from_then_on() {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            JsonNode found = search(app);
            assertThat(found.at("/counts/kept").asInt()).isZero();
            JsonNode kept = app.json("POST", "/api/shows/1/devices/know", Map.of());
            assertThat(kept.at("/counts/kept").asInt()).isEqualTo(22);
            app.json("PUT", "/api/shows/1/devices/tell", Map.of("key", "5", "what", "label", "value", "spare 9"));
        }
        try (RunningApplication app = new RunningApplication(data)) {
            assertThat(app.get("/api/shows/1/devices").get("searchedAt").asText())
                    .as("devices are looked for again after a start")
                    .isEmpty();
            search(app);
            JsonNode row = app.get("/api/shows/1/devices?all=true").get("rows").get(4);
            assertThat(row.at("/device/label").asText()).isEqualTo("spare 9");
            assertThat(row.get("known").asBoolean()).isTrue();
            app.line(1, "delete 5");
            assertThat(faults(app.get("/api/shows/1/devices")).values()).containsExactly("extra");
        }
    }

    @Test
    void what_shows_itself_is_seen_on_the_stage_and_a_reset_ends_it() {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            JsonNode on =
                    app.json("PUT", "/api/shows/1/devices/identify", Map.of("numbers", List.of(3, 31), "on", true));
            assertThat(texts(on.get("words"))).containsExactly("Identifies: 3 devices");
            assertThat(app.get("/api/rig/3").get("identifies").asBoolean()).isTrue();
            assertThat(app.get("/api/rig/4").get("identifies").asBoolean()).isFalse();
            app.json("PUT", "/api/shows/1/devices/tell", Map.of("key", "3", "what", "reset"));
            assertThat(app.get("/api/rig/3").get("identifies").asBoolean()).isFalse();
            assertThat(app.get("/api/rig/31").get("identifies").asBoolean()).isTrue();
            assertThat(app.send("PUT", "/api/shows/1/devices/identify", Map.of("numbers", List.of(99), "on", true))
                            .body())
                    .contains("No device answers for that");
        }
    }

    /** Whatever practice hides is told by the devices, and mended from either side. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void what_practice_hides_is_told_and_mended(long seed) {
        try (RunningApplication app = new RunningApplication(data.resolve("seed" + seed))) {
            rig(app);
            search(app);
            app.json("POST", "/api/shows/1/devices/know", Map.of());
            app.json("POST", "/api/rig/practice", Map.of("seed", seed));
            List<String> told = new ArrayList<>();
            app.get("/api/rig/practice/result")
                    .get("findings")
                    .forEach(f -> told.add(f.get("words").asText()));
            JsonNode found = search(app);
            List<String> faults = new ArrayList<>(faults(found).values());
            assertThat(faults).as("%s", told).contains("missing", "wrong address", "wrong mode", "extra");
            assertThat(faults.stream().filter("swapped"::equals)).hasSize(2);
            assertThat(faults.stream().filter(f -> f.contains("doubled identity")))
                    .as("%s %s", told, faults)
                    .hasSize(2);
            JsonNode set = app.json("POST", "/api/shows/1/devices/set", Map.of("keys", keys(found, "settable")));
            assertThat(set.get("problems")).isEmpty();
            assertThat(faults(search(app)).values())
                    .as("after setting what can be set")
                    .allMatch(f -> f.equals("missing") || f.equals("extra") || f.contains("doubled identity"));
        }
    }

    private static double lit(RunningApplication app, int number) {
        double last = -1;
        for (int tries = 0; tries < 30; tries++) {
            double now = app.get("/api/rig/" + number).get("intensity").asDouble();
            if (now == last && tries > 5) {
                return now;
            }
            last = now;
            pause();
        }
        return last;
    }

    private static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
