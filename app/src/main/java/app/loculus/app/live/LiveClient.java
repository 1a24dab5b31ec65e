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
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;

/**
 * One browser with a sender of its own: it waits for nobody and nobody waits for it. What it has not been told yet is
 * joined, and of the light it gets only the latest. One that does not take what is sent is closed.
 */
final class LiveClient implements Runnable {

    private final WebSocketSession session;
    private final RigFeed feed;
    private final ObjectMapper json;
    private final Consumer<LiveClient> ended;
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

    LiveClient(WebSocketSession session, RigFeed feed, ObjectMapper json, Consumer<LiveClient> ended) {
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
        lock.lock();
        try {
            while (!closed && !frame && changes.isEmpty() && notes.isEmpty()) {
                news.await();
            }
            if (closed) {
                return false;
            }
            texts = new java.util.ArrayList<>(changes.values());
            texts.addAll(notes.values());
            changes.clear();
            notes.clear();
            light = frame;
            frame = false;
            version = afresh ? 0 : version;
            afresh = false;
        } finally {
            lock.unlock();
        }
        for (Object text : texts) {
            session.sendMessage(new TextMessage(json.writeValueAsString(text)));
        }
        if (light) {
            send(feed.since(version));
        }
        return true;
    }

    private void send(RigFeed.Frame latest) throws IOException {
        Optional<ByteBuffer> octets = latest.octets();
        version = latest.version();
        if (octets.isPresent()) {
            session.sendMessage(new BinaryMessage(octets.get()));
        }
    }
}
