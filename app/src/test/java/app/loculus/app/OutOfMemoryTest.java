package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** When memory runs out, the words that the script gives the virtual machine really appear. */
class OutOfMemoryTest {

    @TempDir
    Path folder;

    @Test
    void its_end_is_told_in_words() throws Exception {
        Files.writeString(
                folder.resolve("Hog.java"),
                "import java.util.*; class Hog { public static void main(String[] a) { List<byte[]> all = new ArrayList<>(); "
                        + "while (true) { all.add(new byte[1 << 20]); } } }");
        Path script = Path.of("..", "loculus").toAbsolutePath().normalize();
        String run = "eval \"$(grep '^out_of_memory=' '" + script + "')\"; exec '"
                + Path.of(System.getProperty("java.home"), "bin", "java")
                + "' -Xmx64m \"${out_of_memory[@]}\" '" + folder.resolve("Hog.java") + "'";
        Process process =
                new ProcessBuilder("bash", "-c", run).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(said)
                .contains(
                        "Loculus ran out of memory and ended. Everything that was acknowledged is kept. Start it again.");
        assertThat(process.exitValue()).isNotZero();
    }
}
