package app.loculus.app.output;

import app.loculus.app.config.Settings;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.UniverseDiscovery;
import app.loculus.formats.e131.UniverseSources;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.StandardSocketOptions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/**
 * Where each universe goes: to the virtual rig and to what was named at the start, under its own number; to what its
 * route names, under its port number and with its priority, or by Art-Net to the nodes that take it.
 */
@Component
class Destinations {

    private static final int MULTICAST_PORT = 5568;

    private final Receivers receivers;
    private final DatagramSocket socket;
    private final Map<InetAddress, DatagramSocket> byInterface = new ConcurrentHashMap<>();
    private final Map<Integer, Found> found = new ConcurrentHashMap<>();
    private final Map<Integer, String> trouble = new ConcurrentHashMap<>();
    private final boolean allowNetwork;
    private final ArtNetNodes nodes;
    private final GroupEar groups;

    /** What could not be reached is looked for again after so long: cables are plugged in later. */
    private static final long AGAIN_NANOS = 2_000_000_000L;

    /**
     * Where a universe goes with the setup it has now.
     *
     * @param nodes version of what was known of them
     * @param failed whether something could not be reached
     */
    private record Found(
            UniverseSetup setup,
            long nodes,
            List<Destination> goes,
            List<String> takers,
            boolean failed,
            long atNanos) {

        boolean holds(UniverseSetup now, long known) {
            return setup.equals(now)
                    && (nodes == known || setup.route().kind() != Route.Kind.ART_NET)
                    && !(failed && System.nanoTime() - atNanos > AGAIN_NANOS);
        }
    }

    Destinations(Receivers receivers, Settings settings, ArtNetNodes nodes, GroupEar groups) {
        this.groups = groups;
        this.receivers = receivers;
        this.nodes = nodes;
        this.allowNetwork = settings.allowNetwork();
        try {
            socket = new DatagramSocket();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    int receivers() {
        return receivers.all().size();
    }

    /** What is wrong with the route of a universe in words, empty when nothing is. */
    String trouble(UniverseSetup setup) {
        String wrong = trouble.getOrDefault(setup.universe(), "");
        if (!wrong.isEmpty() || setup.route().kind() != Route.Kind.ART_NET) {
            return wrong;
        }
        try {
            return nodes.trouble(setup, InetAddress.getByName(setup.route().host()));
        } catch (IOException e) {
            return "";
        }
    }

    /** Who takes universes that go by Art-Net, in words, by universe. */
    Map<Integer, List<String>> takers() {
        Map<Integer, List<String>> all = new TreeMap<>();
        found.forEach((universe, f) -> {
            if (!f.takers().isEmpty()) {
                all.put(universe, f.takers());
            }
        });
        return all;
    }

    /** A universe no longer goes out. */
    void forget(int universe) {
        trouble.remove(universe);
        if (found.remove(universe) != null) {
            groups.listen(joined());
        }
    }

    /** Numbers that go out by multicast, and on which interface. */
    private Map<Integer, NetworkInterface> joined() {
        Map<Integer, NetworkInterface> all = new TreeMap<>();
        found.forEach((universe, f) -> f.goes().stream()
                .filter(d -> d.receiver().getAddress().isMulticastAddress())
                .forEach(d -> {
                    try {
                        all.put(d.universe(), d.socket().getOption(StandardSocketOptions.IP_MULTICAST_IF));
                    } catch (IOException e) {
                        // then nobody is heard there
                    }
                }));
        return all;
    }

    /** Who else sends to the numbers that go out by multicast, and to everybody what goes out by Art-Net. @param own who we are */
    List<Overheard> overheard(UUID own) {
        Map<Integer, List<UniverseSources.Sender>> senders = groups.senders();
        return found.values().stream()
                .map(Found::setup)
                .sorted(Comparator.comparing(UniverseSetup::universe))
                .flatMap(s -> s.route().kind().artNet()
                        ? byArtNet(s)
                        : s.route().kind() == Route.Kind.MULTICAST
                                ? byGroup(s, senders.getOrDefault(s.port(), List.of()), own)
                                : Stream.empty())
                .toList();
    }

    private Stream<Overheard> byGroup(UniverseSetup s, List<UniverseSources.Sender> there, UUID own) {
        Stream<Overheard> sending = there.stream()
                .filter(o -> !o.cid().equals(own))
                .map(o -> new Overheard(s, o.name(), o.from(), o.priority()));
        Stream<Overheard> telling = groups.telling(s.port()).entrySet().stream()
                .filter(t -> !t.getKey().equals(own)
                        && there.stream().noneMatch(o -> o.cid().equals(t.getKey())))
                .map(t -> new Overheard(s, t.getValue(), "", 0));
        return Stream.concat(sending, telling);
    }

    private Stream<Overheard> byArtNet(UniverseSetup s) {
        try {
            return nodes.overheard(InetAddress.getByName(s.route().host()), s.port()).stream()
                    .map(o -> new Overheard(s, o.name(), o.from(), o.priority()));
        } catch (IOException e) {
            return Stream.empty();
        }
    }

    /** What tells packets by Art-Net from here from those of other senders. */
    Set<UUID> own() {
        return nodes.own();
    }

    List<Destination> of(UniverseSetup setup) {
        Found known = found.get(setup.universe());
        long version = nodes.version();
        if (known == null || !known.holds(setup, version)) {
            List<String> takers = new ArrayList<>();
            List<Destination> goes = find(setup, takers);
            boolean failed = trouble.containsKey(setup.universe());
            known = new Found(setup, version, goes, takers, failed, System.nanoTime());
            found.put(setup.universe(), known);
            groups.listen(joined());
        }
        return known.goes();
    }

    private List<Destination> find(UniverseSetup setup, List<String> takers) {
        List<Destination> all = new ArrayList<>();
        receivers
                .all()
                .forEach(r -> all.add(e131(socket, r, setup.universe(), DataPacket.USUAL_PRIORITY, r, setup.sync())));
        Route route = setup.route();
        try {
            InetAddress host = route.kind() == Route.Kind.RIG
                    ? InetAddress.getLoopbackAddress()
                    : allowed(InetAddress.getByName(route.host()));
            InetSocketAddress to = new InetSocketAddress(host, route.port());
            switch (route.kind()) {
                case RIG -> {}
                case UNICAST -> all.add(e131(socket, to, setup.port(), setup.priority(), to, setup.sync()));
                case MULTICAST ->
                    all.add(e131(
                            multicast(host),
                            group(setup.port()),
                            setup.port(),
                            setup.priority(),
                            group(setup.sync()),
                            setup.sync()));
                case ART_NET ->
                    nodes.taking(route, host, setup.port()).forEach(n -> {
                        takers.add(n.words());
                        all.add(artNet(n.socket(), n.at(), setup));
                    });
                case ART_NET_BROADCAST ->
                    all.add(artNet(
                            nodes.socket(host),
                            new InetSocketAddress(ArtNetNodes.broadcast(host), route.port()),
                            setup));
            }
            trouble.remove(setup.universe());
        } catch (IOException e) {
            trouble.put(
                    setup.universe(),
                    "Universe " + setup.universe() + " does not go to “" + route.name() + "”: " + e.getMessage() + ".");
        }
        return List.copyOf(all);
    }

    /** @param beats who is told the synchronisation address when the slots count */
    private static Destination e131(
            DatagramSocket from, InetSocketAddress to, int number, int priority, InetSocketAddress beats, int sync) {
        Optional<Destination.Beat> beat =
                Optional.of(new Destination.Beat(Wire.E131, from, beats, sync)).filter(b -> sync != 0);
        return new Destination(Wire.E131, from, to, number, priority, beat);
    }

    private static Destination artNet(DatagramSocket from, InetSocketAddress to, UniverseSetup setup) {
        Optional<Destination.Beat> beat =
                Optional.of(new Destination.Beat(Wire.ART_NET, from, to, 0)).filter(b -> setup.sync() != 0);
        return new Destination(Wire.ART_NET, from, to, setup.port(), DataPacket.USUAL_PRIORITY, beat);
    }

    /** 239.255.HI.LO of the universe number. */
    static InetSocketAddress group(int universe) throws IOException {
        byte[] address = {(byte) 239, (byte) 255, (byte) (universe >> 8), (byte) universe};
        return new InetSocketAddress(InetAddress.getByAddress(address), MULTICAST_PORT);
    }

    /** Where it is told which universes are sent: the group for that, and the virtual rig. */
    record Listener(DatagramSocket socket, InetSocketAddress receiver) {}

    /** @param goes where everything goes now @return numbers by who gets them there, in order */
    Map<Listener, List<Integer>> listeners(List<Destination> goes) {
        Map<Listener, SortedSet<Integer>> all = new LinkedHashMap<>();
        goes.stream()
                .filter(d -> d.wire() == Wire.E131)
                .forEach(d -> listener(d)
                        .ifPresent(l ->
                                all.computeIfAbsent(l, x -> new TreeSet<>()).add(d.universe())));
        Map<Listener, List<Integer>> sorted = new LinkedHashMap<>();
        all.forEach((l, numbers) -> sorted.put(l, List.copyOf(numbers)));
        return sorted;
    }

    private Optional<Listener> listener(Destination d) {
        try {
            if (d.receiver().getAddress().isMulticastAddress()) {
                return Optional.of(new Listener(d.socket(), group(UniverseDiscovery.UNIVERSE)));
            }
            return d.receiver().equals(receivers.rig())
                    ? Optional.of(new Listener(d.socket(), d.receiver()))
                    : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Nothing leaves this machine unless it was started with leave to do so. */
    private InetAddress allowed(InetAddress address) throws IOException {
        if (!address.isLoopbackAddress() && !allowNetwork) {
            throw new IOException(address.getHostAddress()
                    + " is outside this machine; start with --allow-network if frames are meant to leave it");
        }
        return address;
    }

    private DatagramSocket multicast(InetAddress host) throws IOException {
        DatagramSocket open = byInterface.get(host);
        if (open == null) {
            NetworkInterface own = NetworkInterface.getByInetAddress(host);
            if (own == null) {
                throw new IOException("this machine has no interface with the address " + host.getHostAddress());
            }
            open = new DatagramSocket();
            open.setOption(StandardSocketOptions.IP_MULTICAST_IF, own);
            byInterface.put(host, open);
        }
        return open;
    }

    void close() {
        socket.close();
        nodes.close();
        groups.close();
        byInterface.values().forEach(DatagramSocket::close);
    }
}
