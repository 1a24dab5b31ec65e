package app.loculus.app.output;

import app.loculus.app.rig.RigNode;
import app.loculus.app.rig.VirtualRig;
import app.loculus.core.patch.PortAddress;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.formats.e131.UniverseSources;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Who takes what by Art-Net. Nobody is asked before a universe is to go that way; then every 2.5 s, at the interface or
 * the node that its route names.
 */
@Component
class ArtNetNodes {

    /** So long nobody is missed: nodes answer within a second (Art-Net 4). */
    private static final long PATIENCE_NANOS = 1_500_000_000L;

    private static final int MOST_TOLD = 3;

    /** What was found out is good for so long: interfaces come and go. */
    private static final long LASTS_NANOS = 2_000_000_000L;

    /** Words that were found are good for so long. */
    private static final long SAID_NANOS = 400_000_000L;

    private record Said(UniverseSetup setup, String words, long atNanos) {}

    private record FoundWay(Way way, long atNanos) {}

    private final Map<InetAddress, FoundWay> ways = new HashMap<>();
    private final Map<Integer, Said> said = new HashMap<>();
    private final Map<InetAddress, ArtNetEar> ears = new ConcurrentHashMap<>();
    private final AtomicLong version = new AtomicLong();
    private final RigNode rig;
    private final OutputClock clock;

    ArtNetNodes(RigNode rig, OutputClock clock) {
        this.rig = rig;
        this.clock = clock;
    }

    /** Counts up whenever a node comes, goes, or takes something else. */
    long version() {
        return version.get();
    }

    /** Where a route leads to, from where. @param own whether the target is an interface of this machine */
    private record Way(InetAddress local, InetAddress target, boolean own) {}

    /** @throws IOException in words, when that address cannot be used */
    private Way way(InetAddress target) throws IOException {
        FoundWay known = ways.get(target);
        if (known == null || System.nanoTime() - known.atNanos() > LASTS_NANOS) {
            known = new FoundWay(look(target), System.nanoTime());
            ways.put(target, known);
        }
        return known.way();
    }

    private static Way look(InetAddress target) throws IOException {
        if (NetworkInterface.getByInetAddress(target) != null) {
            return new Way(target, target, true);
        }
        try (DatagramSocket towards = new DatagramSocket()) {
            towards.connect(new InetSocketAddress(target, Route.ART_NET_PORT));
            return new Way(towards.getLocalAddress(), target, false);
        } catch (RuntimeException | IOException e) {
            throw new IOException("there is no way to " + target.getHostAddress(), e);
        }
    }

    private ArtNetEar ear(InetAddress local) throws IOException {
        ArtNetEar open = ears.get(local);
        if (open == null) {
            // In this machine the virtual rig has the port of the standard, and stand-ins answer to any.
            int port = local.isLoopbackAddress() ? 0 : Route.ART_NET_PORT;
            try {
                // In this machine the virtual rig hears what goes to everybody.
                Optional<InetAddress> toAll =
                        local.isLoopbackAddress() ? Optional.empty() : Optional.of(broadcast(local));
                open = new ArtNetEar(local, port, toAll, this::news);
            } catch (SocketException e) {
                throw new IOException(
                        "another program on this machine has UDP port " + port + ", so that no node can answer", e);
            }
            ears.put(local, open);
        }
        return open;
    }

    private void news() {
        version.incrementAndGet();
        clock.wake();
    }

    /** Who takes a port address where a route leads. @throws IOException in words, when nobody can be asked there */
    synchronized List<ArtNetNode> taking(Route route, InetAddress target, int portAddress) throws IOException {
        return there(route, target).stream()
                .filter(n -> n.takes().contains(portAddress))
                .toList();
    }

    private List<ArtNetNode> there(Route route, InetAddress target) throws IOException {
        Way way = way(target);
        ArtNetEar ear = ear(way.local());
        boolean named = route.target().contains(":");
        ask(route, way, ear);
        return ear.nodes().stream()
                .filter(n -> way.own() && !named || n.at().getAddress().equals(target))
                .filter(n -> !named || n.at().getPort() == route.port())
                .toList();
    }

    /** @return for how long it has been asked there */
    private long ask(Route route, Way way, ArtNetEar ear) throws IOException {
        if (route.target().contains(":") || !way.own()) {
            return ear.want(new InetSocketAddress(way.target(), route.port()));
        }
        if (way.local().isLoopbackAddress()) {
            ear.want(new InetSocketAddress(way.local(), Route.ART_NET_PORT));
            return ear.want(new InetSocketAddress(way.local(), rig.port()));
        }
        return ear.want(new InetSocketAddress(broadcast(way.local()), route.port()));
    }

    /** To everybody at an interface. @throws IOException in words, when it has no such address */
    static InetAddress broadcast(InetAddress own) throws IOException {
        NetworkInterface of = NetworkInterface.getByInetAddress(own);
        if (of == null) {
            throw new IOException("this machine has no interface with the address " + own.getHostAddress());
        }
        if (own.isLoopbackAddress()) {
            return InetAddress.getByName("127.255.255.255");
        }
        return of.getInterfaceAddresses().stream()
                .filter(a -> a.getAddress().equals(own) && a.getBroadcast() != null)
                .map(InterfaceAddress::getBroadcast)
                .findFirst()
                .orElseThrow(() -> new IOException("nobody can be reached all at once from " + own.getHostAddress()));
    }

    /** Sends from an address of this machine. */
    synchronized DatagramSocket socket(InetAddress local) throws IOException {
        return ear(local).socket();
    }

    /** Goes on asking, so that who is new there is heard. @return why it goes nowhere in words, empty when it does */
    synchronized String trouble(UniverseSetup setup, InetAddress target) {
        Said before = said.get(setup.universe());
        if (before == null || !before.setup().equals(setup) || System.nanoTime() - before.atNanos() > SAID_NANOS) {
            before = new Said(setup, found(setup, target), System.nanoTime());
            said.put(setup.universe(), before);
        }
        return before.words();
    }

    private String found(UniverseSetup setup, InetAddress target) {
        Route route = setup.route();
        try {
            Way way = way(target);
            long asked = ask(route, way, ear(way.local()));
            List<ArtNetNode> there = there(route, target);
            if (asked < PATIENCE_NANOS || there.stream().anyMatch(n -> n.takes().contains(setup.port()))) {
                return "";
            }
            String who = there.stream()
                    .limit(MOST_TOLD)
                    .map(n -> n.words() + " takes " + n.takesWords())
                    .collect(Collectors.joining("; "));
            return "Universe " + setup.universe() + " goes nowhere by Art-Net: no node at " + route.target()
                    + (there.isEmpty()
                            ? " answers."
                            : " takes " + new PortAddress(setup.port()) + ". " + who
                                    + (there.size() > MOST_TOLD ? "; " + (there.size() - MOST_TOLD) + " more" : "")
                                    + ".");
        } catch (IOException e) {
            return "";
        }
    }

    /** Who else sends a port address to everybody where a route leads. */
    synchronized List<UniverseSources.Sender> overheard(InetAddress target, int portAddress) {
        try {
            ArtNetEar ear = ears.get(way(target).local());
            return ear == null ? List.of() : ear.senders(portAddress);
        } catch (IOException e) {
            return List.of();
        }
    }

    /** What tells packets from here from those of other senders. */
    Set<UUID> own() {
        return ears.values().stream()
                .map(e -> VirtualRig.artNetSender((InetSocketAddress) e.socket().getLocalSocketAddress()))
                .collect(Collectors.toSet());
    }

    void close() {
        ears.values().forEach(ArtNetEar::close);
    }
}
