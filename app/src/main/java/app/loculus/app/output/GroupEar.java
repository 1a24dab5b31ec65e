package app.loculus.app.output;

import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import app.loculus.formats.e131.UniverseDiscovery;
import app.loculus.formats.e131.UniverseSources;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedSelectorException;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Hears who else sends to the multicast groups that universes go to from here, on the same interfaces. */
@Component
class GroupEar {

    private static final Logger LOG = LoggerFactory.getLogger(GroupEar.class);

    private static final int LONGEST = 1500;

    /** A source tells itself every ten seconds; one that missed two is gone. */
    private static final long GONE_NANOS = 25_000_000_000L;

    /** Sources that tell themselves and are kept. */
    private static final int MOST_TOLD = 1000;

    private record Told(String name, SortedSet<Integer> numbers, long atNanos) {}

    private final Map<InetSocketAddress, DatagramChannel> channels = new HashMap<>();
    private final Map<Integer, UniverseSources> heard = new ConcurrentHashMap<>();
    private final Map<UUID, Told> told = new ConcurrentHashMap<>();
    private final Set<String> failed = ConcurrentHashMap.newKeySet();
    private Selector selector;

    /** Listens to these numbers, and to those who tell what they send, on these interfaces; to nothing else. */
    synchronized void listen(Map<Integer, NetworkInterface> numbers) {
        Map<InetSocketAddress, NetworkInterface> wanted = new HashMap<>();
        try {
            for (Map.Entry<Integer, NetworkInterface> e : numbers.entrySet()) {
                wanted.put(Destinations.group(e.getKey()), e.getValue());
                wanted.put(Destinations.group(UniverseDiscovery.UNIVERSE), e.getValue());
            }
            List<InetSocketAddress> gone = channels.keySet().stream()
                    .filter(g -> !wanted.containsKey(g))
                    .toList();
            for (InetSocketAddress group : gone) {
                channels.remove(group).close();
            }
        } catch (IOException e) {
            LOG.warn("A multicast group could not be left: {}", e.getMessage());
        }
        heard.keySet().removeIf(n -> !numbers.containsKey(n));
        wanted.forEach((group, at) -> {
            if (!channels.containsKey(group)) {
                join(group, at);
            }
        });
    }

    private void join(InetSocketAddress group, NetworkInterface at) {
        try {
            if (selector == null) {
                selector = Selector.open();
                Thread thread = new Thread(this::run, "group-ear");
                thread.setDaemon(true);
                thread.start();
            }
            DatagramChannel channel = DatagramChannel.open(StandardProtocolFamily.INET);
            channel.setOption(StandardSocketOptions.SO_REUSEADDR, true);
            // To the group's own address: nothing else comes in by it.
            channel.bind(group);
            channel.join(group.getAddress(), at);
            channel.configureBlocking(false);
            channels.put(group, channel);
            selector.wakeup();
            channel.register(selector, SelectionKey.OP_READ);
        } catch (IOException e) {
            if (failed.add(group + " " + at.getName())) {
                LOG.info("Other senders to {} on {} are not heard: {}", group, at.getName(), e.getMessage());
            }
        }
    }

    private void run() {
        ByteBuffer buffer = ByteBuffer.allocate(LONGEST);
        while (selector.isOpen()) {
            try {
                selector.select(key -> read((DatagramChannel) key.channel(), buffer), 200);
            } catch (ClosedSelectorException e) {
                return;
            } catch (IOException e) {
                LOG.warn("Other senders could not be heard: {}", e.getMessage());
            }
        }
    }

    private void read(DatagramChannel channel, ByteBuffer buffer) {
        try {
            buffer.clear();
            InetSocketAddress from = (InetSocketAddress) channel.receive(buffer);
            if (from != null) {
                byte[] octets = buffer.array();
                int length = buffer.position();
                DataPacketLayout.decode(octets, length)
                        .ifPresent(p -> take(p, from.getAddress().getHostAddress()));
                UniverseDiscovery.decode(octets, length).ifPresent(this::take);
            }
        } catch (IOException e) {
            LOG.debug("A packet was lost: {}", e.getMessage());
        }
    }

    private void take(DataPacket packet, String from) {
        heard.computeIfAbsent(packet.universe(), n -> new UniverseSources()).take(packet, from, System.nanoTime());
    }

    private void take(UniverseDiscovery page) {
        long now = System.nanoTime();
        if (told.size() >= MOST_TOLD && !told.containsKey(page.cid())) {
            return;
        }
        told.compute(page.cid(), (cid, before) -> {
            SortedSet<Integer> numbers = new TreeSet<>(page.universes());
            if (before != null && page.page() > 0) {
                numbers.addAll(before.numbers());
            }
            return new Told(page.sourceName(), numbers, now);
        });
    }

    /** Who sends to each number just now, ourselves among them. */
    Map<Integer, List<UniverseSources.Sender>> senders() {
        long now = System.nanoTime();
        Map<Integer, List<UniverseSources.Sender>> all = new TreeMap<>();
        heard.forEach((number, sources) -> all.put(number, sources.senders(now)));
        return all;
    }

    /** Names of those that tell they send a number, by who they are. */
    Map<UUID, String> telling(int number) {
        long now = System.nanoTime();
        told.values().removeIf(t -> now - t.atNanos() > GONE_NANOS);
        Map<UUID, String> all = new HashMap<>();
        told.forEach((cid, t) -> {
            if (t.numbers().contains(number)) {
                all.put(cid, t.name());
            }
        });
        return all;
    }

    synchronized void close() {
        for (DatagramChannel channel : new ArrayList<>(channels.values())) {
            try {
                channel.close();
            } catch (IOException e) {
                LOG.debug("A multicast group could not be left: {}", e.getMessage());
            }
        }
        channels.clear();
        try {
            if (selector != null) {
                selector.close();
            }
        } catch (IOException e) {
            LOG.debug("The ear could not be closed: {}", e.getMessage());
        }
    }
}
