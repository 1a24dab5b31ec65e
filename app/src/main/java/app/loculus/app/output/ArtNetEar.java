package app.loculus.app.output;

import app.loculus.core.patch.Route;
import app.loculus.formats.artnet.ArtPoll;
import app.loculus.formats.artnet.ArtPollReply;
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
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Asks the nodes that are reached from one address of this machine who they are, and hears what they answer. */
final class ArtNetEar implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ArtNetEar.class);

    private static final int LISTEN_MS = 250;

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
    private final boolean inside;
    private final Runnable onNews;

    /** @param own address of this machine @param onNews told when a node comes, goes, or takes something else */
    ArtNetEar(InetAddress own, int port, Runnable onNews) throws SocketException {
        this.inside = own.isLoopbackAddress();
        this.onNews = onNews;
        socket = new DatagramSocket(null);
        socket.setReuseAddress(true);
        socket.bind(new InetSocketAddress(own, port));
        socket.setSoTimeout(LISTEN_MS);
        Thread thread = new Thread(this::listen, "art-net-" + own.getHostAddress());
        thread.setDaemon(true);
        thread.start();
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
        byte[] buffer = new byte[ArtPollReply.LONGEST * 4];
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
        if (!(from.getAddress() instanceof Inet4Address) || heard.size() >= MOST_ANSWERS) {
            return;
        }
        int port = inside ? from.getPort() : Route.ART_NET_PORT;
        Heard before =
                heard.put(new Key(from.getAddress(), port, reply.bindIndex()), new Heard(reply, System.nanoTime()));
        if (before == null || !before.reply().equals(reply)) {
            onNews.run();
        }
    }

    @Override
    public void close() {
        socket.close();
    }
}
