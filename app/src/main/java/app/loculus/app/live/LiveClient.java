package app.loculus.app.live;

import app.loculus.app.rig.RigFeed;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.function.IntSupplier;
import java.util.function.LongSupplier;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PingMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;

/**
 * One browser with a sender of its own: it waits for nobody and nobody waits for it. What it has not been told yet is
 * joined, and of the light it gets only the latest. One that does not take what is sent is closed.
 */
final class LiveClient implements Runnable {

    /** What all clients together are sent of the light, in octets a second: beyond it frames come less often. */
    private static final long BUDGET = 12L << 20;

    /** The longest time between two frames for that. */
    private static final long RAREST_NANOS = 500_000_000L;

    /** A client from which nothing has been heard for so long is gone, though its connection stands. */
    private static final long SILENT_NANOS = 30_000_000_000L;

    private final WebSocketSession session;
    private final RigFeed feed;
    private final ObjectMapper json;
    private final Consumer<LiveClient> ended;
    private final IntSupplier clients;
    private final ReentrantLock lock = new ReentrantLock();
    private final Condition news = lock.newCondition();
    private final Map<Long, Changed> changes = new LinkedHashMap<>();
    private final Map<String, Object> notes = new LinkedHashMap<>();
    private boolean frame = true;
    private boolean closed;

    /** The show whose light it is drawing; 0 while no change has named it. */
    private long lit;

    private boolean afresh;
    private long version;
    private boolean ping;

    /** No light before that. */
    private long lightFromNanos = System.nanoTime();

    private final LongSupplier nanos;

    private volatile long heardNanos;

    /**
     * @param clients how many there are
     * @param nanos the time, of any beginning
     */
    LiveClient(
            WebSocketSession session,
            RigFeed feed,
            ObjectMapper json,
            IntSupplier clients,
            LongSupplier nanos,
            Consumer<LiveClient> ended) {
        this.nanos = nanos;
        this.heardNanos = nanos.getAsLong();
        this.clients = clients;
        this.session = session;
        this.feed = feed;
        this.json = json;
        this.ended = ended;
    }

    /** Who it is: what the page calls itself, empty when it does not say. */
    String page() {
        String query = session.getUri() == null ? null : session.getUri().getQuery();
        return query != null && query.matches("page=[\\w-]{1,64}") ? query.substring("page=".length()) : "";
    }

    void tell(Changed changed) {
        signalled(() -> {
            changes.merge(changed.show(), changed, Changed::and);
            if (changed.live() && changed.show() != lit) {
                // The page forgets the light of the show before; what is alike in both is sent as well.
                lit = changed.show();
                afresh = true;
                frame = true;
            }
        });
    }

    /** Tells something that is no part of a show; the latest of a type counts. */
    void note(String type, Object message) {
        signalled(() -> notes.put(type, message));
    }

    /** There is new light. */
    void light() {
        signalled(() -> frame = true);
    }

    /** It has answered. */
    void heard() {
        heardNanos = nanos.getAsLong();
    }

    /** Asks whether it is there; one that does not answer is let go of. */
    void askWhetherThere() {
        if (nanos.getAsLong() - heardNanos > SILENT_NANOS) {
            close();
        } else {
            signalled(() -> ping = true);
        }
    }

    void close() {
        signalled(() -> closed = true);
    }

    private void signalled(Runnable change) {
        lock.lock();
        change.run();
        news.signal();
        lock.unlock();
    }

    @Override
    public void run() {
        CloseStatus why = CloseStatus.NORMAL;
        try {
            while (next()) {
                // each round sends what has come up meanwhile
            }
        } catch (IOException | RuntimeException e) {
            why = CloseStatus.SESSION_NOT_RELIABLE;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        ended.accept(this);
        try {
            session.close(why);
        } catch (IOException | RuntimeException e) {
            // it has gone already
        }
    }

    private boolean next() throws InterruptedException, IOException {
        List<Object> texts;
        boolean light;
        boolean asks;
        lock.lock();
        try {
            while (!closed && !ping && !due() && changes.isEmpty() && notes.isEmpty()) {
                if (frame) {
                    news.awaitNanos(lightFromNanos - System.nanoTime());
                } else {
                    news.await();
                }
            }
            if (closed) {
                return false;
            }
            texts = new java.util.ArrayList<>(changes.values());
            texts.addAll(notes.values());
            changes.clear();
            notes.clear();
            light = due();
            frame &= !light;
            asks = ping;
            ping = false;
            version = afresh && light ? 0 : version;
            afresh &= !light;
        } finally {
            lock.unlock();
        }
        for (Object text : texts) {
            session.sendMessage(new TextMessage(json.writeValueAsString(text)));
        }
        if (asks) {
            session.sendMessage(new PingMessage());
        }
        if (light) {
            send(feed.since(version));
        }
        return true;
    }

    private boolean due() {
        return frame && System.nanoTime() - lightFromNanos >= 0;
    }

    private void send(RigFeed.Frame latest) throws IOException {
        Optional<ByteBuffer> octets = latest.octets();
        version = latest.version();
        if (octets.isPresent()) {
            int size = octets.get().remaining();
            session.sendMessage(new BinaryMessage(octets.get()));
            long rest = size * (long) clients.getAsInt() * 1_000_000_000L / BUDGET;
            lightFromNanos = System.nanoTime() + Math.min(RAREST_NANOS, rest);
        }
    }
}
