package app.loculus.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** Edits over HTTP to the packaged application, each synced to the disk before it is answered. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 5)
public class HttpBenchmark {

    private static final Path JAR = Path.of("app/target/loculus.jar");
    private static final long START_MS = 60_000;

    @Param({"500", "2000", "5000"})
    public int fixtures;

    private final HttpClient http = HttpClient.newHttpClient();
    private Process application;
    private String base;
    private int turn;

    @Setup
    public void start() throws IOException, InterruptedException {
        int port;
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        base = "http://127.0.0.1:" + port;
        Path data = Files.createTempDirectory("loculus-bench");
        application = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx384m",
                        "-XX:+UseSerialGC",
                        "-jar",
                        JAR.toString(),
                        "--loculus.data=" + data,
                        "--server.port=" + port,
                        "--loculus.rig-port=0",
                        "--loculus.art-net-port=0")
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        awaitHealth();
        post("/api/shows", "{\"name\":\"Bench\"}");
        LargeShow.lines(fixtures).forEach(this::line);
    }

    private void awaitHealth() throws InterruptedException {
        long until = System.currentTimeMillis() + START_MS;
        while (System.currentTimeMillis() < until) {
            try {
                HttpRequest request = HttpRequest.newBuilder(URI.create(base + "/actuator/health"))
                        .build();
                http.send(request, HttpResponse.BodyHandlers.ofString());
                return;
            } catch (IOException e) {
                Thread.sleep(200);
            }
        }
        throw new IllegalStateException("The application did not start; is " + JAR + " built?");
    }

    private String line(String text) {
        return post("/api/shows/1/line", "{\"text\":\"" + text.replace("\"", "\\\"") + "\"}");
    }

    private String post(String path, String body) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        try {
            HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 300) {
                throw new IllegalStateException(answer.body());
            }
            return answer.body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Goal at 2,000 fixtures: below 120 ms; the cost grows with their number, with a small constant. */
    @Benchmark
    public String setEverybody() {
        turn = turn % fixtures + 1;
        return line("all at " + turn % 100);
    }

    /** Goal: p95 below 40 ms. */
    @Benchmark
    public String setOneValue() {
        turn = turn % fixtures + 1;
        return line(turn + " at " + turn % 100);
    }

    /** Goal: p95 below 40 ms. */
    @Benchmark
    public String moveOneFixture() {
        turn = turn % 1000 + 1;
        return line("patch 401 at " + (900 + turn) + ".1");
    }

    @TearDown
    public void stop() throws InterruptedException {
        application.destroy();
        application.waitFor(20, TimeUnit.SECONDS);
    }
}
