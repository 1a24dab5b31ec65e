package app.loculus.app.live;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;

/** Where the WebSocket is reached; only this machine's own pages may connect. */
@Configuration
@EnableWebSocket
class LiveConfig implements WebSocketConfigurer {

    private final LiveSocket socket;

    LiveConfig(LiveSocket socket) {
        this.socket = socket;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        registry.addHandler(socket, "/live").setAllowedOriginPatterns("http://localhost:[*]", "http://127.0.0.1:[*]");
    }
}
