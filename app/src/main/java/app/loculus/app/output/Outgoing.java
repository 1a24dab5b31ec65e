package app.loculus.app.output;

import app.loculus.core.dmx.Frames;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * One universe on its way out: what was sent last and when, how often it was repeated at rest, and the streams that are
 * being ended. Times in nanoseconds of the sender's clock.
 */
final class Outgoing {

    /** Least time between two packets of a universe: 44 a second, the most that DMX512-A allows for 512 slots. */
    static final long GAP_NANOS = 1_000_000_000L / 44 + 1;

    /** At rest: three repeats, then one packet every 800 to 1000 ms (E1.31, 6.6.2). */
    private static final long KEEP_ALIVE_NANOS = 900_000_000L;

    private static final int REPEATS = 3;

    /** A stream that is being ended: three packets that say so (E1.31, 6.7.1). */
    private static final class Ending {
        private final Destination to;
        private int left = REPEATS;

        Ending(Destination to) {
            this.to = to;
        }
    }

    private final Map<Destination.Stream, Long> counts = new LinkedHashMap<>();
    private final List<Ending> endings = new ArrayList<>();
    private List<Destination> goes = List.of();
    private Frames sent = Frames.NONE;
    private int repeats;
    private boolean begun;
    private long lastNanos;

    List<Destination> goes() {
        return goes;
    }

    /** Begins where it goes now, ends where it no longer goes. */
    void redirect(List<Destination> now) {
        if (now.equals(goes)) {
            return;
        }
        List<Destination.Stream> streams = now.stream().map(Destination::stream).toList();
        // Art-Net has no way to say that a stream ends.
        goes.stream()
                .filter(d -> d.wire() == Wire.E131 && !streams.contains(d.stream()))
                .forEach(d -> endings.add(new Ending(d)));
        endings.removeIf(e -> streams.contains(e.to.stream()));
        goes = now;
        repeats = 0;
    }

    /** When the next packet may go at the earliest. */
    long earliest() {
        return begun ? lastNanos + GAP_NANOS : Long.MIN_VALUE;
    }

    /** When the next packet has to go at the latest. */
    long latest(boolean changed) {
        return changed || repeats < REPEATS || !endings.isEmpty() ? earliest() : lastNanos + KEEP_ALIVE_NANOS;
    }

    boolean changed(Frames frames, int universe) {
        return !begun || !sent.sameAs(frames, universe);
    }

    void sent(Frames frames, boolean changed, long now) {
        repeats = changed ? 0 : Math.min(REPEATS, repeats + 1);
        sent = frames;
        lastNanos = now;
        begun = true;
    }

    /** Packets so far in a stream, which its sequence numbers go by, without gaps. */
    long next(Destination to) {
        return counts.merge(to.stream(), 1L, Long::sum) - 1;
    }

    /** Where a packet that ends the stream goes this time. */
    List<Destination> endingNow() {
        List<Destination> now = endings.stream().map(e -> e.to).toList();
        endings.forEach(e -> e.left--);
        endings.removeIf(e -> e.left == 0);
        return now;
    }

    boolean ending() {
        return !endings.isEmpty();
    }

    void endAll() {
        redirect(List.of());
    }
}
