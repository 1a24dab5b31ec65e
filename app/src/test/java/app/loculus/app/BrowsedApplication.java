package app.loculus.app;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The packaged application for a class of browser tests. All classes of a run share the process, so that what it has
 * loaded and compiled counts for the next one too; a kill ends it without a goodbye, and the next start begins another.
 */
final class BrowsedApplication implements AutoCloseable {

    /** The process that starts it, and how it is spoken to. */
    private record Host(Process process, PrintStream asks, BufferedReader answers) {

        static Host begun() {
            List<String> command = new ArrayList<>(PackagedApplication.machine(PackagedApplication.FOR_TESTS));
            Path jar = PackagedApplication.jar();
            Path tests = Path.of("target", "test-classes").toAbsolutePath();
            command.addAll(List.of("-cp", jar + File.pathSeparator + tests, StartedAgain.class.getName()));
            try {
                Process process = new ProcessBuilder(command)
                        .redirectError(ProcessBuilder.Redirect.appendTo(
                                jar.resolveSibling("browsed.log").toFile()))
                        .start();
                return new Host(
                        process,
                        new PrintStream(process.getOutputStream(), true, StandardCharsets.UTF_8),
                        new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        void told(List<String> flags) {
            try {
                asks.println(String.join("\t", flags));
                if (answers.readLine() == null) {
                    throw new IllegalStateException("The application ended; browsed.log beside its jar says why.");
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private static Host host;

    private final Path data;
    private final int port = PackagedApplication.freePort();

    BrowsedApplication(Path data) {
        this.data = data;
    }

    String url() {
        return "http://localhost:" + port;
    }

    /** Ends what runs in the process and starts it on this folder; answered when its pages can be had. */
    void start(String... more) {
        if (host == null) {
            host = Host.begun();
        }
        List<String> flags = new ArrayList<>(PackagedApplication.flags(data, port));
        flags.addAll(List.of(more));
        host.told(flags);
    }

    /** As if the plug was pulled: no goodbye of any kind. */
    void kill() {
        PackagedApplication.kill(host.process());
        host = null;
    }

    @Override
    public void close() {
        if (host != null) {
            host.told(List.of());
        }
    }
}
