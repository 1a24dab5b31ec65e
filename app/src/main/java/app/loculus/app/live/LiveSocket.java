package app.loculus.app.live;

import app.loculus.app.library.Library;
import app.loculus.app.rig.RigFeed;
import app.loculus.app.session.ShowChanged;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.ConcurrentWebSocketSessionDecorator;
import org.springframework.web.socket.handler.TextWebSocketHandler;

/** Tells every connected browser. A browser that does not keep up is let go; it connects again by itself. */
@Component
public class LiveSocket extends TextWebSocketHandler implements SmartLifecycle {

    private static final int FRAMES_A_SECOND = 30;
    private static final int SEND_LIMIT_MS = 5_000;
    private static final int BUFFER_LIMIT = 4_000_000;

    /** What the JSON messages look like. */
    record Message(String type, long show, long revision, Set<String> areas, boolean live) {}

    private final Map<String, WebSocketSession> sessions = new ConcurrentHashMap<>();
    private final Set<String> fresh = ConcurrentHashMap.newKeySet();
    private final RigFeed feed;
    private final ObjectMapper json;
    private final ApplicationEventPublisher events;
    private ScheduledExecutorService clock;

    LiveSocket(RigFeed feed, ObjectMapper json, ApplicationEventPublisher events) {
        this.events = events;
        this.feed = feed;
        this.json = json;
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) {
        sessions.put(session.getId(), new ConcurrentWebSocketSessionDecorator(session, SEND_LIMIT_MS, BUFFER_LIMIT));
        fresh.add(session.getId());
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        sessions.remove(session.getId());
        fresh.remove(session.getId());
        if (sessions.isEmpty()) {
            events.publishEvent(new NobodyLooks());
        }
    }

    @EventListener
    @Order(3)
    void changed(ShowChanged event) throws IOException {
        Message message =
                new Message("changed", event.snapshot().id(), event.snapshot().revision(), event.areas(), event.live());
        String text = json.writeValueAsString(message);
        sessions.values().forEach(s -> send(s, new TextMessage(text)));
    }

    /** Every page looks at the library again. */
    @EventListener
    void changed(Library.Changed event) throws IOException {
        String text = json.writeValueAsString(new Message("changed", 0, 0, Set.of("profiles"), false));
        sessions.values().forEach(s -> send(s, new TextMessage(text)));
    }

    private void tick() {
        if (sessions.isEmpty()) {
            return;
        }
        boolean all = !fresh.isEmpty();
        fresh.clear();
        feed.frame(all).ifPresent(frame -> sessions.values().forEach(s -> send(s, binary(frame))));
    }

    private static BinaryMessage binary(ByteBuffer frame) {
        return new BinaryMessage(frame.duplicate());
    }

    private void send(WebSocketSession session, WebSocketMessage<?> message) {
        try {
            session.sendMessage(message);
        } catch (IOException | RuntimeException e) {
            sessions.remove(session.getId());
        }
    }

    @Override
    public void start() {
        clock = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "live-feed"));
        clock.scheduleAtFixedRate(this::tick, 0, 1000 / FRAMES_A_SECOND, TimeUnit.MILLISECONDS);
    }

    @Override
    public void stop() {
        clock.shutdown();
        clock = null;
    }

    @Override
    public boolean isRunning() {
        return clock != null;
    }
}
