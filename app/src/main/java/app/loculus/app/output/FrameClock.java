package app.loculus.app.output;

import app.loculus.core.dmx.Frames;
import app.loculus.formats.e131.DataPacket;
import app.loculus.formats.e131.DataPacketLayout;
import java.io.IOException;
import java.net.DatagramPacket;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Sends what is rendered, universe by universe. Uses an unconnected socket: nobody listening is no error. */
@Component
public class FrameClock implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(FrameClock.class);

    /** 44 Hz, the most that DMX512-A allows for 512 slots. */
    private static final long TICK_MICROS = 1_000_000 / 44 + 1;

    private static final long KEEP_ALIVE_NANOS = 900_000_000L;
    private static final int REPEATS = 3;

    private final LiveOutput output;
    private final Destinations destinations;
    private final UUID cid = UUID.randomUUID();
    private final Map<Integer, Line> lines = new TreeMap<>();
    private ScheduledExecutorService clock;
    private volatile long packets;
    private volatile String trouble = "";

    /** One universe on its way out. */
    private static final class Line {
        private Frames sent = Frames.NONE;
        private int sequence;
        private int repeats;
        private long lastNanos;
        private List<Destination> goes = List.of();
    }

    FrameClock(LiveOutput output, Destinations destinations) {
        this.output = output;
        this.destinations = destinations;
    }

    /** Packets sent since the start. */
    public long packets() {
        return packets;
    }

    /** What is wrong with the output in words, empty when nothing is. */
    public String trouble() {
        return trouble;
    }

    public int universes() {
        return output.frames().universes().size();
    }

    public int receivers() {
        return destinations.receivers();
    }

    @Override
    public void start() {
        clock = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "frame-clock"));
        clock.scheduleAtFixedRate(this::tick, 0, TICK_MICROS, TimeUnit.MICROSECONDS);
    }

    private void tick() {
        try {
            Frames frames = output.frames();
            Set<Integer> on = frames.universes().stream()
                    .filter(u -> output.setup(u).on())
                    .collect(Collectors.toSet());
            Set<Integer> ended = new HashSet<>(lines.keySet());
            ended.removeAll(on);
            ended.forEach(this::terminate);
            for (int universe : on) {
                send(universe, frames, lines.computeIfAbsent(universe, u -> new Line()));
            }
        } catch (RuntimeException e) {
            LOG.error("A frame could not be sent", e);
        }
    }

    private void send(int universe, Frames frames, Line line) {
        redirect(universe, line);
        boolean changed = !line.sent.sameAs(frames, universe);
        boolean due = line.repeats < REPEATS || System.nanoTime() - line.lastNanos >= KEEP_ALIVE_NANOS;
        if (changed || due) {
            line.repeats = changed ? 0 : Math.min(REPEATS, line.repeats + 1);
            line.sent = frames;
            packet(line, line.goes, frames.slots(universe), 0);
        }
    }

    /** Ends the stream where it no longer goes, and begins it at once where it goes now. */
    private void redirect(int universe, Line line) {
        List<Destination> goes = destinations.of(output.setup(universe));
        if (!goes.equals(line.goes)) {
            List<Destination> left = new ArrayList<>(line.goes);
            left.removeAll(goes);
            end(line, left);
            line.goes = goes;
            line.repeats = 0;
        }
    }

    private void packet(Line line, List<Destination> goes, byte[] slots, int options) {
        int sequence = line.sequence;
        line.sequence = line.sequence + 1 & 0xFF;
        line.lastNanos = System.nanoTime();
        for (Destination to : goes) {
            DataPacket packet =
                    new DataPacket(cid, "Loculus", to.priority(), sequence, options, to.universe(), 0, slots);
            byte[] bytes = DataPacketLayout.encode(packet);
            try {
                to.socket().send(new DatagramPacket(bytes, bytes.length, to.receiver()));
                packets++;
                trouble = destinations.trouble();
            } catch (IOException e) {
                trouble = "Frames do not reach " + to.receiver() + ": " + e.getMessage();
            }
        }
    }

    private void end(Line line, List<Destination> goes) {
        for (int i = 0; i < REPEATS && !goes.isEmpty(); i++) {
            packet(line, goes, new byte[512], DataPacket.STREAM_TERMINATED);
        }
    }

    private void terminate(int universe) {
        Line line = lines.remove(universe);
        end(line, line.goes);
    }

    @Override
    public void stop() {
        clock.shutdown();
        try {
            clock.awaitTermination(1, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        Set.copyOf(lines.keySet()).forEach(this::terminate);
        destinations.close();
        clock = null;
    }

    @Override
    public boolean isRunning() {
        return clock != null;
    }
}
