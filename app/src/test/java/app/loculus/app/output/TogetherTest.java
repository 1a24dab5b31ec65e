package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketTimeoutException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Universes with one synchronisation address, as a receiver sees them that reads its octets by hand. */
class TogetherTest {

    private static final int SYNC = 7000;
    private static final int UNIVERSES = 3;

    @TempDir
    Path data;

    /** What stands on stage at each synchronisation packet: the first slot of each universe, by number. */
    private static final class Stage {
        private final Map<Integer, Integer> waiting = new HashMap<>();
        private final Map<Integer, Integer> shown = new TreeMap<>();
        private final List<Map<Integer, Integer>> states = new ArrayList<>();
        private int beats;
        private int wrongNumbers;
        private int last = -1;

        void take(byte[] octets) {
            boolean extended = octets[21] == 8;
            if (extended && octets[43] == 1) {
                assertThat((octets[45] & 0xFF) << 8 | octets[46] & 0xFF).isEqualTo(SYNC);
                int number = octets[44] & 0xFF;
                wrongNumbers += last >= 0 && number != (last + 1 & 0xFF) ? 1 : 0;
                last = number;
                beats++;
                shown.putAll(waiting);
                waiting.clear();
                states.add(new TreeMap<>(shown));
            } else if (!extended) {
                assertThat((octets[109] & 0xFF) << 8 | octets[110] & 0xFF).isEqualTo(SYNC);
                assertThat(octets[112] & 0x20)
                        .as("goes on when nobody synchronises")
                        .isEqualTo(0x20);
                waiting.put((octets[113] & 0xFF) << 8 | octets[114] & 0xFF, octets[126] & 0xFF);
            }
        }
    }

    private static void drain(DatagramSocket socket, Stage stage, int millis) throws IOException {
        byte[] buffer = new byte[1500];
        socket.setSoTimeout(millis);
        try {
            while (true) {
                DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
                socket.receive(datagram);
                stage.take(Arrays.copyOf(buffer, datagram.getLength()));
            }
        } catch (SocketTimeoutException quiet) {
            // all that was on its way has come
        }
    }

    @Test
    void they_are_never_seen_apart() throws Exception {
        try (DatagramSocket node = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
                RunningApplication app = new RunningApplication(data)) {
            node.setReceiveBufferSize(1 << 20);
            app.json("POST", "/api/shows", Map.of("name", "Together"));
            for (int u = 1; u <= UNIVERSES; u++) {
                app.line(1, "patch " + u + " as \"House Dimmer\" at " + u + ".1");
                app.line(1, "patch 1" + u + " as \"House Dimmer\" at " + u + ".2");
            }
            app.line(
                    1, "universe 1 thru 3 sync 7000 to unicast \"127.0.0.1:" + node.getLocalPort() + "\" as \"Nodes\"");
            Stage stage = new Stage();
            drain(node, stage, 300);
            stage.states.clear();
            Random random = new Random(8);
            for (int i = 0; i < 120; i++) {
                // One alone, so that it may go again only later than the others.
                app.line(1, "1" + (1 + random.nextInt(UNIVERSES)) + " at " + random.nextInt(101));
                app.line(1, "1 thru 3 at " + random.nextInt(101));
                // What nobody takes for long a full buffer drops, and that would look like a number left out.
                drain(node, stage, 1);
                Thread.sleep(random.nextInt(60));
            }
            app.line(1, "1 thru 3 at 80");
            drain(node, stage, 300);
            long apart = stage.states.stream()
                    .filter(s -> s.size() == UNIVERSES)
                    .filter(s -> new HashSet<>(s.values()).size() > 1)
                    .count();
            assertThat(stage.beats).isGreaterThan(60);
            assertThat(apart).isZero();
            assertThat(stage.wrongNumbers).isZero();
            assertThat(stage.states.get(stage.states.size() - 1).values()).containsOnly(204);
            assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isBetween(0.79, 0.81);
        }
    }
}
