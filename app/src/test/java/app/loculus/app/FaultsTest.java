package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.app.store.disk.BadData;
import app.loculus.app.store.disk.Room;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;

/** What goes wrong under the database is told in words, loses nothing that was acknowledged, and stops nobody else. */
class FaultsTest {

    /** A disk whose room a test decides. */
    @Configuration
    static class Full {
        private static volatile long free = Long.MAX_VALUE;

        @Bean
        @Primary
        Room room() {
            return () -> free;
        }
    }

    @TempDir
    Path data;

    @BeforeEach
    void roomEnough() {
        Full.free = Long.MAX_VALUE;
    }

    private RunningApplication start(String... flags) {
        return new RunningApplication(data, Full.class, flags);
    }

    private static int number(RunningApplication app, String path, String field) {
        return app.get(path).get(field).asInt();
    }

    private void sql(String... statements) throws SQLException {
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:h2:file:" + data.resolve("loculus").toAbsolutePath(), "sa", "");
                Statement statement = connection.createStatement()) {
            for (String one : statements) {
                statement.execute(one);
            }
        }
    }

    private void madeShow(String... lines) {
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Kept"));
            for (String line : lines) {
                app.line(1, line);
            }
        }
    }

    @Test
    void on_a_full_disk_edits_are_refused_in_words_and_go_on_by_themselves() throws Exception {
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Full"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1");
            Full.free = 1 << 20;
            HttpResponse<String> refused = app.send("POST", "/api/shows/1/line", Map.of("text", "name 1 \"Lost\""));
            assertThat(refused.statusCode()).isEqualTo(507);
            assertThat(refused.body()).contains("The disk is full").contains("Nothing has changed");
            for (String write : List.of("undo", "live", "versions", "template")) {
                assertThat(app.send("POST", "/api/shows/1/" + write, Map.of("name", "x"))
                                .statusCode())
                        .as(write)
                        .isEqualTo(507);
            }
            assertThat(app.get("/api/shows")).hasSize(1);
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .isEqualTo("House Dimmer 1");
            assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", "name 1 \"Seen\"", "preview", true))
                            .statusCode())
                    .as("looking is not writing")
                    .isEqualTo(200);
            assertThat(app.get("/actuator/health").get("status").asText()).isEqualTo("DOWN");
            assertThat(app.get("/api/storage").get("trouble").asText()).contains("full");
            Full.free = Long.MAX_VALUE;
            app.line(1, "name 1 \"Kept\"");
            assertThat(app.get("/actuator/health").get("status").asText()).isEqualTo("UP");
            assertThat(app.get("/api/storage").get("trouble").asText()).isEmpty();
        }
        try (RunningApplication app = start()) {
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .isEqualTo("Kept");
        }
    }

    @Test
    void a_database_that_closes_under_us_is_opened_again_with_all_that_was_acknowledged() throws Exception {
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Closed"));
            app.line(1, "patch 1 thru 3 as \"House Dimmer\" at 1.1");
            try (Connection connection = app.bean(javax.sql.DataSource.class).getConnection();
                    Statement statement = connection.createStatement()) {
                statement.execute("shutdown immediately");
            } catch (SQLException closed) {
                // as it should be
            }
            int first = app.send("POST", "/api/shows/1/line", Map.of("text", "name 1 \"One\""))
                    .statusCode();
            assertThat(first).isIn(200, 507);
            app.line(1, "name 2 \"Two\"");
            JsonNode fixtures = app.get("/api/shows/1/patch").get("fixtures");
            assertThat(fixtures.get(1).get("name").asText()).isEqualTo("Two");
            assertThat(fixtures.get(0).get("name").asText()).isEqualTo(first == 200 ? "One" : "House Dimmer 1");
            assertThat(app.get("/api/rig/2").get("number").asInt()).isEqualTo(2);
        }
    }

    @Test
    void an_entry_of_the_journal_that_cannot_be_read_ends_the_history_and_nothing_else() throws Exception {
        madeShow("patch 1 as \"House Dimmer\" at 1.1", "name 1 \"A\"", "name 1 \"B\"", "name 1 \"C\"");
        sql("update journal set body = x'0200112233' where id = 3");
        try (RunningApplication app = start()) {
            assertThat(app.json("POST", "/api/shows/1/undo", null)
                            .get("words")
                            .get(0)
                            .asText())
                    .startsWith("Undoes");
            String words =
                    app.json("POST", "/api/shows/1/undo", null).get("words").toString();
            assertThat(words)
                    .satisfiesAnyOf(
                            w -> assertThat(w).contains("The history ends here"),
                            w -> assertThat(w).isEqualTo("[]"));
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .isEqualTo("B");
            app.line(1, "name 1 \"D\"");
            app.json("POST", "/api/shows/1/undo", null);
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .isEqualTo("B");
        }
    }

    @Test
    void the_history_is_looked_through_after_the_start_and_its_end_is_told() throws Exception {
        madeShow("patch 1 as \"House Dimmer\" at 1.1", "name 1 \"A\"", "name 1 \"B\"");
        sql("update journal set body = x'09' where id = 2");
        try (RunningApplication app = start()) {
            for (int i = 0;
                    i < 100
                            && app.get("/api/shows/1")
                                    .get("historyEnds")
                                    .asText()
                                    .isEmpty();
                    i++) {
                Thread.sleep(50);
            }
            assertThat(app.get("/api/shows/1").get("historyEnds").asText()).contains("cannot be read");
            assertThat(app.get("/api/shows/1").get("undo").asText()).contains("Names 1 fixture “B”");
        }
    }

    @Test
    void a_damaged_show_is_listed_as_that_the_others_open_and_what_can_be_read_is_kept() throws Exception {
        madeShow("patch 1 thru 3 as \"House Dimmer\" at 1.1", "1 thru 3", "record group \"Three\"", "all at 50");
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Whole"));
            app.json("POST", "/api/shows/1/live", null);
        }
        sql(
                "update fixture set number = -7 where show_id = 1 and id = 2",
                "update working_block set held = '{broken' where show_id = 1");
        try (RunningApplication app = start()) {
            JsonNode listed = app.get("/api/shows");
            assertThat(listed.get(0).get("damage").asText())
                    .contains("is damaged")
                    .contains("1 part of the fixtures");
            assertThat(app.send("GET", "/api/shows/1/patch", null).statusCode()).isEqualTo(409);
            assertThat(app.json("POST", "/api/shows/2/live", null).get("name").asText())
                    .isEqualTo("Whole");
            JsonNode saved = app.json("POST", "/api/shows/1/readable", null);
            assertThat(saved.get("missing").toString()).contains("fixtures").contains("working values");
            long made = saved.get("show").get("id").asLong();
            assertThat(app.get("/api/shows/" + made + "/patch").get("fixtures")).hasSize(2);
            assertThat(app.get("/api/shows/" + made + "/groups").get(0).get("units"))
                    .hasSize(2);
        }
    }

    @Test
    void a_database_that_was_cut_is_never_silently_older() throws Exception {
        String[] lines = new String[40];
        for (int i = 0; i < lines.length; i++) {
            lines[i] = i == 0 ? "patch 1 as \"House Dimmer\" at 1.1" : "name 1 \"N" + i + "\"";
        }
        madeShow(lines);
        Path file = data.resolve("loculus.mv.db");
        Path older = data.resolve("older");
        Files.copy(file, older);
        try (RunningApplication app = start()) {
            app.line(1, "name 1 \"Newest\"");
        }
        Files.move(older, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        assertThatThrownBy(this::start)
                .hasRootCauseInstanceOf(BadData.class)
                .rootCause()
                .hasMessageContaining("“Kept” is at revision 40 of 41");
        try (RunningApplication app = start("--loculus.take-as-is=true")) {
            assertThat(number(app, "/api/shows/1", "revision")).isEqualTo(40);
            app.line(1, "name 1 \"Again\"");
        }
        try (RandomAccessFile cut = new RandomAccessFile(file.toFile(), "rw")) {
            cut.setLength(cut.length() * 6 / 10 / 4096 * 4096);
        }
        assertThatThrownBy(this::start).as("cut").isNotNull();
    }

    @Test
    void a_newer_database_and_a_file_for_a_folder_are_told_in_words() throws Exception {
        madeShow("patch 1 as \"House Dimmer\" at 1.1");
        try (RunningApplication first = start()) {
            assertThat(number(first, "/api/shows/1", "revision")).isEqualTo(1);
        }
        byte[] before = Files.readAllBytes(data.resolve("loculus.mv.db"));
        sql("insert into \"flyway_schema_history\" (\"installed_rank\", \"version\", \"description\", \"type\", "
                + "\"script\", \"installed_by\", \"execution_time\", \"success\") "
                + "values (99, '99', 'later', 'SQL', 'V99__later.sql', 'sa', 1, true)");
        assertThatThrownBy(this::start).rootCause().hasMessageContaining("written by a newer Loculus");
        Files.write(data.resolve("loculus.mv.db"), before);
        try (RunningApplication again = start()) {
            assertThat(number(again, "/api/shows/1", "revision")).isEqualTo(1);
        }
        Path file = Files.createFile(data.resolve("plain"));
        assertThatThrownBy(() -> new RunningApplication(file, Full.class))
                .rootCause()
                .hasMessageContaining("is a file, not a folder");
    }

    @Test
    void copies_are_made_at_the_start_and_the_last_five_are_kept() throws IOException, InterruptedException {
        for (int i = 0; i < 7; i++) {
            try (RunningApplication app = start()) {
                app.json("POST", "/api/shows", Map.of("name", "Copy " + i));
                assertThat(app.get("/api/storage").get("copies")).hasSize(Math.min(i, 5));
            }
            Thread.sleep(1100);
        }
        try (var files = Files.list(data.resolve("backups"))) {
            assertThat(files).hasSize(5);
        }
    }

    @Test
    void a_key_is_honoured_after_a_restart_for_whatever_it_was_used() {
        Map<String, Object> edit = Map.of("text", "name 1 \"Once\"", "key", "k-1");
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Keys"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1\nname 1 \"A\"");
            assertThat(app.send("POST", "/api/shows/1/line", edit).statusCode()).isEqualTo(200);
            for (int i = 0; i < 2; i++) {
                app.send("POST", "/api/shows/1/versions", Map.of("name", "V"), "Idempotency-Key", "k-2");
                app.send("POST", "/api/shows", Map.of("name", "Second"), "Idempotency-Key", "k-3");
            }
            assertThat(app.get("/api/shows")).hasSize(2);
        }
        try (RunningApplication app = start()) {
            long revision = number(app, "/api/shows/1", "revision");
            assertThat(app.send("POST", "/api/shows/1/line", edit).body()).contains("\"repeated\":true");
            assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", "name 1 \"Else\"", "key", "k-1"))
                            .statusCode())
                    .isEqualTo(422);
            assertThat(number(app, "/api/shows/1", "revision")).isEqualTo(revision);
            assertThat(app.get("/api/shows/1/versions")).hasSize(1);
            app.send("POST", "/api/shows/1/undo", null, "Idempotency-Key", "u-1");
            app.send("POST", "/api/shows/1/undo", null, "Idempotency-Key", "u-1");
            assertThat(app.get("/api/shows/1/patch")
                            .get("fixtures")
                            .get(0)
                            .get("name")
                            .asText())
                    .as("undone once")
                    .isEqualTo("A");
        }
    }

    @Test
    void an_edit_on_an_old_revision_is_held_against_what_changed_also_after_a_restart() {
        try (RunningApplication app = start()) {
            app.json("POST", "/api/shows", Map.of("name", "Old"));
            app.line(1, "patch 1 thru 3 as \"House Dimmer\" at 1.1");
            app.line(1, "1");
            app.line(1, "2");
        }
        try (RunningApplication app = start()) {
            Map<String, Object> stale = Map.of("text", "at 50", "revision", 2);
            assertThat(app.send("POST", "/api/shows/1/line", stale).body()).contains("the selection changed");
            assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", "name 3 \"C\"", "revision", 2))
                            .statusCode())
                    .isEqualTo(200);
            assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", "name 3 \"C\"", "revision", 99))
                            .body())
                    .contains("does not exist yet");
        }
    }
}
