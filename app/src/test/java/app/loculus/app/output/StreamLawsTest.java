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
import java.net.SocketTimeoutException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a receiver sees of one universe keeps to the standard, whatever is done to it. */
class StreamLawsTest {

    @TempDir
    Path data;

    private DatagramSocket socket;
    private RunningApplication app;

    private record Got(DataPacket packet, long atNanos) {}

    @BeforeEach
    void start() throws IOException {
        socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        socket.setReceiveBufferSize(1 << 20);
        app = run();
    }

    private RunningApplication run() {
        return new RunningApplication(data, "--loculus.e131[0]=127.0.0.1:" + socket.getLocalPort());
    }

    @AfterEach
    void stop() {
        app.close();
        socket.close();
    }

    private List<Got> within(long millis) throws IOException {
        List<Got> all = new ArrayList<>();
        long until = System.nanoTime() + millis * 1_000_000;
        byte[] buffer = new byte[DataPacketLayout.LONGEST];
        while (System.nanoTime() < until) {
            socket.setSoTimeout((int) Math.max(1, (until - System.nanoTime()) / 1_000_000));
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(datagram);
                long now = System.nanoTime();
                DataPacketLayout.decode(buffer, datagram.getLength()).ifPresent(p -> all.add(new Got(p, now)));
            } catch (SocketTimeoutException e) {
                break;
            }
        }
        return all;
    }

    private static void followOneAnother(List<Got> all) {
        for (int i = 1; i < all.size(); i++) {
            assertThat(all.get(i).packet().sequence())
                    .isEqualTo(all.get(i - 1).packet().sequence() + 1 & 0xFF);
        }
    }

    @Test
    void never_above_44_frames_a_second_with_no_gap_in_the_numbers() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "Rate"));
        app.line(1, "patch 1 as \"House Dimmer\" at 7.1");
        Thread busy = new Thread(() -> {
            for (int i = 0; i < 400 && !Thread.currentThread().isInterrupted(); i++) {
                app.line(1, "1 at " + i % 100);
            }
        });
        busy.start();
        List<Got> all = within(2500);
        busy.interrupt();
        busy.join();
        assertThat(all.size()).isGreaterThan(40);
        followOneAnother(all);
        for (int i = 44; i < all.size(); i++) {
            long span = all.get(i).atNanos() - all.get(i - 44).atNanos();
            assertThat(span).as("45 packets from %d on", i - 44).isGreaterThan(940_000_000L);
        }
    }

    @Test
    void another_priority_goes_on_in_the_same_stream() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "Priority"));
        int port = socket.getLocalPort();
        app.line(1, "patch 1 as \"House Dimmer\" at 7.1");
        app.line(1, "universe 7 to unicast \"127.0.0.1:" + port + "\" as \"Node\" number 70 priority 110");
        within(600);
        app.line(1, "universe 7 priority 120");
        List<Got> after =
                within(800).stream().filter(g -> g.packet().universe() == 70).toList();
        assertThat(after).isNotEmpty().noneMatch(g -> g.packet().terminates());
        assertThat(after.get(after.size() - 1).packet().priority()).isEqualTo(120);
        followOneAnother(after);
    }

    @Test
    void the_component_identity_is_one_for_good() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "Identity"));
        app.line(1, "patch 1 as \"House Dimmer\" at 7.1");
        DataPacket first = within(400).get(0).packet();
        app.close();
        within(300);
        app = run();
        assertThat(within(1500).get(0).packet().cid()).isEqualTo(first.cid());
    }

    @Test
    void a_route_out_of_this_machine_is_told_and_not_taken_without_leave() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "Outside"));
        app.line(1, "patch 1 as \"House Dimmer\" at 7.1\npatch 2 as \"House Dimmer\" at 8.1");
        app.line(1, "universe 7 to unicast \"192.0.2.7\" as \"Elsewhere\"");
        String trouble = "";
        for (int tries = 0; trouble.isEmpty() && tries < 20; tries++) {
            within(400);
            trouble = app.get("/api/output").get("trouble").asText();
        }
        assertThat(trouble).contains("Universe 7").contains("--allow-network").doesNotContain("Universe 8");
        app.line(1, "2 at full");
        assertThat(within(400))
                .anyMatch(g -> g.packet().universe() == 8 && g.packet().slots()[0] == (byte) 255);
    }

    @Test
    void a_rig_address_at_the_very_end_ends_nothing() throws Exception {
        app.json("POST", "/api/shows", Map.of("name", "End"));
        app.line(1, "patch 1 thru 2 as \"House Dimmer\" at 7.1\nadd 9 as \"Tideline Batten / 38-slot\"");
        assertThat(app.send("PUT", "/api/rig/1", Map.of("address", "63999.512")).statusCode())
                .isEqualTo(200);
        assertThat(app.send("PUT", "/api/rig/9", Map.of("address", "63999.512")).statusCode())
                .isEqualTo(422);
        app.line(1, "all at full");
        assertThat(app.get("/api/rig/2").get("intensity").asDouble()).isEqualTo(1);
        app.line(1, "renumber 1 from 101");
        assertThat(app.get("/api/rig/101").get("address").asText())
                .as("the fault is the fixture's")
                .isEqualTo("63999.512");
    }
}
