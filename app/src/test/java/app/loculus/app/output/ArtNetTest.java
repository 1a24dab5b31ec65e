package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Universes by Art-Net, against a node that writes and reads its octets by hand. */
class ArtNetTest {

    private static final int PATIENCE_MS = 6000;

    @TempDir
    Path data;

    private DatagramSocket node;
    private RunningApplication app;
    private volatile boolean polled;

    /** What the node takes; -1 where it does not answer. */
    private volatile int takes = -1;

    @BeforeEach
    void start() throws IOException {
        node = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        node.setReceiveBufferSize(1 << 20);
        app = new RunningApplication(data);
        app.json("POST", "/api/shows", Map.of("name", "Nodes"));
        app.line(1, "patch 1 as \"House Dimmer\" at 3.1\n1 at full");
    }

    @AfterEach
    void stop() {
        app.close();
        node.close();
    }

    private static boolean is(byte[] octets, int code) {
        return new String(octets, 0, 8, StandardCharsets.US_ASCII).equals("Art-Net\0")
                && octets[8] == 0
                && octets[9] == code
                && octets[11] == 14;
    }

    private static int portAddress(byte[] octets) {
        return octets[15] << 8 | octets[14] & 0xFF;
    }

    private byte[] reply() {
        byte[] out = new byte[239];
        System.arraycopy("Art-Net\0".getBytes(StandardCharsets.US_ASCII), 0, out, 0, 8);
        out[9] = 0x21;
        out[18] = (byte) (takes >> 8);
        out[19] = (byte) (takes >> 4 & 15);
        System.arraycopy("Dimmers".getBytes(StandardCharsets.US_ASCII), 0, out, 26, 7);
        out[173] = 1;
        out[174] = (byte) 0x80;
        out[190] = (byte) (takes & 15);
        return out;
    }

    /** Goes on being a node until something comes that is wanted; null when nothing does. */
    private byte[] until(DatagramSocket socket, long millis, Predicate<byte[]> wanted) throws IOException {
        long until = System.nanoTime() + millis * 1_000_000;
        byte[] buffer = new byte[1500];
        while (System.nanoTime() < until) {
            socket.setSoTimeout((int) Math.max(1, (until - System.nanoTime()) / 1_000_000));
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(datagram);
            } catch (SocketTimeoutException e) {
                return null;
            }
            byte[] octets = Arrays.copyOf(buffer, datagram.getLength());
            if (is(octets, 0x20)) {
                polled = true;
                if (takes >= 0) {
                    socket.send(new DatagramPacket(reply(), 239, datagram.getSocketAddress()));
                }
            }
            if (wanted.test(octets)) {
                return octets;
            }
        }
        return null;
    }

    private String trouble(Predicate<String> wanted) throws IOException {
        String said = "";
        for (int i = 0; i < 60 && !wanted.test(said); i++) {
            until(node, 100, o -> false);
            said = app.get("/api/output").get("trouble").asText();
        }
        return said;
    }

    private String target() {
        return "\"127.0.0.1:" + node.getLocalPort() + "\" as \"Dimmers left\"";
    }

    @Test
    void a_universe_goes_to_the_node_that_answers_that_it_takes_it_and_to_no_other() throws IOException {
        takes = 0x123;
        until(node, 400, o -> true);
        assertThat(polled).as("asked before anybody chose it").isFalse();

        app.line(1, "universe 3 number 1:2:3 to art-net " + target());
        byte[] levels = until(node, PATIENCE_MS, o -> is(o, 0x50));
        assertThat(levels).hasSize(530);
        assertThat(portAddress(levels)).isEqualTo(0x123);
        assertThat(levels[16] << 8 | levels[17]).isEqualTo(512);
        assertThat(levels[18] & 0xFF).isEqualTo(255);
        assertThat(app.get("/api/output").toString()).contains("“Dimmers” (127.0.0.1)");
        assertThat(app.get("/api/output").get("trouble").asText()).isEmpty();
        assertThat(app.get("/api/output").get("others")).isEmpty();
        assertThat(app.get("/api/shows/1/patch")
                        .get("universes")
                        .get(0)
                        .get("numberWords")
                        .asText())
                .isEqualTo("port address 1:2:3 (291)");

        int before = until(node, PATIENCE_MS, o -> is(o, 0x50))[12] & 0xFF;
        app.line(1, "1 at 20");
        byte[] next = until(node, PATIENCE_MS, o -> is(o, 0x50) && (o[18] & 0xFF) == 51);
        assertThat(next[12] & 0xFF).isGreaterThan(before);

        takes = 0x124;
        assertThat(trouble(t -> t.contains("takes 1:2:4")))
                .isEqualTo("Universe 3 goes nowhere by Art-Net: no node at 127.0.0.1:" + node.getLocalPort()
                        + " takes 1:2:3. “Dimmers” (127.0.0.1) takes 1:2:4.");
        assertThat(until(node, 1500, o -> is(o, 0x50)))
                .as("levels that it does not take")
                .isNull();
        app.line(1, "universe 3 number 1:2:4");
        assertThat(portAddress(until(node, PATIENCE_MS, o -> is(o, 0x50)))).isEqualTo(0x124);

        app.line(1, "universe 3 off");
        until(node, 200, o -> false);
        assertThat(until(node, 1500, o -> is(o, 0x50))).as("while it is off").isNull();
    }

    @Test
    void where_nobody_answers_nothing_goes_and_it_is_said() throws IOException {
        app.line(1, "universe 3 number 0:0:0 to art-net " + target());
        assertThat(trouble(t -> !t.isEmpty()))
                .isEqualTo("Universe 3 goes nowhere by Art-Net: no node at 127.0.0.1:" + node.getLocalPort()
                        + " answers.");
        assertThat(polled).isTrue();
        assertThat(until(node, 500, o -> is(o, 0x50))).isNull();
        takes = 0;
        assertThat(portAddress(until(node, PATIENCE_MS, o -> is(o, 0x50)))).isZero();
        assertThat(trouble(String::isEmpty)).isEmpty();
    }

    @Test
    void the_virtual_rig_answers_as_a_node_and_is_no_other_sender() throws Exception {
        app.line(1, "universe 3 to art-net as \"Here\"");
        String said = "";
        for (int i = 0; i < 60 && !said.contains("Virtual rig"); i++) {
            Thread.sleep(50);
            said = app.get("/api/output").get("sent").toString();
        }
        assertThat(said).contains("“Virtual rig of this machine” (127.0.0.1)");
        assertThat(app.get("/api/output").get("others")).isEmpty();
        assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isEqualTo(1);
        app.line(1, "universe 3 number 9");
        for (int i = 0; i < 60 && !said.contains("goes nowhere"); i++) {
            Thread.sleep(50);
            said = app.get("/api/output").get("trouble").asText();
        }
        assertThat(said)
                .contains("no node at 127.0.0.1 takes 0:0:9. “Virtual rig of this machine” (127.0.0.1) takes 0:0:3.");
    }

    @Test
    void to_everybody_only_when_that_is_chosen() throws IOException {
        try (DatagramSocket everybody = new DatagramSocket(new InetSocketAddress("127.255.255.255", 0))) {
            String where = "\"127.0.0.1:" + everybody.getLocalPort() + "\" as \"All\"";
            app.line(1, "universe 3 to art-net " + where);
            assertThat(until(everybody, 1000, o -> true)).isNull();
            app.line(1, "universe 3 number 0:0:0 to art-net broadcast " + where);
            byte[] levels = until(everybody, PATIENCE_MS, o -> is(o, 0x50));
            assertThat(portAddress(levels)).isZero();
            assertThat(levels[18] & 0xFF).isEqualTo(255);
            app.line(1, "universe 3 sync 1");
            assertThat(until(everybody, PATIENCE_MS, o -> is(o, 0x52))).isNotNull();
        }
    }

    @Test
    void nothing_leaves_this_machine_without_leave() throws IOException {
        app.line(1, "universe 3 to art-net \"192.0.2.7\" as \"Away\"");
        assertThat(trouble(t -> !t.isEmpty()))
                .contains("192.0.2.7 is outside this machine; start with --allow-network");
    }

    @Test
    void another_sender_by_art_net_is_seen() throws Exception {
        app.line(1, "universe 3 to art-net as \"Here\"");
        byte[] theirs = new byte[20];
        System.arraycopy("Art-Net\0".getBytes(StandardCharsets.US_ASCII), 0, theirs, 0, 8);
        theirs[9] = 0x50;
        theirs[11] = 14;
        theirs[14] = 3;
        theirs[17] = 2;
        theirs[19] = 77;
        int port = app.get("/api/output").get("artNetPort").asInt();
        node.send(new DatagramPacket(theirs, theirs.length, InetAddress.getLoopbackAddress(), port));
        String others = "";
        for (int i = 0; i < 20 && others.length() < 3; i++) {
            others = app.get("/api/output").get("others").toString();
            Thread.sleep(50);
        }
        assertThat(others).contains("“a sender by Art-Net” (127.0.0.1) sends universe 3 too");
    }
}
