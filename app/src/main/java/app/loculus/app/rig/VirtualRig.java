package app.loculus.app.rig;

import app.loculus.app.config.Settings;
import app.loculus.formats.artnet.ArtDmx;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import app.loculus.formats.e131.SyncPacket;
import app.loculus.formats.e131.Synchronisation;
import app.loculus.formats.e131.UniverseDiscovery;
import app.loculus.formats.e131.UniverseSources;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.BindException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntConsumer;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The receiver: keeps the last slots of every universe, sender by sender, and who tells that it sends. */
@Component
public class VirtualRig {

    /** More than any packet of the standard has. */
    private static final int LONGEST = 1500;

    private static final Logger LOG = LoggerFactory.getLogger(VirtualRig.class);

    /** Sources are told every ten seconds; one that missed two is gone. */
    private static final long GONE_NANOS = 25_000_000_000L;

    /** A source that tells which universes it sends. */
    public record Told(UUID cid, String name, List<Integer> universes) {}

    private record Heard(Told told, long atNanos) {}

    private final Map<Integer, UniverseSources> universes = new ConcurrentHashMap<>();
    private final Synchronisation sync = new Synchronisation();
    private final Map<UUID, Heard> announced = new ConcurrentHashMap<>();
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
        byte[] buffer = new byte[LONGEST];
        while (!socket.isClosed()) {
            DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(datagram);
                String from = datagram.getAddress().getHostAddress();
                DataPacketLayout.decode(buffer, datagram.getLength()).ifPresent(p -> take(p, from));
                SyncPacket.decode(buffer, datagram.getLength()).ifPresent(this::take);
                UniverseDiscovery.decode(buffer, datagram.getLength()).ifPresent(this::take);
            } catch (IOException e) {
                if (!socket.isClosed()) {
                    LOG.warn("The virtual rig could not receive: {}", e.getMessage());
                }
            }
        }
    }

    private void take(DataPacket packet, String from) {
        long now = System.nanoTime();
        if (of(packet.universe()).take(packet, from, sync.holds(packet, now), now)) {
            listener.accept(packet.universe());
        }
    }

    private UniverseSources of(int universe) {
        return universes.computeIfAbsent(universe, u -> new UniverseSources());
    }

    private void take(SyncPacket packet) {
        if (sync.take(packet, System.nanoTime())) {
            release(packet.cid(), packet.address());
        }
    }

    /** What a sender has sent and what waits for this address counts now. */
    void release(UUID sender, int address) {
        long now = System.nanoTime();
        universes.forEach((universe, sources) -> {
            if (sources.release(sender, address, now)) {
                listener.accept(universe);
            }
        });
    }

    /** What tells a sender by Art-Net, which has no name there, from others. */
    public static UUID artNetSender(InetSocketAddress from) {
        String text = "art-net " + from.getAddress().getHostAddress() + ":" + from.getPort();
        return UUID.nameUUIDFromBytes(text.getBytes(StandardCharsets.UTF_8));
    }

    /** Levels by Art-Net count as those of E1.31 with the usual priority do. @param waits until ArtSync */
    void take(ArtDmx levels, InetSocketAddress from, boolean waits) {
        UniverseSources.Sender sender = new UniverseSources.Sender(
                artNetSender(from),
                "a sender by Art-Net",
                DataPacket.USUAL_PRIORITY,
                from.getAddress().getHostAddress());
        if (of(levels.portAddress()).take(sender, levels.sequence(), levels.slots(), waits, System.nanoTime())) {
            listener.accept(levels.portAddress());
        }
    }

    /** Pages of one source are put together as they come. */
    private void take(UniverseDiscovery page) {
        long now = System.nanoTime();
        announced.merge(
                page.cid(),
                new Heard(new Told(page.cid(), page.sourceName(), page.universes()), now),
                (before, one) -> page.page() == 0
                        ? one
                        : new Heard(
                                new Told(
                                        page.cid(),
                                        page.sourceName(),
                                        Stream.concat(before.told().universes().stream(), page.universes().stream())
                                                .distinct()
                                                .sorted()
                                                .toList()),
                                now));
    }

    /** The slots of a universe as received last, of whoever counts; none when nothing comes in. */
    public byte[] slots(int universe) {
        UniverseSources sources = universes.get(universe);
        return sources == null ? new byte[0] : sources.slots(System.nanoTime());
    }

    /** Who sends to each universe just now. */
    public Map<Integer, List<UniverseSources.Sender>> senders() {
        long now = System.nanoTime();
        Map<Integer, List<UniverseSources.Sender>> all = new TreeMap<>();
        universes.forEach((universe, sources) -> all.put(universe, sources.senders(now)));
        return all;
    }

    /** What sources have told of themselves. */
    public List<Told> announced() {
        long now = System.nanoTime();
        announced.values().removeIf(h -> now - h.atNanos() > GONE_NANOS);
        return announced.values().stream().map(Heard::told).toList();
    }

    @PreDestroy
    void close() {
        socket.close();
    }
}
