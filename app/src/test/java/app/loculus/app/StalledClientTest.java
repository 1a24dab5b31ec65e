package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A page that takes nothing holds up nobody, and is closed. */
class StalledClientTest {

    @TempDir
    Path data;

    /** Counts frames and keeps words. */
    private static final class Listener implements WebSocket.Listener {
        private final AtomicInteger frames = new AtomicInteger();
        private final BlockingQueue<String> words = new LinkedBlockingQueue<>();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence text, boolean last) {
            words.add(text.toString());
            socket.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket socket, ByteBuffer bytes, boolean last) {
            frames.addAndGet(last ? 1 : 0);
            socket.request(1);
            return null;
        }
    }

    /** Shakes hands and then never reads. */
    private static Socket stalled(URI base) throws IOException {
        Socket socket = new Socket();
        socket.setReceiveBufferSize(4096);
        socket.connect(new InetSocketAddress("127.0.0.1", base.getPort()));
        socket.getOutputStream()
                .write(("GET /live HTTP/1.1\r\nHost: 127.0.0.1:" + base.getPort()
                                + "\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n"
                                + "Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    /** Whether the other side has hung up, found out without reading: writing to it fails. */
    private static boolean reset(Socket socket) {
        try {
            socket.getOutputStream().write(new byte[] {(byte) 0x8A, (byte) 0x80, 0, 0, 0, 0});
            return false;
        } catch (IOException e) {
            return true;
        }
    }

    private static boolean ended(Socket socket) {
        try {
            socket.setSoTimeout(200);
            InputStream in = socket.getInputStream();
            byte[] some = new byte[1 << 16];
            while (in.read(some) >= 0) {
                // what was sent before
            }
            return true;
        } catch (java.net.SocketTimeoutException e) {
            return false;
        } catch (IOException e) {
            return true;
        }
    }

    @Test
    void one_that_reads_nothing_is_closed_while_the_others_are_told_at_once() throws Exception {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Stalled"));
            app.line(1, "patch 1 thru 1500 as \"House Dimmer\" at 1.1");
            URI base = URI.create(app.base());
            Listener good = new Listener();
            HttpClient.newHttpClient()
                    .newWebSocketBuilder()
                    .buildAsync(URI.create(app.base().replace("http", "ws") + "/live"), good)
                    .join();
            try (Socket stalled = stalled(base)) {
                long slowest = 0;
                long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(25);
                boolean closed = false;
                for (int i = 0; !closed && System.nanoTime() < until; i++) {
                    good.words.clear();
                    long asked = System.nanoTime();
                    app.line(1, "all at " + (10 + i % 80));
                    assertThat(good.words.poll(5, TimeUnit.SECONDS)).isNotNull();
                    slowest = Math.max(slowest, System.nanoTime() - asked);
                    closed = i % 40 == 39 && reset(stalled);
                }
                assertThat(good.frames.get()).isGreaterThan(30);
                assertThat(slowest).isLessThan(TimeUnit.SECONDS.toNanos(4));
                assertThat(closed || ended(stalled)).as("dropped means closed").isTrue();
            }
        }
    }
}
