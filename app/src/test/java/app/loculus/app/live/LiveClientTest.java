package app.loculus.app.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.isA;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.loculus.app.rig.RigFeed;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PingMessage;
import org.springframework.web.socket.WebSocketSession;

/** A page that has gone without a word is let go of, one that answers never. */
class LiveClientTest {

    private static final long SECOND = 1_000_000_000L;
    private static final int WAIT_MS = 5000;

    private final AtomicLong nanos = new AtomicLong();
    private final AtomicBoolean ended = new AtomicBoolean();
    private final WebSocketSession session = mock(WebSocketSession.class);
    private final RigFeed dark = mock(RigFeed.class);
    private final LiveClient client =
            new LiveClient(session, dark, new ObjectMapper(), () -> 1, nanos::get, c -> ended.set(true));
    private Thread sender;

    @BeforeEach
    void begin() {
        when(dark.since(anyLong())).thenReturn(new RigFeed.Frame(1, Optional.empty()));
        sender = new Thread(client);
        sender.start();
    }

    @AfterEach
    void end() throws InterruptedException {
        client.close();
        sender.join(WAIT_MS);
    }

    @Test
    void one_that_answers_stays_however_long_the_day_is() throws Exception {
        for (int i = 0; i < 100; i++) {
            nanos.addAndGet(29 * SECOND);
            client.askWhetherThere();
            client.heard();
        }
        verify(session, timeout(WAIT_MS).atLeastOnce()).sendMessage(isA(PingMessage.class));
        assertThat(ended).isFalse();
    }

    @Test
    void one_from_which_nothing_is_heard_for_half_a_minute_is_closed() throws Exception {
        nanos.addAndGet(30 * SECOND);
        client.askWhetherThere();
        verify(session, timeout(WAIT_MS).atLeastOnce()).sendMessage(isA(PingMessage.class));
        assertThat(ended).isFalse();
        nanos.addAndGet(1);
        client.askWhetherThere();
        verify(session, timeout(WAIT_MS)).close(any(CloseStatus.class));
        sender.join(WAIT_MS);
        assertThat(ended).isTrue();
    }
}
