package app.loculus.app.output;

import app.loculus.app.store.SettingStore;
import app.loculus.core.dmx.Frames;
import app.loculus.core.patch.Address;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Sends what is rendered, universe by universe, as soon as it has changed and never more often than the standard allows.
 * Uses an unconnected socket: nobody listening is no error. What fails is told and tried again; the others go on.
 */
@Component
public class FrameClock implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(FrameClock.class);

    /** Under which the component identity is kept: one for good. */
    private static final String CID = "e131.cid";

    /** Longest sleep; what is due earlier shortens it. */
    private static final long REST_NANOS = 100_000_000L;

    /** Universes whose trouble is spelled out. */
    private static final int MOST_TOLD = 3;

    private static final long STOP_MS = 1000;

    /** A frame that was held up by less counts as in time. */
    private static final long LATE_NANOS = 6_000_000L;

    /** Added to how long a frame takes to make. */
    private static final long SPARE_NANOS = 2_000_000L;

    private static final int NO_UNIVERSE = 0;

    /** Which universes are sent is told so often (E1.31, 4.3). */
    private static final long ANNOUNCE_NANOS = 10_000_000_000L;

    private final LiveOutput output;
    private final Destinations destinations;
    private final OutputClock clock;
    private final PacketSender sender;
    private final Map<Integer, Outgoing> universes = new TreeMap<>();
    private final Map<Integer, String> trouble = new ConcurrentSkipListMap<>();
    private Thread thread;
    private volatile boolean running;
    private long announcedNanos = System.nanoTime() - ANNOUNCE_NANOS;

    /** How long it takes to make a frame, of late. */
    private long makingNanos;

    FrameClock(LiveOutput output, Destinations destinations, OutputClock clock, SettingStore settings) {
        this.output = output;
        this.destinations = destinations;
        this.clock = clock;
        this.sender = new PacketSender(
                UUID.fromString(settings.once(CID, () -> UUID.randomUUID().toString())));
    }

    /** Packets sent since the start. */
    public long packets() {
        return sender.packets();
    }

    /** What tells its packets from those of other senders, by E1.31 and by Art-Net. */
    public Set<UUID> own() {
        Set<UUID> own = new HashSet<>(destinations.own());
        own.add(sender.cid());
        return own;
    }

    /** Who else sends on the net where universes go from here. */
    public List<Overheard> overheard() {
        return destinations.overheard(sender.cid());
    }

    /** Who takes universes that go by Art-Net, in words, by universe. */
    public Map<Integer, List<String>> takers() {
        return destinations.takers();
    }

    /** What went out, by universe. */
    public List<Sent> sent() {
        return sender.sent();
    }

    /** What is wrong with the output in words, empty when nothing is. */
    public String trouble() {
        List<String> all = List.copyOf(trouble.values());
        String first = all.stream().limit(MOST_TOLD).collect(Collectors.joining(" "));
        return all.size() > MOST_TOLD ? first + " And " + (all.size() - MOST_TOLD) + " more." : first;
    }

    /** What is wrong with one universe. */
    public String trouble(int universe) {
        return trouble.getOrDefault(universe, "");
    }

    public int universes() {
        return output.frames().universes().size();
    }

    public int receivers() {
        return destinations.receivers();
    }

    @Override
    public void start() {
        running = true;
        thread = new Thread(this::run, "frame-clock");
        thread.start();
    }

    private void run() {
        try {
            while (running) {
                clock.await(Math.max(1, Math.min(REST_NANOS, tick())));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Sends what is due. @return nanoseconds until something is due again */
    private long tick() {
        long begun = System.nanoTime();
        try {
            Frames frames = output.frames();
            makingNanos = (3 * makingNanos + System.nanoTime() - begun) / 4;
            trouble.remove(NO_UNIVERSE);
            List<Integer> on = frames.universes().stream()
                    .filter(u -> output.setup(u).on())
                    .toList();
            on.forEach(u -> universes.computeIfAbsent(u, x -> new Outgoing()));
            long due = output.dueNanos();
            boolean moves = due <= 0;
            long now = moves ? together(frames, on) : System.nanoTime();
            long next = Long.MAX_VALUE;
            Map<Integer, Long> held = held(frames, on);
            for (Map.Entry<Integer, Outgoing> e : List.copyOf(universes.entrySet())) {
                long until = held.getOrDefault(e.getKey(), Long.MIN_VALUE);
                next = Math.min(next, one(e.getKey(), e.getValue(), on.contains(e.getKey()), frames, now, until));
            }
            beat();
            announce();
            // The next frame is begun so that it is made when it may go.
            return moves
                    ? Math.max(1, now + Outgoing.GAP_NANOS - makingNanos - SPARE_NANOS - System.nanoTime())
                    : Math.min(next, due);
        } catch (RuntimeException e) {
            tell(NO_UNIVERSE, "A frame could not be rendered: " + e.getMessage(), e);
            return REST_NANOS;
        }
    }

    /**
     * Waits until all universes that have changed may go, so that they keep one beat while something moves. Held up a
     * little it counts as in time, so that over time frames come as often as they may and never more often.
     *
     * @return the time that counts for all of them
     */
    private long together(Frames frames, List<Integer> on) {
        long beat = on.stream()
                .filter(u -> universes.get(u).changed(frames, u))
                .mapToLong(u -> universes.get(u).earliest())
                .max()
                .orElse(Long.MIN_VALUE);
        if (beat == Long.MIN_VALUE) {
            return System.nanoTime();
        }
        long left = beat - System.nanoTime();
        if (left > 0) {
            // Finer than Thread.sleep, which rounds to milliseconds.
            LockSupport.parkNanos(Math.min(left, Outgoing.GAP_NANOS));
        }
        long now = System.nanoTime();
        return now > beat && now - beat < LATE_NANOS ? beat : now;
    }

    /**
     * Universes with one synchronisation address change at the same moment: those that have changed wait for the one of
     * them that may go last.
     *
     * @return until when, by universe
     */
    private Map<Integer, Long> held(Frames frames, List<Integer> on) {
        Map<Integer, List<Integer>> together = new HashMap<>();
        on.stream()
                .filter(u -> output.setup(u).sync() != 0 && universes.get(u).changed(frames, u))
                .forEach(u -> together.computeIfAbsent(output.setup(u).sync(), s -> new ArrayList<>())
                        .add(u));
        Map<Integer, Long> held = new HashMap<>();
        together.values().forEach(all -> {
            long last = all.stream()
                    .mapToLong(u -> universes.get(u).earliest())
                    .max()
                    .orElseThrow();
            all.forEach(u -> held.put(u, last));
        });
        return held;
    }

    private void beat() {
        try {
            sender.beat();
        } catch (IOException e) {
            tell(NO_UNIVERSE, "That universes count together could not be told: " + e.getMessage(), e);
        }
    }

    /** @param now the time that counts; @param until before which it does not go */
    private long one(int universe, Outgoing line, boolean on, Frames frames, long now, long until) {
        try {
            line.redirect(on ? destinations.of(output.setup(universe)) : List.of());
            boolean changed = on && line.changed(frames, universe);
            if (now >= Math.max(until, line.latest(changed))) {
                send(universe, line, frames, changed, now);
            }
            if (!on && !line.ending()) {
                universes.remove(universe);
                trouble.remove(universe);
                destinations.forget(universe);
                return Long.MAX_VALUE;
            }
            return Math.max(until, line.latest(on && line.changed(frames, universe))) - System.nanoTime();
        } catch (IOException | RuntimeException e) {
            tell(universe, "Universe " + universe + " does not go out: " + e.getMessage(), e);
            line.sent(frames, false, now);
            return Outgoing.GAP_NANOS;
        }
    }

    private void send(int universe, Outgoing line, Frames frames, boolean changed, long now) throws IOException {
        line.sent(frames, changed, now);
        byte[] slots = frames.slots(universe);
        for (Destination to : line.endingNow()) {
            sender.end(universe, to, line.next(to), new byte[Address.SLOTS]);
        }
        IOException failed = null;
        for (Destination to : line.goes()) {
            try {
                sender.levels(universe, to, line.next(to), slots);
            } catch (IOException e) {
                failed = e;
            }
        }
        if (failed != null) {
            throw failed;
        }
        String wrong = destinations.trouble(output.setup(universe));
        if (wrong.isEmpty()) {
            trouble.remove(universe);
        } else {
            trouble.put(universe, wrong);
        }
    }

    /** Tells everybody who may listen which universes they get from here. */
    private void announce() {
        if (System.nanoTime() - announcedNanos < ANNOUNCE_NANOS) {
            return;
        }
        Map<Destinations.Listener, List<Integer>> listeners = destinations.listeners(
                universes.values().stream().flatMap(o -> o.goes().stream()).toList());
        if (listeners.isEmpty()) {
            return;
        }
        announcedNanos = System.nanoTime();
        listeners.forEach((where, numbers) -> {
            try {
                sender.announce(where, numbers);
            } catch (IOException e) {
                tell(NO_UNIVERSE, "Which universes are sent could not be told: " + e.getMessage(), e);
            }
        });
    }

    private void tell(int universe, String words, Exception cause) {
        if (!words.equals(trouble.put(universe, words))) {
            LOG.error("{}", words, cause);
        }
    }

    @Override
    public void stop() {
        running = false;
        clock.wake();
        try {
            thread.join(STOP_MS);
            endAll();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        destinations.close();
        thread = null;
    }

    /** Every stream is ended, at the pace of the standard. */
    private void endAll() throws InterruptedException {
        universes.values().forEach(Outgoing::endAll);
        while (universes.values().stream().anyMatch(Outgoing::ending)) {
            Thread.sleep(Outgoing.GAP_NANOS / 1_000_000 + 1);
            universes.forEach((universe, line) -> {
                try {
                    send(universe, line, Frames.NONE, false, System.nanoTime());
                } catch (IOException e) {
                    LOG.warn("Universe {} could not be ended: {}", universe, e.getMessage());
                }
            });
        }
    }

    @Override
    public boolean isRunning() {
        return thread != null;
    }
}
