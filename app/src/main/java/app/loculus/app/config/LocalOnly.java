package app.loculus.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other web pages out: requests must name this machine and, if they say where they come from, come from this
 * application's own pages. Also sends the content policy and lets hashed assets be cached for long.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
public class LocalOnly extends OncePerRequestFilter {

    private static final Set<String> OWN_HOSTS = Set.of("localhost", "127.0.0.1", "[::1]");

    private static final String POLICY =
            "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
                    + "font-src 'self'; connect-src 'self' ws://localhost:* ws://127.0.0.1:*; object-src 'none'; base-uri 'none'; "
                    + "frame-ancestors 'none'; form-action 'none'";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!OWN_HOSTS.contains(request.getServerName()) || !sameOrigin(request)) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN, "Only this machine's own pages may ask.");
            return;
        }
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        chain.doFilter(request, response);
    }

    private static boolean sameOrigin(HttpServletRequest request) {
        String origin = request.getHeader("Origin");
        if (origin == null) {
            return true;
        }
        try {
            URI from = URI.create(origin);
            return from.getHost() != null
                    && OWN_HOSTS.contains(from.getHost())
                    && from.getPort() == request.getServerPort();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
