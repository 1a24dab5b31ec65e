package app.loculus.app.output;

import app.loculus.app.config.Settings;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.UniverseDiscovery;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.StandardSocketOptions;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/**
 * Where each universe goes: to the virtual rig and to what was named at the start, under its own number; to what its
 * route names, under its port number and with its priority.
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

    /** Where a universe goes with the setup it has now. */
    private record Found(UniverseSetup setup, List<Destination> goes) {}

    Destinations(Receivers receivers, Settings settings) {
        this.receivers = receivers;
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
    String trouble(int universe) {
        return trouble.getOrDefault(universe, "");
    }

    List<Destination> of(UniverseSetup setup) {
        Found known = found.get(setup.universe());
        if (known == null || !known.setup().equals(setup)) {
            known = new Found(setup, find(setup));
            found.put(setup.universe(), known);
        }
        return known.goes();
    }

    private List<Destination> find(UniverseSetup setup) {
        List<Destination> all = new ArrayList<>();
        receivers.all().forEach(r -> all.add(new Destination(socket, r, setup.universe(), DataPacket.USUAL_PRIORITY)));
        Route route = setup.route();
        try {
            if (route.kind() == Route.Kind.UNICAST) {
                InetSocketAddress to =
                        new InetSocketAddress(allowed(InetAddress.getByName(route.host())), route.port());
                all.add(new Destination(socket, to, setup.port(), setup.priority()));
            } else if (route.kind() == Route.Kind.MULTICAST) {
                all.add(new Destination(
                        multicast(allowed(InetAddress.getByName(route.host()))),
                        group(setup.port()),
                        setup.port(),
                        setup.priority()));
            }
            trouble.remove(setup.universe());
        } catch (IOException e) {
            trouble.put(
                    setup.universe(),
                    "Universe " + setup.universe() + " does not go to “" + route.name() + "”: " + e.getMessage() + ".");
        }
        return List.copyOf(all);
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
        goes.forEach(d -> listener(d)
                .ifPresent(l -> all.computeIfAbsent(l, x -> new TreeSet<>()).add(d.universe())));
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
        byInterface.values().forEach(DatagramSocket::close);
    }
}
