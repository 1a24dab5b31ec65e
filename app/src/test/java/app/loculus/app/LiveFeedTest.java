package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.net.http.WebSocketHandshakeException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a browser is told. */
class LiveFeedTest {

    private static final int OCTETS = 36;

    @TempDir
    Path data;

    private RunningApplication app;
    private final BlockingQueue<String> texts = new LinkedBlockingQueue<>();
    private final BlockingQueue<ByteBuffer> frames = new LinkedBlockingQueue<>();

    private final class Listener implements WebSocket.Listener {
        private final java.io.ByteArrayOutputStream part = new java.io.ByteArrayOutputStream();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence text, boolean last) {
            texts.add(text.toString());
            socket.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket socket, ByteBuffer bytes, boolean last) {
            byte[] got = new byte[bytes.remaining()];
            bytes.get(got);
            part.writeBytes(got);
            if (last) {
                frames.add(ByteBuffer.wrap(part.toByteArray()).order(ByteOrder.LITTLE_ENDIAN));
                part.reset();
            }
            socket.request(1);
            return null;
        }
    }

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Live"));
        app.line(1, "patch 7 as \"Skiff Wash / extended\" at 3.1\nplace 7 at 1,2,6");
    }

    @AfterEach
    void stop() {
        app.close();
    }

    private WebSocket connect(String origin) {
        String url = app.base().replace("http://", "ws://") + "/live";
        return HttpClient.newHttpClient()
                .newWebSocketBuilder()
                .header("Origin", origin)
                .buildAsync(URI.create(url), new Listener())
                .join();
    }

    /** The record of fixture 7 in a frame that passes. */
    private ByteBuffer part(Predicate<ByteBuffer> wanted) throws InterruptedException {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(10);
        while (System.nanoTime() < until) {
            ByteBuffer frame = frames.poll(10, TimeUnit.SECONDS);
            Assertions.assertThat(frame).as("a frame within ten seconds").isNotNull();
            for (int at = 0; at < frame.limit(); at += OCTETS) {
                ByteBuffer part = frame.slice(at, OCTETS).order(ByteOrder.LITTLE_ENDIAN);
                if (part.getInt(0) == 7 && wanted.test(part)) {
                    return part;
                }
            }
        }
        throw new AssertionError("no such frame");
    }

    @Test
    void changes_come_as_words_and_light_as_octets() throws Exception {
        WebSocket socket = connect(app.base());
        part(p -> true);
        app.line(1, "7 at full pan at 90 tilt at 45 colour xy 0.25, 0.39");
        JsonNode changed = new ObjectMapper().readTree(texts.poll(5, TimeUnit.SECONDS));
        assertThat(changed.get("type").asText()).isEqualTo("changed");
        assertThat(changed.get("views").toString())
                .contains("desk")
                .contains("effects")
                .doesNotContain("pages");
        ByteBuffer lit = part(p -> p.getFloat(12) > 0.99);
        assertThat(lit.getFloat(16)).isBetween(89.9f, 90.1f);
        assertThat(lit.getFloat(20)).isBetween(44.9f, 45.1f);
        assertThat(lit.get(8) & 0xFF).as("green of verdigris").isEqualTo(255);
        assertThat(lit.get(6) & 1).as("lands").isEqualTo(1);
        assertThat(lit.getFloat(28)).as("six metres to the left of its place").isBetween(-5.1f, -4.9f);
        socket.abort();
    }

    @Test
    void a_cue_is_foreseen_octet_for_octet_as_it_comes_when_it_is_played() throws Exception {
        app.line(1, "7 at 60 pan at 90 tilt at 45 colour xy 0.25, 0.39");
        app.line(1, "record cue 1 \"Low\"");
        app.line(1, "7 at 100 pan at 0");
        String cue = "/api/shows/1/cues/" + app.get("/api/shows/1/looks").at("/lists/0/cues/0/id") + "/light";
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(app.base() + cue)).build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.headers().firstValue("content-type")).hasValue("application/octet-stream");
        ByteBuffer foreseen = ByteBuffer.wrap(answer.body()).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(foreseen.getFloat(12)).isBetween(.59f, .61f);
        app.line(1, "clear all");
        app.line(1, "go");
        connect(app.base());
        assertThat(part(p -> p.equals(foreseen.slice(0, OCTETS))))
                .as("comes so")
                .isNotNull();
    }

    @Test
    void a_browser_that_comes_late_gets_everything_at_once() throws Exception {
        app.line(1, "7 at full");
        connect(app.base());
        assertThat(part(p -> p.getFloat(12) > 0.99).getInt(0)).isEqualTo(7);
    }

    @Test
    void the_light_of_another_show_comes_whole_after_the_words_that_it_is_live() throws Exception {
        app.line(1, "7 at full");
        connect(app.base());
        part(p -> p.getFloat(12) > 0.99);
        app.line(1, "7 at 90");
        part(p -> p.getFloat(12) < 0.95);
        Thread.sleep(300);
        frames.clear();
        texts.clear();
        long other = app.json("POST", "/api/shows", Map.of("name", "Alike", "from", 1))
                .get("id")
                .asLong();
        app.json("POST", "/api/shows/" + other + "/live", Map.of());
        assertThat(part(p -> p.getFloat(12) > 0.8).getInt(0)).isEqualTo(7);
        assertThat(texts).anyMatch(t -> t.contains("\"live\":true"));
    }

    @Test
    void other_pages_may_not_listen() {
        Assertions.assertThatThrownBy(() -> connect("http://elsewhere.example"))
                .isInstanceOf(CompletionException.class)
                .hasCauseInstanceOf(WebSocketHandshakeException.class);
    }
}
