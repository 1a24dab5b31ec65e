package app.loculus.app;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** A show of 2,000 fixtures that plays, and clients that edit it: what a long day is made of. */
final class LongDay {

    static final int FIXTURES = 2_000;
    private static final ObjectMapper JSON = new ObjectMapper();

    /** Moving, mixing and plain ones, at most thirty a universe, as real rigs have them. */
    private static final String[] TYPES = {
        "Skiff Wash / extended", "Ember Par / 8-slot", "Fathom Profile / standard", "Lantern Beam / 16-slot",
        "Gull Panel / 8-slot", "Skiff Wash / basic", "Ember Par / 6-slot", "Gull Panel / 7-slot crossfade",
        "Bosun Scroller / dimmer + scroller", "House Dimmer / 1-slot"
    };

    /** Lines that are sent as one edit. */
    private static final int TOGETHER = 40;

    private LongDay() {}

    /** Lines that make the show: patched, hung, grouped, with palettes, five lists that fade on all, twenty effects. */
    static List<String> show(int fixtures) {
        List<String> lines = new ArrayList<>();
        int universe = 1;
        int number = 1;
        for (String type : TYPES) {
            for (int left = fixtures / TYPES.length; left > 0; left -= 25) {
                int last = number + Math.min(25, left) - 1;
                lines.add("patch " + number + " thru " + last + " as \"" + type + "\" at " + universe + ".1");
                lines.add("place " + number + " thru " + last + " at -9," + universe % 20 + ",6 thru 9," + universe % 20
                        + ",6");
                // Of the widest fewer than 25 fit into one.
                universe += type.startsWith("Fathom") ? 2 : 1;
                number = last + 1;
            }
        }
        lines.add("mark \"Chair\" at 1, 2, 0");
        for (int i = 1; i <= 20; i++) {
            lines.add((i * fixtures / 25) + " thru " + (i * fixtures / 25 + fixtures / 25 - 1));
            lines.add("record group " + i + " \"Row " + i + "\"");
            lines.add("group " + i + " colour xy 0." + (20 + i) + ", 0.3");
            lines.add("record colour " + i + " \"Shade " + i + "\" replace");
        }
        lines.add("clear all");
        for (int list = 1; list <= 5; list++) {
            lines.add("list " + list + " \"Fades " + list + "\"");
            for (int cue = 1; cue <= 2; cue++) {
                lines.add("all at " + (18 * list + cue) + " colour " + (list + cue));
                lines.add("record cue " + cue + " of list " + list + " in 60 out 60 with intensity with colour");
                lines.add("clear all");
            }
        }
        for (int i = 1; i <= 20; i++) {
            lines.add("group " + i + " sine of dimmer size 30 rate " + (10 + i) + " offset round");
            lines.add("record effect " + i + " \"Swell " + i + "\"");
        }
        return lines;
    }

    /** Everything that clients record anew all day long, once: a day that goes on is measured, not a show that is made. */
    static List<String> filled() {
        List<String> lines = new ArrayList<>();
        lines.add("all at 50 colour xy 0.4, 0.3 pan at 20");
        for (int palette = 100; palette < 140; palette++) {
            lines.add("record colour " + palette + " per fixture replace");
        }
        for (int n = 1; n <= 20; n++) {
            lines.add("record position " + n + " replace");
        }
        for (int group = 20; group < 60; group++) {
            lines.add("record group " + group + " replace");
        }
        for (int cue = 10; cue < 20; cue++) {
            lines.add("record cue " + cue + " of list 1 replace in 3");
        }
        return lines;
    }

    /** What starts all of it. */
    static List<String> going() {
        return List.of("go list 1", "go list 2", "go list 3", "go list 4", "go list 5");
    }

    /** One who edits, and takes the time that each edit takes. */
    static final class Client extends Thread {
        private final HttpClient http = HttpClient.newHttpClient();
        private final String url;
        private final Random random;
        private final int fixtures;
        private final long pauseMillis;
        private final List<Double> millis = new ArrayList<>();
        private final AtomicInteger refused = new AtomicInteger();
        private final List<String> failed = new ArrayList<>();
        private final AtomicInteger done = new AtomicInteger();
        private volatile boolean ends;
        private volatile boolean holds;

        /** @param fixtures how many there are, counted from 1 */
        Client(String url, int fixtures, long seed, long pauseMillis) {
            super("client");
            this.url = url;
            this.fixtures = fixtures;
            this.random = new Random(seed);
            this.pauseMillis = pauseMillis;
        }

        int done() {
            return done.get();
        }

        List<String> failed() {
            synchronized (failed) {
                return List.copyOf(failed);
            }
        }

        /** How long edits took since the last time. */
        List<Double> millis() {
            synchronized (millis) {
                List<Double> all = List.copyOf(millis);
                millis.clear();
                return all;
            }
        }

        /** Whether it waits with the next edit. */
        void hold(boolean on) {
            holds = on;
        }

        void end() throws InterruptedException {
            ends = true;
            join();
        }

        @Override
        public void run() {
            try {
                while (!ends) {
                    if (!holds) {
                        one();
                    }
                    Thread.sleep(pauseMillis);
                }
            } catch (IOException e) {
                synchronized (failed) {
                    failed.add(e.toString());
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        private void one() throws IOException, InterruptedException {
            int kind = random.nextInt(20);
            long begun = System.nanoTime();
            HttpResponse<String> answer = kind == 0
                    ? post(http, url + "/api/shows/1/undo", Map.of("times", 1 + random.nextInt(3)))
                    : kind == 1
                            ? post(http, url + "/api/shows/1/redo", Map.of("times", 1))
                            : post(http, url + "/api/shows/1/line", Map.of("text", line()));
            double took = (System.nanoTime() - begun) / 1e6;
            if (answer.statusCode() == 200) {
                synchronized (millis) {
                    millis.add(took);
                }
                done.incrementAndGet();
            } else if (answer.statusCode() == 422) {
                refused.incrementAndGet();
            } else {
                synchronized (failed) {
                    failed.add(answer.statusCode() + " " + answer.body());
                }
            }
        }

        private String line() {
            int from = 1 + random.nextInt(fixtures - 30);
            String few = from + " thru " + (from + random.nextInt(25));
            int n = 1 + random.nextInt(20);
            String[] lines = {
                "name " + from + " \"Lamp " + random.nextInt(1000) + "\"",
                "note " + few + " \"seen " + random.nextInt(1000) + "\"",
                few + " at " + random.nextInt(101),
                few + " colour " + n,
                few + " pan at " + random.nextInt(90),
                few + " aim at mark \"Chair\"",
                "group " + n + " at 10 thru " + random.nextInt(101),
                "group " + n,
                "all at " + random.nextInt(101),
                "all at 10 thru " + (20 + random.nextInt(80)),
                "all colour " + n,
                "all colour xy 0." + (20 + random.nextInt(25)) + ", 0.3",
                "all zoom at " + random.nextInt(50),
                "record colour " + n + " replace",
                "record colour " + (100 + random.nextInt(40)) + " per fixture replace",
                "record position " + n + " replace",
                "record group " + (20 + random.nextInt(40)) + " replace",
                "record cue " + (10 + random.nextInt(10)) + " of list 1 replace in 3",
                "update colour " + n,
                "group " + n + " effect " + n + " rate " + random.nextInt(60),
                "edit effect " + n + " rate " + (5 + random.nextInt(60)),
                "effects off",
                "shift " + from + " by " + (random.nextInt(3) - 1),
                "swap " + from + " with " + (from + 1),
                "cue 1 in " + (1 + random.nextInt(60)),
                "clear",
                random.nextInt(10) == 0 ? "clear all" : few + " at full"
            };
            return lines[random.nextInt(lines.length)];
        }
    }

    static HttpResponse<String> post(HttpClient http, String url, Object body)
            throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(url))
                        .header("Content-Type", "application/json")
                        .timeout(Duration.ofSeconds(60))
                        .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Makes the show. @return its id */
    static void make(String url, int fixtures) throws IOException, InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        post(http, url + "/api/shows", Map.of("name", "A long day"));
        List<String> lines = show(fixtures);
        for (int i = 0; i < lines.size(); i += TOGETHER) {
            say(http, url, String.join("\n", lines.subList(i, Math.min(lines.size(), i + TOGETHER))));
        }
    }

    static JsonNode say(HttpClient http, String url, String line) throws IOException, InterruptedException {
        HttpResponse<String> answer = post(http, url + "/api/shows/1/line", Map.of("text", line));
        if (answer.statusCode() != 200) {
            throw new IOException(line + ": " + answer.statusCode() + " " + answer.body());
        }
        return JSON.readTree(answer.body());
    }

    /** A page that looks: it takes all that it is told, and asks again for what has changed. */
    static final class Page implements WebSocket.Listener, AutoCloseable {
        private static final List<String> VIEWS = List.of("", "/desk", "/palettes", "/groups", "/play");
        private final HttpClient http;
        private final String url;
        private final AtomicLong frames = new AtomicLong();
        private final AtomicLong latestFrame = new AtomicLong(System.nanoTime());
        private final AtomicLong longestGap = new AtomicLong();
        private final AtomicInteger asking = new AtomicInteger();
        private final AtomicInteger stale = new AtomicInteger();
        private final WebSocket socket;

        Page(HttpClient http, String url) {
            this.http = http;
            this.url = url;
            socket = http.newWebSocketBuilder()
                    .buildAsync(URI.create(url.replace("http", "ws") + "/live"), this)
                    .join();
        }

        long frames() {
            return frames.get();
        }

        /** The longest time between two frames of light, in milliseconds. */
        double longestGap() {
            return longestGap.get() / 1e6;
        }

        @Override
        public CompletionStage<?> onText(WebSocket of, CharSequence text, boolean last) {
            if (last && text.toString().contains("\"changed\"")) {
                stale.set(1);
                ask();
            }
            of.request(1);
            return null;
        }

        /** As pages do: one round of questions at a time, and once more when something has changed meanwhile. */
        private void ask() {
            if (asking.compareAndSet(0, VIEWS.size())) {
                stale.set(0);
                for (String view : VIEWS) {
                    http.sendAsync(
                                    HttpRequest.newBuilder(URI.create(url + "/api/shows/1" + view))
                                            .timeout(Duration.ofSeconds(60))
                                            .build(),
                                    HttpResponse.BodyHandlers.discarding())
                            .whenComplete((answer, failure) -> {
                                if (asking.decrementAndGet() == 0 && stale.get() > 0) {
                                    ask();
                                }
                            });
                }
            }
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket of, ByteBuffer octets, boolean last) {
            if (last) {
                long now = System.nanoTime();
                long gap = now - latestFrame.getAndSet(now);
                if (frames.incrementAndGet() > 1) {
                    longestGap.accumulateAndGet(gap, Math::max);
                }
            }
            of.request(1);
            return null;
        }

        @Override
        public void close() {
            socket.abort();
        }
    }

    /** Shakes hands and never reads. */
    static Socket stalled(String url) throws IOException {
        int port = URI.create(url).getPort();
        Socket socket = new Socket();
        socket.setReceiveBufferSize(4096);
        socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        socket.getOutputStream()
                .write(("GET /live HTTP/1.1\r\nHost: 127.0.0.1:" + port
                                + "\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n"
                                + "Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    /** The value below which so many of a hundred lie; not a number when there are none. */
    static double percentile(List<Double> all, double percent) {
        List<Double> sorted = all.stream().sorted().toList();
        return sorted.isEmpty()
                ? Double.NaN
                : sorted.get((int) Math.min(sorted.size() - 1, Math.ceil(percent / 100 * sorted.size())));
    }
}
