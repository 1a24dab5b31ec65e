package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The packaged application under three clients, all its writes and syncs seen from outside, cut off at random moments: each
 * time it is started on what may lie on the disk then. Run by {@code ./loculus torture --power}.
 */
class PowerIT {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int CLIENTS = 3;
    private static final int FIXTURES_EACH = 40;
    private static final int SECONDS = 25;
    private static final int CUTS_A_RUN = 50;

    @TempDir
    Path folder;

    /** @param seconds when the answer had come */
    private record Acknowledged(int fixture, int number, double seconds) {}

    private static final class Client extends Thread {
        private final HttpClient http = HttpClient.newHttpClient();
        private final String url;
        private final int first;
        private final Random random;
        private final List<Acknowledged> acknowledged = new ArrayList<>();

        Client(String url, int index, long seed) {
            this.url = url;
            this.first = 1 + index * FIXTURES_EACH;
            this.random = new Random(seed);
        }

        @Override
        public void run() {
            int number = 0;
            try {
                while (true) {
                    int fixture = first + random.nextInt(FIXTURES_EACH);
                    number++;
                    String more = new String[] {
                                "",
                                "",
                                "",
                                "",
                                "\nall at " + number % 100,
                                "\nall at 10 thru " + number % 100,
                                "\nrecord group"
                            }
                            [random.nextInt(7)];
                    String text =
                            "name " + fixture + " \"" + number + "\"\nnote " + fixture + " \"" + number + "\"" + more;
                    if (post(http, url + "/api/shows/1/line", Map.of("text", text)) == 200) {
                        acknowledged.add(new Acknowledged(fixture, number, now()));
                    }
                    if (random.nextInt(60) == 0) {
                        post(http, url + "/api/shows/1/versions", Map.of("name", "Version " + number));
                    }
                }
            } catch (IOException killed) {
                // what was asked last may be there or not
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private static double now() {
        Instant now = Instant.now();
        return now.getEpochSecond() + now.getNano() / 1e9;
    }

    private static int post(HttpClient http, String url, Object body) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/json")
                .timeout(Duration.ofSeconds(30))
                .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build();
        return http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
    }

    private static JsonNode get(String url) throws IOException, InterruptedException {
        return JSON.readTree(HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofString())
                .body());
    }

    @Test
    void nothing_acknowledged_is_lost_wherever_power_is_cut() throws Exception {
        long minutes = Long.getLong("loculus.power.minutes", 0);
        assumeTrue(minutes > 0, "run by ./loculus torture --power");
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(minutes);
        long seed = new Random().nextLong();
        Random random = new Random(seed);
        int cuts = 0;
        int acknowledged = 0;
        while (System.nanoTime() < until) {
            Path run = Files.createTempDirectory(folder, "run");
            Path data = Files.createDirectory(run.resolve("data"));
            List<Client> clients = worked(run, data, random);
            Traced traced = new Traced(data).read(run.resolve("trace"));
            double first = clients.stream()
                    .mapToDouble(c -> c.acknowledged.get(0).seconds())
                    .min()
                    .orElseThrow();
            for (int i = 0; i < CUTS_A_RUN && System.nanoTime() < until; i++) {
                double at = first + random.nextDouble() * (traced.ended() - first);
                Path image = Files.createDirectory(run.resolve("cut" + i));
                traced.cut(at, random, image);
                acknowledged = Math.max(acknowledged, check(image, clients, at, "seed " + seed + ", cut " + cuts));
                cuts++;
                delete(image);
            }
            System.out.printf(
                    "%d cuts so far: 0 lost, 0 refused starts; in the last run %d edits were acknowledged and %d syncs seen%n",
                    cuts, clients.stream().mapToInt(c -> c.acknowledged.size()).sum(), traced.syncs());
            delete(run);
        }
        assertThat(cuts).isPositive();
    }

    private static List<Client> worked(Path run, Path data, Random random) throws Exception {
        try (PackagedApplication app = new PackagedApplication(data, Traced.command(run.resolve("trace")))) {
            app.start();
            HttpClient http = HttpClient.newHttpClient();
            post(http, app.url() + "/api/shows", Map.of("name", "Power"));
            post(
                    http,
                    app.url() + "/api/shows/1/line",
                    Map.of("text", "patch 1 thru " + CLIENTS * FIXTURES_EACH + " as \"House Dimmer\" at 1.1"));
            List<Client> clients = new ArrayList<>();
            for (int i = 0; i < CLIENTS; i++) {
                clients.add(new Client(app.url(), i, random.nextLong()));
            }
            clients.forEach(Thread::start);
            Thread.sleep(TimeUnit.SECONDS.toMillis(SECONDS));
            app.kill();
            for (Client client : clients) {
                client.join();
            }
            return clients;
        }
    }

    /** @return how many acknowledged edits were looked for */
    private static int check(Path image, List<Client> clients, double at, String when) throws Exception {
        int looked = 0;
        try (PackagedApplication app = new PackagedApplication(image)) {
            app.start();
            JsonNode fixtures = get(app.url() + "/api/shows/1/patch").get("fixtures");
            for (Client client : clients) {
                int[] last = new int[CLIENTS * FIXTURES_EACH + 1];
                for (Acknowledged a : client.acknowledged) {
                    if (a.seconds() <= at) {
                        last[a.fixture()] = a.number();
                        looked++;
                    }
                }
                for (int fixture = client.first; fixture < client.first + FIXTURES_EACH; fixture++) {
                    JsonNode there = fixtures.get(fixture - 1);
                    String name = there.get("name").asText();
                    assertThat(last[fixture] == 0 || there.get("notes").asText().equals(name))
                            .as("%s: one edit, whole: %s", when, there)
                            .isTrue();
                    int number = name.matches("\\d+") ? Integer.parseInt(name) : 0;
                    assertThat(number)
                            .as("%s: fixture %d after a cut at %f", when, fixture, at)
                            .isGreaterThanOrEqualTo(last[fixture]);
                }
            }
        }
        return looked;
    }

    private static void delete(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(java.util.Comparator.reverseOrder())
                    .forEach(p -> p.toFile().delete());
        }
    }
}
