package app.loculus.app.rig;

import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.BranchAnswer;
import app.loculus.formats.rdm.BusTime;
import app.loculus.formats.rdm.Pid;
import app.loculus.formats.rdm.RdmCommand;
import app.loculus.formats.rdm.RdmLayout;
import app.loculus.formats.rdm.RdmMessage;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The lines of the virtual rig, on a UDP port of loopback. A datagram carries what is said on a line, the answer what is
 * heard there; several answers at once overlap.
 *
 * <p>Asked: line u16, time since the last one u32 (microseconds that the line rested), octets. Told: time taken u32, octets.
 * Line 0 with no octets asks which lines there are. Big-endian.
 */
@Component
public class RigLines {

    private static final Logger LOG = LoggerFactory.getLogger(RigLines.class);

    private static final int LONGEST = 1024;
    private static final int HEAD = 6;
    private static final int UID_OCTETS = 6;

    /** What a line knows between two messages. */
    private static final class Line {
        private final Set<String> muted = new HashSet<>();
        private final Responder.Waiting waiting = new Responder.Waiting();
        private long micros;
    }

    private final RigDevices rig;
    private final DatagramSocket socket;
    private final Map<Integer, Line> lines = new HashMap<>();

    RigLines(RigDevices rig) throws IOException {
        this.rig = rig;
        this.socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        Thread thread = new Thread(this::receive, "rig-lines");
        thread.setDaemon(true);
        thread.start();
    }

    /** Where its lines are reached. */
    public SocketAddress address() {
        return socket.getLocalSocketAddress();
    }

    private void receive() {
        byte[] buffer = new byte[LONGEST];
        while (!socket.isClosed()) {
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(datagram);
                byte[] answer = answered(Arrays.copyOf(buffer, datagram.getLength()));
                socket.send(new DatagramPacket(answer, answer.length, datagram.getSocketAddress()));
            } catch (IOException e) {
                if (!socket.isClosed()) {
                    LOG.warn("The lines of the virtual rig could not be heard: {}", e.getMessage());
                }
            }
        }
    }

    /** Whatever a message does to a device, the line goes on: silence is an answer, too. */
    private byte[] answered(byte[] datagram) {
        try {
            return heard(datagram);
        } catch (RuntimeException e) {
            LOG.error("A message on a line of the virtual rig could not be answered", e);
            return new byte[Integer.BYTES];
        }
    }

    /** What is heard of what was said. */
    private byte[] heard(byte[] datagram) {
        if (datagram.length < HEAD) {
            return new byte[0];
        }
        ByteBuffer in = ByteBuffer.wrap(datagram);
        int number = in.getShort() & 0xFFFF;
        long rested = in.getInt() & 0xFFFFFFFFL;
        byte[] said = Arrays.copyOfRange(datagram, HEAD, datagram.length);
        if (number == 0) {
            return numbers();
        }
        Line line = lines.computeIfAbsent(number, n -> new Line());
        line.micros += rested;
        Optional<RdmMessage> message = RdmLayout.decode(said);
        List<byte[]> answers = message.map(m -> answers(number, line, m)).orElse(List.of());
        boolean branch = message.filter(m -> m.pid() == Pid.DISC_UNIQUE_BRANCH && m.command() == RdmCommand.DISCOVERY)
                .isPresent();
        boolean everyone =
                message.filter(m -> m.envelope().to().equals(Uid.EVERYONE)).isPresent();
        long took = answers.isEmpty()
                ? everyone && !branch ? BusTime.broadcast(said.length) : BusTime.silent(said.length)
                : answers.size() == 1
                        ? BusTime.answered(said.length, answers.get(0).length, branch)
                        : BusTime.overlapped(said.length);
        line.micros += took;
        byte[] heard = overlapped(answers);
        return ByteBuffer.allocate(Integer.BYTES + heard.length)
                .putInt((int) took)
                .put(heard)
                .array();
    }

    private byte[] numbers() {
        List<Integer> all = List.copyOf(rig.lines().keySet());
        ByteBuffer out =
                ByteBuffer.allocate(Integer.BYTES + all.size() * Short.BYTES).putInt(0);
        all.forEach(n -> out.putShort(n.shortValue()));
        return out.array();
    }

    /** The low level wins where two speak at once. */
    private static byte[] overlapped(List<byte[]> answers) {
        byte[] all = answers.isEmpty() ? new byte[0] : answers.get(0).clone();
        for (byte[] other : answers) {
            int before = all.length;
            all = Arrays.copyOf(all, Math.max(all.length, other.length));
            for (int i = 0; i < other.length; i++) {
                all[i] = (byte) (i < before ? all[i] & other[i] : other[i]);
            }
        }
        return all;
    }

    private List<byte[]> answers(int number, Line line, RdmMessage m) {
        List<byte[]> answers = new ArrayList<>();
        List<RigDevice> there = rig.lines().getOrDefault(number, List.of());
        Uid to = m.envelope().to();
        boolean everyone = to.equals(Uid.EVERYONE);
        for (RigDevice d : there) {
            if (m.command() == RdmCommand.DISCOVERY) {
                discovery(line, d, m, to).ifPresent(answers::add);
            } else if (to.equals(d.uid())
                    && !m.command().answers()
                    && m.envelope().part() == 0) {
                answers.add(RdmLayout.encode(new Responder(rig, d, line.waiting).answer(m, line.micros)));
            } else if (everyone && m.command() == RdmCommand.SET) {
                new Responder(rig, d, line.waiting).answer(m, line.micros);
            }
        }
        return answers;
    }

    private static Optional<byte[]> discovery(Line line, RigDevice d, RdmMessage m, Uid to) {
        String key = d.hung().id().value() + "/" + d.place();
        if (m.pid() == Pid.DISC_UNIQUE_BRANCH) {
            boolean asked = m.data().length == 2 * UID_OCTETS
                    && !line.muted.contains(key)
                    && value(m.data(), 0) <= d.uid().value()
                    && d.uid().value() <= value(m.data(), UID_OCTETS);
            return asked ? Optional.of(BranchAnswer.encode(d.uid())) : Optional.empty();
        }
        boolean mute = m.pid() == Pid.DISC_MUTE;
        if (!mute && m.pid() != Pid.DISC_UN_MUTE || !to.equals(d.uid()) && !to.equals(Uid.EVERYONE)) {
            return Optional.empty();
        }
        if (mute) {
            line.muted.add(key);
        } else {
            line.muted.remove(key);
        }
        return to.equals(d.uid())
                ? Optional.of(RdmLayout.encode(new RdmMessage(
                        m.envelope().back(RdmMessage.ACK, 0), RdmCommand.DISCOVERY_RESPONSE, m.pid(), new byte[2])))
                : Optional.empty();
    }

    private static long value(byte[] octets, int at) {
        long value = 0;
        for (int i = 0; i < UID_OCTETS; i++) {
            value = value << Byte.SIZE | octets[at + i] & 0xFF;
        }
        return value;
    }

    @PreDestroy
    void close() {
        socket.close();
    }
}
