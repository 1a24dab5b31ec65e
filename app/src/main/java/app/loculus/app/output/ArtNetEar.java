package app.loculus.app.output;

import app.loculus.app.rig.VirtualRig;
import app.loculus.core.patch.Route;
import app.loculus.formats.artnet.ArtDmx;
import app.loculus.formats.artnet.ArtPoll;
import app.loculus.formats.artnet.ArtPollReply;
import app.loculus.formats.e131.UniverseSources;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Asks the nodes that are reached from one address of this machine who they are, and hears what they answer. */
final class ArtNetEar implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ArtNetEar.class);

    private static final int LISTEN_MS = 250;

    /** More than any packet of the standard has. */
    private static final int LONGEST = 1500;

    /** A node that missed three questions is gone. */
    private static final long GONE_NANOS = 3 * ArtPoll.EVERY_NANOS + ArtPoll.EVERY_NANOS / 2;

    /** Who is not asked for any more after so long without anybody wanting to know. */
    private static final long FORGET_NANOS = 10_000_000_000L;

    /** Answers that are kept; more come only from what means harm. */
    private static final int MOST_ANSWERS = 20_000;

    /** One answer of a node: a node with many outputs gives several. */
    private record Key(InetAddress from, int port, int bindIndex) {}

    private record Heard(ArtPollReply reply, long atNanos) {}

    private static final class Asked {
        private final long sinceNanos = System.nanoTime();
        private volatile long wantedNanos = sinceNanos;
        private long askedNanos = sinceNanos - ArtPoll.EVERY_NANOS;
    }

    private final Map<InetSocketAddress, Asked> asked = new ConcurrentHashMap<>();
    private final Map<Key, Heard> heard = new ConcurrentHashMap<>();
    private final DatagramSocket socket;
    private final Optional<DatagramSocket> everybody;
    private final boolean inside;
    private final Runnable onNews;

    /** Levels that others send to everybody, by port address. */
    private final Map<Integer, UniverseSources> others = new ConcurrentHashMap<>();

    /**
     * @param own address of this machine
     * @param toAll that to which everybody there is spoken at once: older nodes answer to it, and senders of the older
     *     version send to it
     * @param onNews told when a node comes, goes, or takes something else
     */
    ArtNetEar(InetAddress own, int port, Optional<InetAddress> toAll, Runnable onNews) throws SocketException {
        this.inside = own.isLoopbackAddress();
        this.onNews = onNews;
        socket = bound(own, port);
        socket.setSoTimeout(LISTEN_MS);
        everybody = toAll.flatMap(a -> all(a, socket.getLocalPort()));
        run("art-net-" + own.getHostAddress(), this::listen);
        everybody.ifPresent(s -> run("art-net-all-" + own.getHostAddress(), () -> overhear(s)));
    }

    private static DatagramSocket bound(InetAddress own, int port) throws SocketException {
        DatagramSocket socket = new DatagramSocket(null);
        socket.setReuseAddress(true);
        socket.bind(new InetSocketAddress(own, port));
        return socket;
    }

    /** Not every system lets a program listen there alone. */
    private static Optional<DatagramSocket> all(InetAddress toAll, int port) {
        try {
            return Optional.of(bound(toAll, port));
        } catch (SocketException e) {
            LOG.info("What is sent to {} is not heard: {}", toAll.getHostAddress(), e.getMessage());
            return Optional.empty();
        }
    }

    private static void run(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
    }

    private void overhear(DatagramSocket all) {
        byte[] buffer = new byte[LONGEST];
        while (!all.isClosed()) {
            try {
                DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
                all.receive(datagram);
                ArtPollReply.decode(buffer, datagram.getLength()).ifPresent(r -> take(r, datagram));
                ArtDmx.decode(buffer, datagram.getLength())
                        .ifPresent(d -> take(d, (InetSocketAddress) datagram.getSocketAddress()));
            } catch (IOException | RuntimeException e) {
                if (!all.isClosed()) {
                    LOG.warn("What is sent to all nodes could not be heard: {}", e.getMessage());
                    pause();
                }
            }
        }
    }

    private void take(ArtDmx levels, InetSocketAddress from) {
        if (from.equals(socket.getLocalSocketAddress())) {
            return;
        }
        UniverseSources.Sender sender = new UniverseSources.Sender(
                VirtualRig.artNetSender(from),
                "a sender by Art-Net",
                0,
                from.getAddress().getHostAddress());
        others.computeIfAbsent(levels.portAddress(), a -> new UniverseSources())
                .take(sender, levels.sequence(), levels.slots(), false, System.nanoTime());
    }

    /** Who else sends a port address to everybody just now. */
    List<UniverseSources.Sender> senders(int portAddress) {
        UniverseSources heardThere = others.get(portAddress);
        return heardThere == null ? List.of() : heardThere.senders(System.nanoTime());
    }

    DatagramSocket socket() {
        return socket;
    }

    /** Goes on asking there for a while. @return for how long it has been asked, in nanoseconds */
    long want(InetSocketAddress where) {
        Asked there = asked.computeIfAbsent(where, w -> new Asked());
        there.wantedNanos = System.nanoTime();
        return there.wantedNanos - there.sinceNanos;
    }

    /** Who has answered, with all the port addresses each takes. */
    List<ArtNetNode> nodes() {
        Map<Key, TreeSet<Integer>> takes = new HashMap<>();
        Map<Key, String> names = new HashMap<>();
        heard.forEach((key, h) -> {
            Key node = new Key(key.from(), key.port(), 0);
            takes.computeIfAbsent(node, n -> new TreeSet<>()).addAll(h.reply().outputs());
            names.merge(node, name(h.reply()), (a, b) -> a);
        });
        return takes.entrySet().stream()
                .map(e -> new ArtNetNode(
                        names.get(e.getKey()),
                        socket,
                        new InetSocketAddress(e.getKey().from(), e.getKey().port()),
                        e.getValue()))
                .sorted(Comparator.comparing(n -> n.at().toString()))
                .toList();
    }

    private static String name(ArtPollReply reply) {
        return reply.longName().isBlank() ? reply.name() : reply.longName();
    }

    private void listen() {
        byte[] buffer = new byte[LONGEST];
        while (!socket.isClosed()) {
            try {
                ask();
                DatagramPacket datagram = new DatagramPacket(buffer, buffer.length);
                socket.receive(datagram);
                ArtPollReply.decode(buffer, datagram.getLength()).ifPresent(r -> take(r, datagram));
            } catch (SocketTimeoutException quiet) {
                // nobody has answered just now
            } catch (IOException | RuntimeException e) {
                if (!socket.isClosed()) {
                    LOG.warn("Art-Net nodes could not be asked: {}", e.getMessage());
                    pause();
                }
            }
        }
    }

    private static void pause() {
        try {
            Thread.sleep(LISTEN_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void ask() throws IOException {
        long now = System.nanoTime();
        asked.values().removeIf(a -> now - a.wantedNanos > FORGET_NANOS);
        if (heard.values().removeIf(h -> now - h.atNanos() > GONE_NANOS)) {
            onNews.run();
        }
        byte[] poll = ArtPoll.encode();
        for (Map.Entry<InetSocketAddress, Asked> e : asked.entrySet()) {
            if (now - e.getValue().askedNanos >= ArtPoll.EVERY_NANOS) {
                e.getValue().askedNanos = now;
                socket.send(new DatagramPacket(poll, poll.length, e.getKey()));
            }
        }
    }

    /** Nodes take levels at the port of the standard; a stand-in in this machine where it answers from. */
    private void take(ArtPollReply reply, DatagramPacket from) {
        int port = inside ? from.getPort() : Route.ART_NET_PORT;
        Key key = new Key(from.getAddress(), port, reply.bindIndex());
        // Who is known goes on being heard, whatever else pours in.
        boolean full = heard.size() >= MOST_ANSWERS && !heard.containsKey(key);
        if (full || !(from.getAddress() instanceof Inet4Address)) {
            return;
        }
        Heard before = heard.put(key, new Heard(reply, System.nanoTime()));
        if (before == null || !before.reply().equals(reply)) {
            onNews.run();
        }
    }

    @Override
    public void close() {
        socket.close();
        everybody.ifPresent(DatagramSocket::close);
    }
}
