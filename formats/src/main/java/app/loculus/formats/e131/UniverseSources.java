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

    /** Slots that count once their sender says so. */
    private record Waiting(Stream stream, int sync) {}

    private final Map<UUID, Stream> streams = new HashMap<>();
    private final Map<UUID, Waiting> waiting = new HashMap<>();
    private final Map<UUID, Sequence> sequences = new HashMap<>();
    private byte[] told = new byte[0];

    /** @param from address of the sender @return whether what counts is something else now */
    public boolean take(DataPacket packet, String from, long nowNanos) {
        return take(packet, from, false, nowNanos);
    }

    /** @param waits whether the slots count only once their synchronisation packet has come */
    public synchronized boolean take(DataPacket packet, String from, boolean waits, long nowNanos) {
        boolean news = packet.carriesLevels() && accepts(packet.cid(), packet.sequence());
        if (news && packet.terminates()) {
            streams.remove(packet.cid());
            waiting.remove(packet.cid());
            sequences.remove(packet.cid());
            return changed(nowNanos);
        }
        Sender sender = new Sender(packet.cid(), packet.sourceName(), packet.priority(), from);
        return news && take(new Stream(sender, packet.slots(), nowNanos), waits, packet.sync());
    }

    /** Levels that come by Art-Net. @param sequence 0 when packets are not counted */
    public synchronized boolean take(Sender sender, int sequence, byte[] slots, boolean waits, long nowNanos) {
        return (sequence == 0 || accepts(sender.cid(), sequence))
                && take(new Stream(sender, slots, nowNanos), waits, 0);
    }

    private boolean take(Stream stream, boolean waits, int sync) {
        UUID cid = stream.sender().cid();
        if (waits) {
            waiting.put(cid, new Waiting(stream, sync));
            streams.computeIfPresent(cid, (c, s) -> new Stream(stream.sender(), s.slots(), stream.atNanos()));
        } else {
            waiting.remove(cid);
            streams.put(cid, stream);
        }
        return changed(stream.atNanos());
    }

    /** What waits for a sender's synchronisation address counts now. @return whether that is something else */
    public synchronized boolean release(UUID cid, int sync, long nowNanos) {
        Waiting there = waiting.get(cid);
        if (there == null || there.sync() != sync) {
            return false;
        }
        waiting.remove(cid);
        streams.put(cid, there.stream());
        return changed(nowNanos);
    }

    private boolean accepts(UUID cid, int sequence) {
        return sequences.computeIfAbsent(cid, c -> new Sequence()).accepts(sequence);
    }

    private boolean changed(long nowNanos) {
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
                waiting.remove(s.sender().cid());
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
