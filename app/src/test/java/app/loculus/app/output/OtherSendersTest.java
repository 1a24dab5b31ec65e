package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import app.loculus.formats.e131.UniverseDiscovery;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.StandardSocketOptions;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What somebody else on the same universes does to the light is seen, and said. */
class OtherSendersTest {

    private static final UUID DESK = new UUID(7, 7);

    @TempDir
    Path data;

    private int sequence;

    private void send(RunningApplication app, byte[] bytes) throws IOException {
        int port = app.get("/api/output").get("rigPort").asInt();
        try (DatagramSocket socket = new DatagramSocket()) {
            socket.send(new DatagramPacket(bytes, bytes.length, InetAddress.getLoopbackAddress(), port));
        }
    }

    private void desk(RunningApplication app, int universe, int priority, int options, int level) throws IOException {
        byte[] slots = new byte[512];
        slots[0] = (byte) level;
        send(
                app,
                DataPacketLayout.encode(
                        new DataPacket(DESK, "Desk B", priority, sequence++ & 0xFF, options, universe, 0, slots)));
    }

    private static double lit(RunningApplication app, double expected) {
        double now = -1;
        for (int tries = 0; tries < 40 && Math.abs(now - expected) > 0.01; tries++) {
            pause(50);
            now = app.get("/api/rig/1").get("intensity").asDouble();
        }
        return now;
    }

    private static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String others(RunningApplication app, boolean any) {
        JsonNode others = null;
        for (int tries = 0; tries < 60 && (others == null || others.isEmpty() == any); tries++) {
            pause(50);
            others = app.get("/api/output").get("others");
        }
        return others.toString();
    }

    @Test
    void a_higher_priority_takes_the_light_and_gives_it_back_when_it_ends() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Net"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1");
            app.line(1, "1 at 40");
            assertThat(lit(app, 0.4)).isBetween(0.39, 0.41);
            assertThat(app.get("/api/output").get("others")).isEmpty();

            desk(app, 1, 150, 0, 255);
            assertThat(lit(app, 1)).isEqualTo(1);
            desk(app, 1, 150, 0, 255);
            assertThat(others(app, true))
                    .contains("“Desk B” (127.0.0.1) sends universe 1 too, with priority 150: its light counts");
            desk(app, 1, 50, 0, 255);
            assertThat(lit(app, 0.4)).isBetween(0.39, 0.41);
            assertThat(others(app, true)).contains("with priority 50: this one's light counts (100)");
            desk(app, 1, 100, 0, 153);
            assertThat(lit(app, 0.6)).as("the higher level").isBetween(0.59, 0.61);
            assertThat(others(app, true)).contains("receivers mix the two");
            desk(app, 1, 100, DataPacket.STREAM_TERMINATED, 0);
            assertThat(lit(app, 0.4)).isBetween(0.39, 0.41);
            assertThat(others(app, false)).isEqualTo("[]");
        }
    }

    /** On the net itself, where the rig is not asked. */
    @Test
    void another_sender_to_the_same_group_is_heard_and_said_with_our_own_priority_there() throws Exception {
        try (RunningApplication app = new RunningApplication(data);
                DatagramSocket net = new DatagramSocket()) {
            net.setOption(
                    StandardSocketOptions.IP_MULTICAST_IF,
                    NetworkInterface.getByInetAddress(InetAddress.getLoopbackAddress()));
            app.json("POST", "/api/shows", Map.of("name", "Net"));
            app.line(1, "patch 1 as \"House Dimmer\" at 1.1\n1 at full");
            app.line(1, "universe 1 number 79 priority 120 to multicast as \"Here\"");
            pause(300);
            assertThat(app.get("/api/output").get("others"))
                    .as("ourselves are no other sender")
                    .isEmpty();
            String said = "[]";
            for (int tries = 0; tries < 40 && said.equals("[]"); tries++) {
                byte[] theirs = DataPacketLayout.encode(
                        new DataPacket(DESK, "Desk B", 110, tries, 0, 79, 0, new byte[] {1, 2, 3}));
                net.send(new DatagramPacket(theirs, theirs.length, Destinations.group(79)));
                pause(50);
                said = app.get("/api/output").get("others").toString();
            }
            assertThat(said)
                    .contains("“Desk B” (127.0.0.1) sends number 79, our universe 1, on the net too, with priority 110:"
                            + " this one's light counts (120).");
            app.line(1, "universe 1 to rig");
            assertThat(others(app, false)).isEqualTo("[]");
            byte[] told =
                    UniverseDiscovery.pages(DESK, "Desk B", List.of(79)).get(0).encode();
            app.line(1, "universe 1 to multicast as \"Here\"");
            for (int tries = 0; tries < 40 && !said.contains("tells on the net"); tries++) {
                net.send(new DatagramPacket(told, told.length, Destinations.group(UniverseDiscovery.UNIVERSE)));
                pause(50);
                said = app.get("/api/output").get("others").toString();
            }
            assertThat(said).contains("“Desk B” tells on the net that it sends number 79, our universe 1, too.");
        }
    }

    @Test
    void who_only_tells_that_it_sends_is_said_too_and_what_goes_out_is_counted() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            app.json("POST", "/api/shows", Map.of("name", "Net"));
            app.line(1, "patch 1 thru 2 as \"House Dimmer\" at 1.1");
            app.line(1, "patch 3 as \"House Dimmer\" at 5.1");
            app.line(1, "all at full");
            lit(app, 1);
            send(
                    app,
                    UniverseDiscovery.pages(DESK, "Desk B", List.of(4, 5))
                            .get(0)
                            .encode());
            assertThat(others(app, true)).contains("“Desk B” tells that it sends universe 5 too.");
            JsonNode sent = app.get("/api/output").get("sent");
            assertThat(sent).hasSize(2);
            assertThat(sent.get(1).get("universe").asInt()).isEqualTo(5);
            assertThat(sent.get(1).get("packets").asLong()).isPositive();
            assertThat(sent.get(1).get("sinceMillis").asLong()).isLessThan(5_000);
        }
    }
}
