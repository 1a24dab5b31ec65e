package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.MulticastSocket;
import java.net.NetworkInterface;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where universes go once somebody has chosen and named a target. */
class RoutesTest {

    private static final int PATIENCE_MS = 4000;

    @TempDir
    Path data;

    private static DataPacket until(DatagramSocket socket, Predicate<DataPacket> wanted) throws IOException {
        while (true) {
            byte[] buffer = new byte[DataPacketLayout.LONGEST];
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            socket.receive(datagram);
            DataPacket packet =
                    DataPacketLayout.decode(buffer, datagram.getLength()).orElseThrow();
            if (wanted.test(packet)) {
                return packet;
            }
        }
    }

    @Test
    void a_universe_goes_out_under_its_number_with_its_priority_until_it_is_switched_off() throws IOException {
        try (DatagramSocket node = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
                RunningApplication app = new RunningApplication(data)) {
            node.setSoTimeout(PATIENCE_MS);
            app.json("POST", "/api/shows", Map.of("name", "Out"));
            app.line(1, "patch 1 as \"House Dimmer\" at 3.1\n1 at full");
            app.line(
                    1,
                    "universe 3 number 12 priority 120 to unicast \"127.0.0.1:" + node.getLocalPort()
                            + "\" as \"Node left\"");
            DataPacket packet = until(node, p -> !p.terminates());
            assertThat(packet.universe()).isEqualTo(12);
            assertThat(packet.priority()).isEqualTo(120);
            assertThat(packet.slots()[0] & 0xFF).isEqualTo(255);
            assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isEqualTo(1);
            app.line(1, "universe 3 off");
            assertThat(until(node, DataPacket::terminates).universe()).isEqualTo(12);
            assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isZero();
        }
    }

    @Test
    void a_universe_can_be_multicast_on_an_interface() throws IOException {
        try (MulticastSocket listener = new MulticastSocket(null)) {
            listener.setReuseAddress(true);
            listener.bind(new InetSocketAddress(5568));
            listener.setSoTimeout(PATIENCE_MS);
            NetworkInterface loopback = NetworkInterface.getByInetAddress(InetAddress.getLoopbackAddress());
            listener.joinGroup(Destinations.group(77), loopback);
            try (RunningApplication app = new RunningApplication(data)) {
                app.json("POST", "/api/shows", Map.of("name", "Out"));
                app.line(1, "patch 1 as \"House Dimmer\" at 77.1");
                app.line(1, "universe 77 to multicast as \"This machine\"");
                assertThat(until(listener, p -> p.universe() == 77).priority()).isEqualTo(100);
            }
        }
    }

    @Test
    void an_interface_that_is_not_there_is_trouble_in_words() throws InterruptedException {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Out"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1");
            app.line(1, "universe 1 to multicast \"192.0.2.1\" as \"Away\"");
            for (int i = 0; i < 50 && trouble(app).isEmpty(); i++) {
                Thread.sleep(40);
            }
            assertThat(trouble(app)).contains("does not go to “Away”").contains("192.0.2.1");
        }
    }

    private static String trouble(RunningApplication app) {
        return app.get("/api/output").get("trouble").asText();
    }

    @Test
    void multicast_groups_are_those_of_the_standard() throws IOException {
        assertThat(Destinations.group(1).getAddress().getHostAddress()).isEqualTo("239.255.0.1");
        assertThat(Destinations.group(63999).getAddress().getHostAddress()).isEqualTo("239.255.249.255");
    }

    /** Everything a show can come from: a file, a version of it, another show, a template. */
    @Test
    void what_was_not_switched_on_here_sends_nothing_wherever_the_show_comes_from() throws Exception {
        try (DatagramSocket node = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
                RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Elsewhere"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1\n1 at full");
            app.line(1, "universe 1 to unicast \"127.0.0.1:" + node.getLocalPort() + "\" as \"Node\"");
            app.json("POST", "/api/shows/1/versions", Map.of("name", "sends"));
            long template = app.json("POST", "/api/shows/1/template", Map.of("name", "House"))
                    .get("id")
                    .asLong();
            byte[] file = app.octets("/api/shows/1/file");
            app.line(1, "universe 1 off");
            app.json("POST", "/api/shows", Map.of("name", "Nothing"));
            node.setSoTimeout(600);
            drain(node);

            app.upload("/api/shows/file", "show.loculus", file);
            long taken = app.get("/api/shows").get(3).get("id").asLong();

            silent(node);
            long version = app.get("/api/shows/" + taken + "/versions")
                    .get(0)
                    .get("id")
                    .asLong();
            assertThat(app.json("POST", "/api/shows/" + taken + "/versions/" + version + "/restore", null)
                            .toString())
                    .contains("Universe 1 is off: where that goes was not switched on here");
            silent(node);
            app.json("POST", "/api/shows", Map.of("name", "From template", "from", template));
            silent(node);
            app.json("POST", "/api/shows", Map.of("name", "As a copy", "from", taken));
            silent(node);
            app.json("POST", "/api/shows/1/live", null);
            app.json("POST", "/api/shows/1/versions/1/restore", null);
            silent(node);

            app.line(1, "universe 1 on");
            node.setSoTimeout(PATIENCE_MS);
            assertThat(until(node, p -> !p.terminates()).slots()[0] & 0xFF).isEqualTo(255);
            app.json("POST", "/api/shows/1/versions/1/restore", null);
            app.line(1, "1 at 50");
            assertThat(until(node, p -> (p.slots()[0] & 0xFF) == 128).universe())
                    .as("what sends goes on sending")
                    .isEqualTo(1);
        }
    }

    private static void drain(DatagramSocket node) throws IOException {
        try {
            until(node, p -> false);
        } catch (java.net.SocketTimeoutException quiet) {
            // nothing is under way any more
        }
    }

    private static void silent(DatagramSocket node) throws IOException {
        try {
            DataPacket packet = until(node, p -> true);
            throw new AssertionError("A packet was sent: universe " + packet.universe());
        } catch (java.net.SocketTimeoutException quiet) {
            // as it should be
        }
    }
}
