package app.loculus.app.store.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import app.loculus.app.RunningApplication;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.mock.env.MockEnvironment;

/** Whatever keeps the database from being opened is told in words with a way out. */
class DataAnalyzerTest {

    @TempDir
    Path data;

    private FailureAnalysis told(Throwable failure) {
        return new DataAnalyzer(new MockEnvironment().withProperty("loculus.data", data.toString())).analyze(failure);
    }

    @Test
    void a_file_that_is_no_database_is_told_with_the_copies_there_are() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Kept"));
        }
        new RunningApplication(data).close();
        Files.writeString(data.resolve("loculus.mv.db"), "no database at all".repeat(1000));
        FailureAnalysis damaged = told(catchThrowable(() -> new RunningApplication(data)));
        assertThat(damaged.getDescription())
                .contains("is damaged and cannot be opened")
                .contains(data.toString());
        assertThat(damaged.getAction()).contains("./loculus restore");
    }

    @Test
    void a_full_disk_is_told_as_that() {
        FailureAnalysis full = told(new IllegalStateException(new IOException("No space left on device")));
        assertThat(full.getDescription()).contains("is full").contains(data.toString());
        assertThat(full.getAction()).contains("Make room");
    }

    @Test
    void what_has_nothing_to_do_with_data_is_left_to_others() {
        assertThat(told(new IllegalStateException("Something else"))).isNull();
        assertThat(told(new SQLException("broken")).getDescription()).contains("damaged");
    }
}
