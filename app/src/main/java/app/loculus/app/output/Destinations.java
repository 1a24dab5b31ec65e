package app.loculus.app.output;

import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.formats.e131.DataPacket;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.StandardSocketOptions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
    private final Map<String, DatagramSocket> byInterface = new ConcurrentHashMap<>();
    private final Map<UniverseSetup, List<Destination>> found = new ConcurrentHashMap<>();
    private volatile String trouble = "";

    Destinations(Receivers receivers) {
        this.receivers = receivers;
        try {
            socket = new DatagramSocket();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    int receivers() {
        return receivers.all().size();
    }

    /** What is wrong with a route in words, empty when nothing is. */
    String trouble() {
        return trouble;
    }

    List<Destination> of(UniverseSetup setup) {
        List<Destination> known = found.get(setup);
        if (known == null) {
            known = find(setup);
            found.put(setup, known);
        }
        return known;
    }

    private List<Destination> find(UniverseSetup setup) {
        List<Destination> all = new ArrayList<>();
        receivers.all().forEach(r -> all.add(new Destination(socket, r, setup.universe(), DataPacket.USUAL_PRIORITY)));
        Route route = setup.route();
        try {
            if (route.kind() == Route.Kind.UNICAST) {
                InetSocketAddress to = new InetSocketAddress(InetAddress.getByName(route.host()), route.port());
                all.add(new Destination(socket, to, setup.port(), setup.priority()));
            } else if (route.kind() == Route.Kind.MULTICAST) {
                all.add(new Destination(multicast(route.host()), group(setup.port()), setup.port(), setup.priority()));
            }
            trouble = "";
        } catch (IOException e) {
            trouble = "Universe " + setup.universe() + " does not go to “" + route.name() + "”: " + e.getMessage();
        }
        return List.copyOf(all);
    }

    /** 239.255.HI.LO of the universe number. */
    static InetSocketAddress group(int universe) throws IOException {
        byte[] address = {(byte) 239, (byte) 255, (byte) (universe >> 8), (byte) universe};
        return new InetSocketAddress(InetAddress.getByAddress(address), MULTICAST_PORT);
    }

    private DatagramSocket multicast(String host) throws IOException {
        DatagramSocket open = byInterface.get(host);
        if (open == null) {
            NetworkInterface own = NetworkInterface.getByInetAddress(InetAddress.getByName(host));
            if (own == null) {
                throw new IOException("this machine has no interface with the address " + host);
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
