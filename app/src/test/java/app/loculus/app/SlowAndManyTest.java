package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whoever sends slowly, or asks for much, keeps no edit waiting. */
class SlowAndManyTest {

    /** More than there are threads. */
    private static final int SLOW = 230;

    @TempDir
    Path data;

    private RunningApplication app;
    private final List<Socket> sockets = new ArrayList<>();

    @BeforeEach
    void start() {
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Many"));
        app.line(1, "patch 1 thru 20 as \"House Dimmer\" at 1.1");
    }

    @AfterEach
    void stop() throws IOException {
        for (Socket socket : sockets) {
            socket.close();
        }
        app.close();
    }

    private Socket open(String head) throws IOException {
        Socket socket = new Socket(
                InetAddress.getLoopbackAddress(), URI.create(app.base()).getPort());
        socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
        sockets.add(socket);
        return socket;
    }

    private String head(String more) {
        return "POST /api/shows/1/line HTTP/1.1\r\nHost: 127.0.0.1:"
                + URI.create(app.base()).getPort() + "\r\nContent-Type: application/json\r\n" + more;
    }

    private double edit(int i) {
        long begun = System.nanoTime();
        app.line(1, "name 1 \"Lamp " + i + "\"");
        return (System.nanoTime() - begun) / 1e6;
    }

    @Test
    void bodies_that_never_come_hold_no_thread() throws IOException {
        for (int i = 0; i < SLOW; i++) {
            open(head("Content-Length: 500\r\n\r\n{"));
        }
        // None of them is ever answered before its time; with a thread each this would wait for all of them.
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            millis.add(edit(i));
        }
        assertThat(millis).allMatch(m -> m < TimeUnit.SECONDS.toMillis(8));
        assertThat(app.get("/api/shows/1/patch")
                        .get("fixtures")
                        .get(0)
                        .get("name")
                        .asText())
                .isEqualTo("Lamp 9");
    }

    @Test
    void one_that_trickles_is_told_that_it_was_too_slow_and_nothing_was_done() throws Exception {
        Socket slow = open(head("Content-Length: 500\r\n\r\n{\"text\":\"name 1 \\\"Slow\\\"\"}"));
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(40);
        InputStream in = slow.getInputStream();
        while (in.available() == 0 && System.nanoTime() < until) {
            slow.getOutputStream().write(' ');
            Thread.sleep(500);
        }
        byte[] answer = new byte[in.available()];
        assertThat(in.read(answer)).isPositive();
        assertThat(new String(answer, StandardCharsets.UTF_8)).startsWith("HTTP/1.1 408");
        assertThat(app.get("/api/shows/1/patch")
                        .get("fixtures")
                        .get(0)
                        .get("name")
                        .asText())
                .isEqualTo("House Dimmer 1");
    }

    @Test
    void headers_that_do_not_end_are_hung_up_on() throws Exception {
        Socket slow = open("GET /api/shows HTTP/1.1\r\nHost: localhost\r\nX-Slow: ");
        long begun = System.nanoTime();
        boolean open = true;
        while (open && System.nanoTime() - begun < TimeUnit.SECONDS.toNanos(40)) {
            try {
                slow.getOutputStream().write('a');
                Thread.sleep(500);
            } catch (IOException closed) {
                open = false;
            }
        }
        assertThat(open).isFalse();
    }

    @Test
    void a_body_in_pieces_is_taken_as_a_whole_one() throws Exception {
        String body = "{\"text\":\"name 2 \\\"Pieces\\\"\"}";
        Socket socket = open(head("Transfer-Encoding: chunked\r\nConnection: close\r\n\r\n"));
        for (int i = 0; i < body.length(); i++) {
            String piece = body.substring(i, i + 1);
            socket.getOutputStream().write(("1\r\n" + piece + "\r\n").getBytes(StandardCharsets.US_ASCII));
            Thread.sleep(i % 7 == 0 ? 20 : 0);
        }
        socket.getOutputStream().write("0\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
        assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                .startsWith("HTTP/1.1 200");
        assertThat(app.get("/api/shows/1/patch")
                        .get("fixtures")
                        .get(1)
                        .get("name")
                        .asText())
                .isEqualTo("Pieces");
    }

    @Test
    void one_that_is_too_large_is_refused_in_words_whatever_its_header_says() throws Exception {
        Socket socket = open(head("Transfer-Encoding: chunked\r\nConnection: close\r\n\r\n"));
        byte[] piece = ("100000\r\n" + " ".repeat(1 << 20) + "\r\n").getBytes(StandardCharsets.US_ASCII);
        try {
            for (int i = 0; i < 12; i++) {
                socket.getOutputStream().write(piece);
            }
        } catch (IOException hungUp) {
            // it need not read on
        }
        assertThat(app.send("POST", "/api/shows/1/line", Map.of("text", " ".repeat(9 << 20)))
                        .statusCode())
                .isEqualTo(413);
    }

    @Test
    void whoever_waits_for_an_answer_is_answered() throws Exception {
        List<Thread> asking = new ArrayList<>();
        List<Integer> answers = java.util.Collections.synchronizedList(new ArrayList<>());
        for (int i = 0; i < 40; i++) {
            String path = i % 2 == 0 ? "/api/shows/1/patch" : "/api/shows/1/desk";
            Thread thread =
                    new Thread(() -> answers.add(app.send("GET", path, null).statusCode()));
            asking.add(thread);
            thread.start();
        }
        for (Thread thread : asking) {
            thread.join(TimeUnit.SECONDS.toMillis(30));
        }
        assertThat(answers).hasSize(40).containsOnly(200);
    }
}
