package app.loculus.app.output;

import app.loculus.formats.artnet.ArtDmx;
import app.loculus.formats.artnet.ArtSync;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import app.loculus.formats.e131.SyncPacket;
import app.loculus.formats.e131.UniverseDiscovery;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentSkipListMap;

/** Puts frames on the wire and counts them. Used by one thread; the counts are read by whoever asks. */
final class PacketSender {

    static final String SOURCE = "Loculus";

    private final UUID cid;
    private final Map<Integer, Tally> tallies = new ConcurrentSkipListMap<>();
    private final Map<Destination.Beat, Integer> beats = new HashMap<>();

    /** Who is to be told that what was sent counts now. */
    private final Set<Destination.Beat> owed = new LinkedHashSet<>();

    private volatile long packets;

    /** @param cid what tells its packets from those of other senders */
    PacketSender(UUID cid) {
        this.cid = cid;
    }

    UUID cid() {
        return cid;
    }

    /** Packets of levels since the start. */
    long packets() {
        return packets;
    }

    List<Sent> sent() {
        long now = System.nanoTime();
        return tallies.entrySet().stream()
                .map(e -> e.getValue().sent(e.getKey(), now))
                .toList();
    }

    /** @param count of packets before in this stream */
    void levels(int universe, Destination to, long count, byte[] slots) throws IOException {
        if (to.wire() == Wire.ART_NET) {
            send(to.socket(), to.receiver(), new ArtDmx(ArtDmx.sequence(count), to.universe(), slots).encode());
        } else {
            int waits = to.sync() == 0 ? 0 : DataPacket.FORCE_SYNCHRONISATION;
            e131(to, count, waits, slots);
        }
        to.beat().ifPresent(owed::add);
        count(universe);
    }

    /** Says that the stream ends; slots are ignored. */
    void end(int universe, Destination to, long count, byte[] slots) throws IOException {
        e131(to, count, DataPacket.STREAM_TERMINATED, slots);
        count(universe);
    }

    private void count(int universe) {
        packets++;
        tallies.computeIfAbsent(universe, u -> new Tally()).count(System.nanoTime());
    }

    private void e131(Destination to, long count, int options, byte[] slots) throws IOException {
        DataPacket packet = new DataPacket(
                cid,
                SOURCE,
                to.priority(),
                (int) count & 0xFF,
                options,
                options == DataPacket.STREAM_TERMINATED ? 0 : to.sync(),
                to.universe(),
                0,
                slots);
        send(to.socket(), to.receiver(), DataPacketLayout.encode(packet));
    }

    /** What was sent since the last time counts now, everywhere at once. */
    void beat() throws IOException {
        IOException failed = null;
        for (Destination.Beat to : owed) {
            try {
                int sequence = beats.merge(to, 1, Integer::sum) - 1 & 0xFF;
                byte[] bytes = to.wire() == Wire.ART_NET
                        ? ArtSync.encode()
                        : new SyncPacket(cid, sequence, to.sync()).encode();
                send(to.socket(), to.receiver(), bytes);
            } catch (IOException e) {
                failed = e;
            }
        }
        owed.clear();
        if (failed != null) {
            throw failed;
        }
    }

    /** Tells who may listen which universes it gets from here. */
    void announce(Destinations.Listener to, List<Integer> universes) throws IOException {
        for (UniverseDiscovery page : UniverseDiscovery.pages(cid, SOURCE, universes)) {
            send(to.socket(), to.receiver(), page.encode());
        }
    }

    private static void send(DatagramSocket socket, InetSocketAddress receiver, byte[] bytes) throws IOException {
        socket.send(new DatagramPacket(bytes, bytes.length, receiver));
    }
}
