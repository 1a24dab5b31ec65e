package app.loculus.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RunningApplication;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The lines of the rig, spoken to in octets that are put together here, by the standard. */
class RigLinesTest {

    private static final int GET = 0x20;
    private static final int SET = 0x30;

    @TempDir
    Path data;

    private static byte[] say(RunningApplication app, int line, byte[] octets) throws IOException {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0))) {
            socket.setSoTimeout(5_000);
            byte[] said = ByteBuffer.allocate(6 + octets.length)
                    .putShort((short) line)
                    .putInt(0)
                    .put(octets)
                    .array();
            socket.send(new DatagramPacket(
                    said, said.length, app.bean(RigLines.class).address()));
            byte[] buffer = new byte[2048];
            DatagramPacket heard = new DatagramPacket(buffer, buffer.length);
            socket.receive(heard);
            return heard.getLength() < 4 ? new byte[0] : Arrays.copyOfRange(buffer, 4, heard.getLength());
        }
    }

    private static byte[] message(long to, int command, int pid, int... data) {
        byte[] m = new byte[26 + data.length];
        m[0] = (byte) 0xCC;
        m[1] = 1;
        m[2] = (byte) (24 + data.length);
        for (int i = 0; i < 6; i++) {
            m[3 + i] = (byte) (to >> 8 * (5 - i));
            m[9 + i] = (byte) (0x4C0000000009L >> 8 * (5 - i));
        }
        m[15] = 42;
        m[16] = 1;
        m[20] = (byte) command;
        m[21] = (byte) (pid >> 8);
        m[22] = (byte) pid;
        m[23] = (byte) data.length;
        for (int i = 0; i < data.length; i++) {
            m[24 + i] = (byte) data[i];
        }
        int sum = 0;
        for (int i = 0; i < m.length - 2; i++) {
            sum += m[i] & 0xFF;
        }
        m[m.length - 2] = (byte) (sum >> 8);
        m[m.length - 1] = (byte) sum;
        return m;
    }

    private static long device(RunningApplication app) {
        String uid = app.get("/api/shows/1/devices?all=true")
                .at("/rows/0/device/uid")
                .asText();
        return Long.parseLong(uid.replace(":", ""), 16);
    }

    private static void rig(RunningApplication app) {
        app.json("POST", "/api/shows", Map.of("name", "Lines"));
        app.line(1, "patch 1 as \"Skiff Wash / extended\" at 3.101");
        app.json("POST", "/api/shows/1/devices/search", Map.of());
    }

    @Test
    void a_device_tells_and_takes_what_it_is_in_the_octets_of_the_standard() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            long uid = device(app);
            byte[] info = say(app, 3, message(uid, GET, 0x0060));
            assertThat(info).hasSize(26 + 19);
            assertThat(info[15]).as("transaction").isEqualTo((byte) 42);
            assertThat(info[16]).as("acknowledged").isZero();
            assertThat(info[20]).as("response to a get").isEqualTo((byte) 0x21);
            assertThat(ByteBuffer.wrap(info).getShort(24)).isEqualTo((short) 0x0100);
            assertThat(ByteBuffer.wrap(info).getShort(24 + 10)).as("footprint").isEqualTo((short) 20);
            assertThat(ByteBuffer.wrap(info).getShort(24 + 14)).as("start").isEqualTo((short) 101);

            byte[] done = say(app, 3, message(uid, SET, 0x00F0, 0x01, 0x00));
            assertThat(done[16]).isZero();
            byte[] start = say(app, 3, message(uid, GET, 0x00F0));
            assertThat(ByteBuffer.wrap(start).getShort(24)).isEqualTo((short) 256);
            assertThat(app.get("/api/rig/1").get("address").asText()).isEqualTo("3.256");

            byte[] beyond = say(app, 3, message(uid, SET, 0x00F0, 0x02, 0x00));
            assertThat(beyond[16]).as("refused").isEqualTo((byte) 2);
            assertThat(ByteBuffer.wrap(beyond).getShort(24)).as("out of range").isEqualTo((short) 6);
            byte[] unknown = say(app, 3, message(uid, GET, 0x7FEE));
            assertThat(ByteBuffer.wrap(unknown).getShort(24)).isZero();
            byte[] part = message(uid, GET, 0x0060);
            part[19] = 3;
            part[part.length - 1] += 3;
            assertThat(say(app, 3, part)).as("it has no parts").isEmpty();

            byte[] mode = say(app, 3, message(uid, SET, 0x00E0, 2));
            assertThat(mode[16]).as("put off").isEqualTo((byte) 1);
            assertThat(mode[25]).as("tenths of a second").isEqualTo((byte) 2);
            assertThat(say(app, 3, message(uid, GET, 0x0020, 4))[16])
                    .as("not yet: the line did not rest")
                    .isEqualTo((byte) 1);
        }
    }

    @Test
    void whatever_is_said_on_a_line_it_goes_on_and_so_does_the_rig() throws IOException {
        try (RunningApplication app = new RunningApplication(data)) {
            rig(app);
            long uid = device(app);
            Random random = new Random(9);
            for (int i = 0; i < 3_000; i++) {
                byte[] octets = new byte[random.nextInt(80)];
                random.nextBytes(octets);
                if (random.nextBoolean()) {
                    int[] any = random.ints(random.nextInt(40), 0, 256).toArray();
                    int[] pids = {1, 2, 3, 0x20, 0x60, 0x80, 0x82, 0xE0, 0xE1, 0xF0, 0x200, 0x201, 0x403, 0x1000, 0x1001
                    };
                    int[] commands = {0x10, 0x11, GET, 0x21, SET, 0x31};
                    octets = message(
                            random.nextInt(5) == 0 ? 0xFFFFFFFFFFFFL : uid,
                            commands[random.nextInt(commands.length)],
                            pids[random.nextInt(pids.length)],
                            any);
                }
                say(app, random.nextInt(5), octets);
            }
            app.json("DELETE", "/api/rig/1", null);
            assertThat(app.json("POST", "/api/shows/1/devices/search", Map.of())
                            .at("/counts/right")
                            .asInt())
                    .isEqualTo(1);
        }
    }
}
