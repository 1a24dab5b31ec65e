package app.loculus.app;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** The packaged jar as a process of its own, which can be killed. */
final class PackagedApplication implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(90);

    /** Memory and compiler as {@code ./loculus start} sets them. */
    static final List<String> AS_STARTED = List.of(
            "-Xmx384m",
            "-XX:+UseSerialGC",
            "-XX:Tier4InvocationThreshold=50000",
            "-XX:Tier4MinInvocationThreshold=10000",
            "-XX:Tier4CompileThreshold=100000",
            "-XX:Tier4BackEdgeThreshold=500000");

    /** It ends before the optimising compiler has paid. */
    static final List<String> FOR_TESTS = List.of("-Xmx384m", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");

    private final Path data;
    private final List<String> under;
    private final List<String> machine;
    private final int port = freePort();
    private Process process;

    PackagedApplication(Path data) {
        this(data, List.of());
    }

    /** @param under a command that runs it, and looks on */
    PackagedApplication(Path data, List<String> under) {
        this(data, under, FOR_TESTS);
    }

    /** @param machine flags of the virtual machine */
    PackagedApplication(Path data, List<String> under, List<String> machine) {
        this.data = data;
        this.under = List.copyOf(under);
        this.machine = List.copyOf(machine);
    }

    long pid() {
        return process.pid();
    }

    String url() {
        return "http://localhost:" + port;
    }

    void start(String... flags) {
        List<String> command = new ArrayList<>(under);
        command.addAll(machine(machine));
        command.addAll(List.of("-jar", jar().toString()));
        command.addAll(flags(data, port));
        command.addAll(List.of(flags));
        try {
            process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(new File(data.toFile(), "loculus.log")))
                    .start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        awaitHealth();
    }

    static Path jar() {
        return Path.of(System.getProperty("loculus.jar"));
    }

    /** The virtual machine with these flags, the classes it has read before, and what was wired when it was built. */
    static List<String> machine(List<String> flags) {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(flags);
        command.add("-XX:SharedArchiveFile=" + jar().resolveSibling("classes.jsa"));
        command.add("-Dspring.aot.enabled=true");
        command.add("-Dspring.config.location=classpath:/application.properties");
        return command;
    }

    /** On this folder and port; the rig and its node where there is room. */
    static List<String> flags(Path data, int port) {
        return List.of(
                "--loculus.data=" + data, "--server.port=" + port, "--loculus.rig-port=0", "--loculus.art-net-port=0");
    }

    private void awaitHealth() {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (!healthy()) {
            if (System.nanoTime() > until || !process.isAlive()) {
                throw new IllegalStateException("The application did not start; its log is in " + data);
            }
            sleep();
        }
    }

    private boolean healthy() {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(url() + "/actuator/health"))
                    .build();
            return HttpClient.newHttpClient()
                            .send(request, HttpResponse.BodyHandlers.ofString())
                            .statusCode()
                    == 200;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** As if the plug was pulled: no goodbye of any kind. */
    void kill() {
        kill(process);
    }

    static void kill(Process process) {
        process.descendants().forEach(ProcessHandle::destroyForcibly);
        process.destroyForcibly();
        try {
            process.waitFor(20, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void sleep() {
        try {
            Thread.sleep(200);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        kill();
    }
}
