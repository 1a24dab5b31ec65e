package app.loculus.formats.e131;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;

/**
 * Which data has to wait for a synchronisation packet: such as names an address that its sender has been heard to
 * synchronise. When that falls silent, the packet itself says whether it goes on without (E1.31, 6.2.4 and 11.1).
 */
public final class Synchronisation {

    private record Key(UUID cid, int address) {}

    private final Map<Key, Long> heard = new HashMap<>();
    private final Map<Key, Sequence> sequences = new HashMap<>();

    /** @return whether it is news, so that what waits for it counts now */
    public synchronized boolean take(SyncPacket packet, long nowNanos) {
        Key key = new Key(packet.cid(), packet.address());
        Long before = heard.get(key);
        if (before != null && nowNanos - before > UniverseSources.LOST_NANOS) {
            sequences.remove(key);
        }
        boolean news = sequences.computeIfAbsent(key, k -> new Sequence()).accepts(packet.sequence());
        if (news) {
            heard.put(key, nowNanos);
        }
        return news;
    }

    /** Whether a packet waits. */
    public synchronized boolean holds(DataPacket packet, long nowNanos) {
        Long last = packet.sync() == 0 ? null : heard.get(new Key(packet.cid(), packet.sync()));
        return last != null
                && (nowNanos - last <= UniverseSources.LOST_NANOS
                        || (packet.options() & DataPacket.FORCE_SYNCHRONISATION) == 0);
    }
}
