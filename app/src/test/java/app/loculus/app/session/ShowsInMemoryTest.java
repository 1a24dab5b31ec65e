package app.loculus.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Shows that nobody has used for long leave memory, however they came into it. */
class ShowsInMemoryTest {

    @TempDir
    Path data;

    @Test
    void shows_that_are_begun_one_after_the_other_do_not_stay() {
        try (RunningApplication app = new RunningApplication(data)) {
            for (int i = 0; i < 8; i++) {
                app.json("POST", "/api/shows", Map.of("name", "Show " + i));
            }
            app.upload("/api/shows/file", "show.loculus", app.octets("/api/shows/1/file"));
            assertThat(app.bean(Shows.class).inMemory()).isLessThanOrEqualTo(3);
        }
    }
}
