package app.loculus.app.live;

import app.loculus.app.devices.DevicesChanged;
import app.loculus.app.library.Library;
import app.loculus.app.output.RunsChanged;
import app.loculus.app.rig.RigFeed;
import app.loculus.app.session.NobodyLooks;
import app.loculus.app.session.PageGone;
import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.VersionsChanged;
import app.loculus.app.store.disk.StorageChanged;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.websocket.Session;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.adapter.NativeWebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;

/** Tells every connected browser. One that is let go is closed; it connects again by itself. */
@Component
public class LiveSocket extends TextWebSocketHandler implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSocket.class);
    private static final int FRAMES_A_SECOND = 30;

    /** A send that takes longer ends the connection. */
    private static final long SEND_LIMIT_MS = 5_000;

    /** Tomcat's name for that limit. */
    private static final String SEND_LIMIT = "org.apache.tomcat.websocket.BLOCKING_SEND_TIMEOUT";

    private static final int MOST_CLIENTS = 100;

    private static final long PING_MS = 10_000;

    /** A page that reloads is back within this time; its layers stay. */
    private static final long GONE_AFTER_MS = 2_000;

    private static final CloseStatus TOO_MANY =
            CloseStatus.SERVICE_OVERLOAD.withReason("More than " + MOST_CLIENTS + " pages are connected.");

    /** A message that is no change of a show. @param views which views have to be looked at again for it */
    record Note(String type, long show, String words, Set<String> views) {

        Note(String type, long show, Set<String> views) {
            this(type, show, "", views);
        }
    }

    private final Map<String, LiveClient> clients = new ConcurrentHashMap<>();
    private final RigFeed feed;
    private final ObjectMapper json;
    private final ApplicationEventPublisher events;
    private final ExecutorService senders = Executors.newCachedThreadPool(r -> {
        Thread thread = new Thread(r, "live-sender");
        thread.setDaemon(true);
        return thread;
    });
    private volatile ScheduledExecutorService clock;

    LiveSocket(RigFeed feed, ObjectMapper json, ApplicationEventPublisher events) {
        this.events = events;
        this.feed = feed;
        this.json = json;
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws IOException {
        if (clients.size() >= MOST_CLIENTS) {
            session.close(TOO_MANY);
            return;
        }
        if (session instanceof NativeWebSocketSession nativeSession
                && nativeSession.getNativeSession() instanceof Session own) {
            own.getUserProperties().put(SEND_LIMIT, SEND_LIMIT_MS);
        }
        LiveClient client = new LiveClient(
                session, feed, json, clients::size, System::nanoTime, c -> clients.remove(session.getId(), c));
        clients.put(session.getId(), client);
        senders.execute(client);
    }

    @Override
    protected void handlePongMessage(WebSocketSession session, PongMessage message) {
        LiveClient client = clients.get(session.getId());
        if (client != null) {
            client.heard();
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        LiveClient client = clients.remove(session.getId());
        String page = "";
        if (client != null) {
            client.close();
            page = client.page();
        }
        if (clients.isEmpty()) {
            events.publishEvent(new NobodyLooks());
        } else if (!page.isEmpty()) {
            String gone = page;
            later(() -> goneForGood(gone));
        }
    }

    private void later(Runnable work) {
        ScheduledExecutorService running = clock;
        if (running != null) {
            running.schedule(work, GONE_AFTER_MS, TimeUnit.MILLISECONDS);
        }
    }

    private void goneForGood(String page) {
        if (clients.values().stream().noneMatch(c -> c.page().equals(page))) {
            events.publishEvent(new PageGone(page));
        }
    }

    @EventListener
    @Order(3)
    void changed(ShowChanged event) {
        if (event.all() || !event.parts().isEmpty()) {
            Changed changed = Changed.of(event);
            each(c -> c.tell(changed));
        }
    }

    /** Every page looks at the library again. */
    @EventListener
    void changed(Library.Changed event) {
        each(c -> c.tell(Changed.library()));
    }

    @EventListener
    void changed(VersionsChanged event) {
        each(c -> c.note("versions", new Note("versions", event.show(), View.OF_VERSIONS)));
    }

    @EventListener
    void changed(DevicesChanged event) {
        each(c -> c.note("devices", new Note("devices", event.show(), View.OF_DEVICES)));
    }

    @EventListener
    void changed(RunsChanged event) {
        String type = event.step() ? "step" : "playing";
        Set<String> views = event.step() ? Set.of() : View.lit(event.byLight());
        each(c -> c.note(type, new Note(type, event.show(), views)));
    }

    @EventListener
    void changed(StorageChanged event) {
        each(c -> c.note("storage", new Note("storage", 0, event.trouble(), Set.of())));
    }

    private void each(Consumer<LiveClient> what) {
        clients.values().forEach(what);
    }

    /** A round that fails is told and the next one goes on. */
    private void tick() {
        try {
            if (!clients.isEmpty() && feed.advance()) {
                each(LiveClient::light);
            }
        } catch (RuntimeException e) {
            LOG.error("The light of the rig could not be told", e);
        }
    }

    @Override
    public void start() {
        clock = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "live-feed"));
        clock.scheduleWithFixedDelay(this::tick, 0, 1000 / FRAMES_A_SECOND, TimeUnit.MILLISECONDS);
        clock.scheduleWithFixedDelay(() -> each(LiveClient::askWhetherThere), PING_MS, PING_MS, TimeUnit.MILLISECONDS);
    }

    @Override
    public void stop() {
        clock.shutdown();
        clock = null;
        each(LiveClient::close);
    }

    @Override
    public boolean isRunning() {
        return clock != null;
    }
}
