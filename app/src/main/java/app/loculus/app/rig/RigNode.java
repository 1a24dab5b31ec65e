package app.loculus.app.rig;

import app.loculus.app.config.Settings;
import app.loculus.core.patch.PortAddress;
import app.loculus.formats.artnet.ArtDmx;
import app.loculus.formats.artnet.ArtPoll;
import app.loculus.formats.artnet.ArtPollReply;
import app.loculus.formats.artnet.ArtSync;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.BindException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The rig's Art-Net node: answers who asks that it takes every universe something hangs on, under the same number, and
 * hands the levels over.
 */
@Component
public class RigNode {

    private static final Logger LOG = LoggerFactory.getLogger(RigNode.class);

    private static final String NAME = "Virtual rig";

    /** More than any packet of levels has. */
    private static final int LONGEST = 1500;

    private final VirtualRig rig;
    private final RigLights lights;
    private final DatagramSocket socket;
    private final Optional<DatagramSocket> everybody;

    /** When each sender has last said that what it sent counts. */
    private final Map<UUID, Long> beats = new ConcurrentHashMap<>();

    RigNode(Settings settings, VirtualRig rig, RigLights lights) throws IOException {
        this.rig = rig;
        this.lights = lights;
        socket = bind(settings.artNetPort());
        if (settings.artNetPort() != 0 && port() != settings.artNetPort()) {
            LOG.warn(
                    "UDP port {} on 127.0.0.1 is taken by another program; the rig's Art-Net node listens on {} instead.",
                    settings.artNetPort(),
                    port());
        }
        everybody = broadcast(port());
        listen(socket, "rig-node");
        everybody.ifPresent(s -> listen(s, "rig-node-broadcast"));
    }

    private static DatagramSocket bind(int port) throws IOException {
        try {
            return new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (BindException e) {
            return new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
        }
    }

    /** Where what goes to everybody in this machine comes in; not every system has that. */
    private static Optional<DatagramSocket> broadcast(int port) {
        try {
            return Optional.of(new DatagramSocket(new InetSocketAddress("127.255.255.255", port)));
        } catch (SocketException e) {
            LOG.info("What is broadcast within this machine does not reach the virtual rig: {}", e.getMessage());
            return Optional.empty();
        }
    }

    /** The UDP port it listens on. */
    public int port() {
        return socket.getLocalPort();
    }

    private void listen(DatagramSocket from, String name) {
        Thread thread = new Thread(() -> receive(from), name);
        thread.setDaemon(true);
        thread.start();
    }

    private void receive(DatagramSocket from) {
        byte[] buffer = new byte[LONGEST];
        while (!from.isClosed()) {
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                from.receive(datagram);
                take(buffer, datagram.getLength(), (InetSocketAddress) datagram.getSocketAddress());
            } catch (IOException | RuntimeException e) {
                if (!from.isClosed()) {
                    LOG.warn("The rig's Art-Net node could not receive: {}", e.getMessage());
                }
            }
        }
    }

    private void take(byte[] datagram, int length, InetSocketAddress from) throws IOException {
        UUID sender = VirtualRig.artNetSender(from);
        if (ArtPoll.is(datagram, length)) {
            answer(from);
        } else if (ArtSync.is(datagram, length)) {
            beats.put(sender, System.nanoTime());
            rig.release(sender, 0);
        } else {
            Long beat = beats.get(sender);
            boolean waits = beat != null && System.nanoTime() - beat < ArtSync.LOST_NANOS;
            ArtDmx.decode(datagram, length).ifPresent(levels -> rig.take(levels, from, waits));
        }
    }

    private void answer(InetSocketAddress to) throws IOException {
        List<Integer> takes = lights.all().values().stream()
                .flatMap(h -> h.addresses().stream())
                .map(a -> a.address().universe())
                .filter(u -> u <= PortAddress.LAST)
                .distinct()
                .sorted()
                .toList();
        for (ArtPollReply reply : ArtPollReply.pages(NAME, NAME + " of this machine", takes)) {
            byte[] bytes = reply.encode(socket.getLocalAddress().getAddress());
            socket.send(new DatagramPacket(bytes, bytes.length, to));
        }
    }

    @PreDestroy
    void close() {
        socket.close();
        everybody.ifPresent(DatagramSocket::close);
    }
}
