package app.loculus.app;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketTimeoutException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a receiver outside the application gets. */
class OutputTest {

    private static final int PATIENCE_MS = 4000;

    @TempDir
    Path data;

    private static DataPacket receive(DatagramSocket socket) throws IOException {
        byte[] buffer = new byte[DataPacketLayout.LONGEST];
        DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
        socket.receive(datagram);
        return DataPacketLayout.decode(buffer, datagram.getLength()).orElseThrow();
    }

    /** Receives until a packet is as wanted. */
    private static List<DataPacket> until(DatagramSocket socket, Predicate<DataPacket> wanted) throws IOException {
        List<DataPacket> all = new ArrayList<>();
        do {
            all.add(receive(socket));
        } while (!wanted.test(all.get(all.size() - 1)));
        return all;
    }

    private static int first(DataPacket packet) {
        return packet.slots()[0] & 0xFF;
    }

    @Test
    void a_further_receiver_gets_every_frame_a_pulse_at_rest_and_a_goodbye() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            socket.setSoTimeout(PATIENCE_MS);
            String to = "--loculus.e131[0]=127.0.0.1:" + socket.getLocalPort();
            try (RunningApplication app = new RunningApplication(data, to)) {
                app.json("POST", "/api/shows", Map.of("name", "Out"));
                app.line(1, "patch 1 as \"House Dimmer\" at 42.1\n1 at full");
                List<DataPacket> rising = until(socket, p -> first(p) == 255);
                DataPacket lit = rising.get(rising.size() - 1);
                assertThat(lit.universe()).isEqualTo(42);
                assertThat(lit.sourceName()).isEqualTo("Loculus");
                List<DataPacket> rest = List.of(receive(socket), receive(socket), receive(socket), receive(socket));
                for (int i = 0; i < rest.size(); i++) {
                    assertThat(rest.get(i).sequence()).isEqualTo(lit.sequence() + i + 1 & 0xFF);
                    assertThat(first(rest.get(i))).isEqualTo(255);
                }
                assertThat(app.get("/api/output").get("receivers").asInt()).isEqualTo(2);
            }
            List<DataPacket> goodbye = new ArrayList<>(until(socket, DataPacket::terminates));
            goodbye.add(receive(socket));
            goodbye.add(receive(socket));
            assertThat(goodbye.stream().filter(DataPacket::terminates)).hasSize(3);
        }
    }

    @Test
    void a_universe_that_falls_out_of_use_is_ended() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            socket.setSoTimeout(PATIENCE_MS);
            try (RunningApplication app =
                    new RunningApplication(data, "--loculus.e131[0]=127.0.0.1:" + socket.getLocalPort())) {
                app.json("POST", "/api/shows", Map.of("name", "Out"));
                app.line(1, "patch 1 as \"House Dimmer\" at 42.1");
                until(socket, p -> p.universe() == 42);
                app.line(1, "unpatch 1");
                assertThat(until(socket, DataPacket::terminates)).isNotEmpty();
                assertThat(receive(socket).terminates()).isTrue();
                assertThat(receive(socket).terminates()).isTrue();
                socket.setSoTimeout(1500);
                org.assertj.core.api.Assertions.assertThatThrownBy(() -> receive(socket))
                        .isInstanceOf(SocketTimeoutException.class);
            }
        }
    }

    @Test
    void a_rig_port_that_is_taken_is_said_and_another_one_used() throws IOException {
        try (DatagramSocket taken = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
                RunningApplication app = new RunningApplication(data, "--loculus.rig-port=" + taken.getLocalPort())) {
            assertThat(app.get("/api/output").get("rigOnOtherPort").asBoolean()).isTrue();
            assertThat(app.get("/api/output").get("rigPort").asInt()).isNotEqualTo(taken.getLocalPort());
            app.json("POST", "/api/shows", Map.of("name", "Out"));
            app.line(1, "patch 1 as \"House Dimmer\" at 42.1\n1 at full");
            assertThat(app.get("/api/rig/1").get("intensity").asDouble()).isEqualTo(1);
        }
    }
}
