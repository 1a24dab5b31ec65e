package app.loculus.app.rig;

import app.loculus.app.config.Settings;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import app.loculus.formats.e131.Sequence;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.BindException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The receiver: keeps the last slots of every universe. */
@Component
public class VirtualRig {

    private static final Logger LOG = LoggerFactory.getLogger(VirtualRig.class);

    /** A source that is silent for longer is lost. */
    private static final long LOST_NANOS = 2_500_000_000L;

    private record Source(UUID cid, int universe) {}

    private record Received(byte[] slots, long atNanos) {}

    private final Map<Integer, Received> universes = new ConcurrentHashMap<>();
    private final Map<Source, Sequence> sequences = new ConcurrentHashMap<>();
    private final DatagramSocket socket;
    private final boolean otherPort;
    private volatile IntConsumer listener = universe -> {};

    VirtualRig(Settings settings) throws IOException {
        DatagramSocket wanted = bind(settings.rigPort());
        otherPort = wanted == null;
        socket = otherPort ? bind(0) : wanted;
        if (otherPort) {
            LOG.warn(
                    "UDP port {} on 127.0.0.1 is taken by another program; the virtual rig listens on {} instead.",
                    settings.rigPort(),
                    port());
        }
        Thread thread = new Thread(this::receive, "virtual-rig");
        thread.setDaemon(true);
        thread.start();
    }

    private static DatagramSocket bind(int port) throws IOException {
        try {
            return new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (BindException e) {
            return null;
        }
    }

    /** The UDP port it listens on. */
    public int port() {
        return socket.getLocalPort();
    }

    /** Whether the port that was asked for was taken. */
    public boolean onOtherPort() {
        return otherPort;
    }

    /** Told the universe whenever its slots change. */
    void listen(IntConsumer newListener) {
        listener = newListener;
    }

    private void receive() {
        byte[] buffer = new byte[DataPacketLayout.LONGEST + 1];
        while (!socket.isClosed()) {
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(datagram);
                DataPacketLayout.decode(buffer, datagram.getLength()).ifPresent(this::take);
            } catch (IOException e) {
                if (!socket.isClosed()) {
                    LOG.warn("The virtual rig could not receive: {}", e.getMessage());
                }
            }
        }
    }

    private void take(DataPacket packet) {
        Source source = new Source(packet.cid(), packet.universe());
        if (!packet.carriesLevels()
                || !sequences.computeIfAbsent(source, s -> new Sequence()).accepts(packet.sequence())) {
            return;
        }
        if (packet.terminates()) {
            universes.remove(packet.universe());
            sequences.remove(source);
            listener.accept(packet.universe());
            return;
        }
        Received before = universes.put(packet.universe(), new Received(packet.slots(), System.nanoTime()));
        if (before == null || !java.util.Arrays.equals(before.slots, packet.slots())) {
            listener.accept(packet.universe());
        }
    }

    /** The slots of a universe as received last; none when nothing comes in. */
    public byte[] slots(int universe) {
        Received received = universes.get(universe);
        boolean lost = received == null || System.nanoTime() - received.atNanos > LOST_NANOS;
        return lost ? new byte[0] : received.slots.clone();
    }

    @PreDestroy
    void close() {
        socket.close();
    }
}
