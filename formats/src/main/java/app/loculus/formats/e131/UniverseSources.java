package app.loculus.formats.e131;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * What comes in on one universe, sender by sender. The highest priority counts; of senders with the same one the higher
 * level of each slot does (E1.31, 6.2.3, where the receiver may choose). Times in nanoseconds of one clock.
 */
public final class UniverseSources {

    /** A sender that is silent for longer is lost. */
    public static final long LOST_NANOS = 2_500_000_000L;

    private static final int SLOTS = 512;

    /** One that sends to this universe just now. */
    public record Sender(UUID cid, String name, int priority, String from) {}

    private record Stream(Sender sender, byte[] slots, long atNanos) {}

    private final Map<UUID, Stream> streams = new HashMap<>();
    private final Map<UUID, Sequence> sequences = new HashMap<>();
    private byte[] told = new byte[0];

    /** @param from address of the sender @return whether what counts is something else now */
    public synchronized boolean take(DataPacket packet, String from, long nowNanos) {
        boolean news = packet.carriesLevels()
                && sequences.computeIfAbsent(packet.cid(), c -> new Sequence()).accepts(packet.sequence());
        if (!news) {
            return false;
        }
        if (packet.terminates()) {
            streams.remove(packet.cid());
            sequences.remove(packet.cid());
        } else {
            Sender sender = new Sender(packet.cid(), packet.sourceName(), packet.priority(), from);
            streams.put(packet.cid(), new Stream(sender, packet.slots(), nowNanos));
        }
        byte[] now = slots(nowNanos);
        boolean changed = !Arrays.equals(now, told);
        told = now;
        return changed;
    }

    private List<Stream> alive(long nowNanos) {
        streams.values().removeIf(s -> {
            boolean lost = nowNanos - s.atNanos() > LOST_NANOS;
            if (lost) {
                sequences.remove(s.sender().cid());
            }
            return lost;
        });
        return new ArrayList<>(streams.values());
    }

    /** The slots that count; none when nobody sends. */
    public synchronized byte[] slots(long nowNanos) {
        List<Stream> alive = alive(nowNanos);
        int highest = alive.stream().mapToInt(s -> s.sender().priority()).max().orElse(0);
        List<byte[]> counting = alive.stream()
                .filter(s -> s.sender().priority() == highest)
                .map(Stream::slots)
                .toList();
        if (counting.size() <= 1) {
            return counting.isEmpty() ? new byte[0] : counting.get(0).clone();
        }
        byte[] merged = new byte[SLOTS];
        for (byte[] slots : counting) {
            for (int i = 0; i < slots.length; i++) {
                merged[i] = (byte) Math.max(merged[i] & 0xFF, slots[i] & 0xFF);
            }
        }
        return merged;
    }

    /** Who sends just now. */
    public synchronized List<Sender> senders(long nowNanos) {
        return alive(nowNanos).stream().map(Stream::sender).toList();
    }
}
