package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The packaged application, killed at random moments under several clients. The law: what was acknowledged is there, what
 * was not is not half there, what is shown equals what is stored. One round here; {@code ./loculus torture} for longer.
 */
class TortureIT {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int CLIENTS = 4;
    private static final int FIXTURES_EACH = 30;
    private static final int ROUNDS = 1;

    @TempDir
    Path data;

    /** One client writes pairs: name and note of one fixture in one edit, so that half an edit would show. */
    private final class Client extends Thread {
        private final HttpClient http = HttpClient.newHttpClient();
        private final int first;
        private final Random random;
        private final String url;
        private final Map<Integer, Integer> acknowledged = new LinkedHashMap<>();
        private int asked;
        private int askedFor;

        Client(int index, long seed, String url, Map<Integer, Integer> known, int from) {
            this.first = 1 + index * FIXTURES_EACH;
            this.random = new Random(seed);
            this.url = url;
            acknowledged.putAll(known);
            asked = from;
        }

        @Override
        public void run() {
            try {
                while (true) {
                    askedFor = first + random.nextInt(FIXTURES_EACH);
                    asked++;
                    String text = random.nextInt(10) == 0
                            ? "all at " + asked % 100 + "\nname " + askedFor + " \"" + asked + "\"\nnote " + askedFor
                                    + " \"" + asked + "\""
                            : "name " + askedFor + " \"" + asked + "\"\nnote " + askedFor + " \"" + asked + "\"";
                    if (post(http, url + "/api/shows/1/line", Map.of("text", text)) == 200) {
                        acknowledged.put(askedFor, asked);
                    }
                }
            } catch (IOException killed) {
                // what was asked last may be there or not
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private static int post(HttpClient http, String url, Object body) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/json")
                .timeout(Duration.ofSeconds(20))
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
    void nothing_acknowledged_is_lost_however_often_it_is_killed() throws Exception {
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(Long.getLong("loculus.torture.minutes", 0));
        Random random = new Random();
        long seed = random.nextLong();
        random.setSeed(seed);
        try (PackagedApplication app = new PackagedApplication(data)) {
            app.start();
            HttpClient http = HttpClient.newHttpClient();
            post(http, app.url() + "/api/shows", Map.of("name", "Torture"));
            int patched = post(
                    http,
                    app.url() + "/api/shows/1/line",
                    Map.of("text", "patch 1 thru " + CLIENTS * FIXTURES_EACH + " as \"House Dimmer\" at 1.1"));
            assertThat(patched).isEqualTo(200);
            List<Map<Integer, Integer>> known = new ArrayList<>();
            int[] asked = new int[CLIENTS];
            for (int i = 0; i < CLIENTS; i++) {
                known.add(new LinkedHashMap<>());
            }
            for (int round = 0; round < ROUNDS || System.nanoTime() < until; round++) {
                List<Client> clients = new ArrayList<>();
                for (int i = 0; i < CLIENTS; i++) {
                    clients.add(new Client(i, random.nextLong(), app.url(), known.get(i), asked[i]));
                }
                clients.forEach(Thread::start);
                Thread.sleep(500 + random.nextInt(2500));
                app.kill();
                for (Client client : clients) {
                    client.join();
                }
                app.start();
                check(app.url(), clients, "seed " + seed + ", round " + round);
                for (int i = 0; i < CLIENTS; i++) {
                    known.set(i, clients.get(i).acknowledged);
                    asked[i] = clients.get(i).asked;
                }
            }
        }
    }

    private void check(String url, List<Client> clients, String when) throws IOException, InterruptedException {
        JsonNode fixtures = get(url + "/api/shows/1/patch").get("fixtures");
        for (Client client : clients) {
            for (Map.Entry<Integer, Integer> kept : client.acknowledged.entrySet()) {
                JsonNode fixture = fixtures.get(kept.getKey() - 1);
                String name = fixture.get("name").asText();
                assertThat(fixture.get("notes").asText())
                        .as("%s: one edit, whole", when)
                        .isEqualTo(name);
                boolean last = kept.getKey() == client.askedFor && name.equals(String.valueOf(client.asked));
                assertThat(last || name.equals(String.valueOf(kept.getValue())))
                        .as(
                                "%s: fixture %d was acknowledged as %d and is %s",
                                when, kept.getKey(), kept.getValue(), name)
                        .isTrue();
                if (last) {
                    client.acknowledged.put(kept.getKey(), client.asked);
                }
            }
        }
    }

    @Test
    void a_second_one_on_the_same_folder_is_refused_in_words_and_the_first_goes_on() throws Exception {
        try (PackagedApplication first = new PackagedApplication(data);
                PackagedApplication second = new PackagedApplication(data)) {
            first.start();
            HttpClient http = HttpClient.newHttpClient();
            assertThat(post(http, first.url() + "/api/shows", Map.of("name", "Ours")))
                    .isEqualTo(201);
            assertThatThrownBy(second::start).isInstanceOf(IllegalStateException.class);
            assertThat(data.resolve("loculus.log"))
                    .content()
                    .contains("Another Loculus has this data folder open.")
                    .contains("choose another folder with --data DIR");
            assertThat(post(
                            http,
                            first.url() + "/api/shows/1/line",
                            Map.of("text", "patch 1 as \"House Dimmer\" at 1.1")))
                    .isEqualTo(200);
        }
    }
}
