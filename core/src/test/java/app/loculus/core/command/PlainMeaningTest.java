package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Lines as people type them who do not know the words of the line, each with the answer it gets. */
class PlainMeaningTest {

    private static final LineReader READER = new LineReader(Rig.ALL);

    private static Show show() {
        return Rig.after(
                Rig.everyKind(),
                "11 thru 14 at 60 colour xy 0.5, 0.4",
                "record colour 1 \"Ember\"",
                "record colour 2 \"Sea green\"",
                "11 thru 12",
                "record group 5 \"Bridge washes\"",
                "11 thru 12 at 40",
                "record cue 1 \"Open\"",
                "clear all");
    }

    private static String said(List<Problem> problems) {
        Problem first = problems.get(0);
        return "✗ " + first.words()
                + (first.waysOut().isEmpty() ? "" : " " + first.waysOut().get(0).words());
    }

    /** How it is read, or why not: {@code as it stands}, {@code Read as “11 at full”}, {@code ✗ Record what? …} */
    private static String answer(Show show, String line) {
        try {
            if (READER.read(line) instanceof Command.Edit edit) {
                Outcome outcome = edit.edit().apply(show);
                if (outcome.refused()) {
                    return said(outcome.problems());
                }
                String last = outcome.words().get(outcome.words().size() - 1);
                return last.startsWith("Read as") ? last : "as it stands";
            }
            return "taken";
        } catch (Refusal refusal) {
            return said(refusal.problems());
        }
    }

    private static List<String> lines() throws IOException {
        try (InputStream in = PlainMeaningTest.class.getResourceAsStream("/plain-lines.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
    }

    /** {@code -Dlines.write=FILE} writes the answers of today there, to be read before they are taken over. */
    @Test
    void each_line_gets_its_answer() throws IOException {
        Show show = show();
        List<String> answers = new ArrayList<>();
        for (String line : lines()) {
            String typed = line.split("\t")[0];
            answers.add(typed + "\t" + answer(show, typed));
        }
        if (System.getProperty("lines.write") != null) {
            Files.write(Path.of(System.getProperty("lines.write")), answers);
        }
        assertThat(answers).hasSizeGreaterThanOrEqualTo(200).isEqualTo(lines());
    }

    /** What is told of how a line was read can be typed, and does the same. */
    @Test
    void what_it_is_read_as_is_a_line_that_does_the_same() throws IOException {
        Show show = show();
        int read = 0;
        for (String line : lines()) {
            Optional<String> as = line.contains("\tRead as “")
                    ? Optional.of(line.substring(line.indexOf('“') + 1, line.lastIndexOf('”')))
                    : Optional.empty();
            if (as.isPresent()) {
                read++;
                Outcome plain =
                        ((Command.Edit) READER.read(line.split("\t")[0])).edit().apply(show);
                Outcome typed = ((Command.Edit) READER.read(as.get())).edit().apply(show);
                assertThat(typed.words()).as(line).noneMatch(w -> w.startsWith("Read as"));
                assertThat(plain.show()).as(line).isEqualTo(typed.show());
                assertThat(plain.words().subList(0, plain.words().size() - 1)).isEqualTo(typed.words());
            }
        }
        assertThat(read).isGreaterThan(60);
    }
}
