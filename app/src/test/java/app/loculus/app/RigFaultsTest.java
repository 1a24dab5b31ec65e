package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A rig that was set wrong stays a rig, whatever is done to the patch afterwards. */
class RigFaultsTest {

    @TempDir
    static Path data;

    @Test
    void a_fault_at_the_very_end_that_no_longer_fits_after_a_change_of_mode_is_as_good_as_none() {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Rig"));
            app.line(1, "patch 1 as \"Skiff Wash / basic\" at 1.1");
            app.line(1, "patch 2 as \"House Dimmer\" at 2.1");
            assertThat(app.send("PUT", "/api/rig/1", Map.of("address", "63999.504"))
                            .statusCode())
                    .isEqualTo(200);
            app.line(1, "change 1 to \"Skiff Wash / extended\"");
            app.line(1, "1 + 2 at full");
            assertThat(lit(app, 1)).as("hangs as it is patched").isEqualTo(1);
            assertThat(lit(app, 2)).as("the others are not touched").isEqualTo(1);
            assertThat(app.send("PUT", "/api/rig/1", Map.of("address", "63999.504"))
                            .statusCode())
                    .as("told now, since it does not fit")
                    .isEqualTo(422);
        }
    }

    @Test
    void a_fault_belongs_to_the_fixture_and_not_to_its_number() {
        try (RunningApplication app = new RunningApplication(data.resolve("numbers"))) {
            app.json("POST", "/api/shows", Map.of("name", "Rig"));
            app.line(1, "patch 1 thru 2 as \"House Dimmer\" at 1.1");
            app.json("PUT", "/api/rig/1", Map.of("dead", true));
            app.line(1, "renumber 1 from 11");
            app.line(1, "patch 1 as \"House Dimmer\" at 1.9");
            app.line(1, "all at full");
            assertThat(lit(app, 11)).isZero();
            assertThat(lit(app, 1)).isEqualTo(1);
        }
    }

    /** Frames take a moment to arrive. */
    private static double lit(RunningApplication app, int number) {
        double last = -1;
        for (int tries = 0; tries < 20; tries++) {
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
