package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several hands on one application at the same moment. */
class HandsTogetherTest {

    @TempDir
    Path data;

    private RunningApplication app;
    private final ExecutorService hands = Executors.newFixedThreadPool(8);

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Together"));
        app.line(1, "patch 1 thru 60 as \"House Dimmer\" at 1.1");
    }

    @AfterEach
    void stop() {
        hands.shutdownNow();
        app.close();
    }

    private void all(List<Runnable> work) throws Exception {
        List<Future<?>> done = new ArrayList<>();
        work.forEach(w -> done.add(hands.submit(w)));
        for (Future<?> one : done) {
            one.get();
        }
    }

    @Test
    void no_add_to_the_hand_is_lost() throws Exception {
        all(IntStream.rangeClosed(1, 60)
                .<Runnable>mapToObj(n -> () -> app.json(
                        "POST",
                        "/api/shows/1/edits",
                        Map.of("edit", Map.of("type", "select", "how", "add", "units", List.of(String.valueOf(n))))))
                .toList());
        assertThat(app.get("/api/shows/1/desk").get("steps")).hasSize(60);
    }

    @Test
    void whichever_show_is_opened_last_drives_the_output_with_what_it_is_now() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "Other"));
        app.line(2, "patch 1 as \"House Dimmer\" at 1.1");
        Random random = new Random(3);
        for (int round = 0; round < 25; round++) {
            int level = 1 + random.nextInt(99);
            int open = 1 + random.nextInt(2);
            List<Runnable> work = new ArrayList<>();
            for (int show : new int[] {1, 2}) {
                work.add(() -> app.line(show, "1 at " + level));
            }
            work.add(() -> app.json("POST", "/api/shows/" + open + "/live", null));
            work.add(() -> app.json("POST", "/api/shows/" + (3 - open) + "/live", null));
            all(work);
            JsonNode live = app.get("/api/shows");
            long driving = live.get(0).get("live").asBoolean() ? 1 : 2;
            assertThat(live.findValuesAsText("live")).containsOnlyOnce("true");
            assertThat(app.get("/api/shows/" + driving).get("live").asBoolean()).isTrue();
            int slot = app.get("/api/shows/" + driving + "/output/1")
                    .get("slots")
                    .get(0)
                    .asInt();
            assertThat(slot).as("round %d", round).isEqualTo((int) Math.floor(level / 100.0 * 255 + 0.5));
        }
    }

    @Test
    void shows_opened_long_ago_leave_memory_and_come_back_as_they_were() throws Exception {
        for (int i = 2; i <= 14; i++) {
            app.json("POST", "/api/shows", Map.of("name", "Show " + i));
            app.line(i, "add " + i + " as \"House Dimmer\"");
        }
        all(IntStream.range(0, 120)
                .<Runnable>mapToObj(n -> () -> app.line(2 + n % 13, "note " + (2 + n % 13) + " \"" + n + "\""))
                .toList());
        for (int i = 2; i <= 14; i++) {
            assertThat(app.get("/api/shows/" + i).get("revision").asLong()).isGreaterThanOrEqualTo(10);
            assertThat(app.get("/api/shows/" + i + "/patch")
                            .get("fixtures")
                            .get(0)
                            .get("number")
                            .asInt())
                    .isEqualTo(i);
        }
    }
}
