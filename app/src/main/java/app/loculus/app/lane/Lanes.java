package app.loculus.app.lane;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Sends each request down its lane once its body is there. No body is read beyond what it can be: 8 MB, for paperwork
 * 48 MB (a workbook in Base64); forms, with files of limits of their own, are read as they come, two at a time.
 */
class Lanes implements Filter {

    private static final Logger LOG = LoggerFactory.getLogger(Lanes.class);
    private static final String LANE = Lanes.class.getName();
    private static final long MOST = 8L << 20;
    private static final long MOST_PAPERWORK = 48L << 20;
    private static final Set<String> ASKING = Set.of("GET", "HEAD", "OPTIONS");

    /** Edits wait for one another anyway, and share syncs. */
    private final Lane edits = new Lane(12);

    /** As many as there are cores, and one that may be slow. */
    private final Lane questions = new Lane(3);

    private final Lane files = new Lane(2);

    @Override
    public void doFilter(ServletRequest asked, ServletResponse answer, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) asked;
        HttpServletResponse response = (HttpServletResponse) answer;
        if (request.getDispatcherType() == DispatcherType.ASYNC) {
            Pass pass = (Pass) request.getAttribute(LANE);
            if (pass != null) {
                request.removeAttribute(LANE);
                try {
                    chain.doFilter(request, response);
                } finally {
                    pass.leave();
                }
                return;
            }
        }
        if (request.getDispatcherType() != DispatcherType.REQUEST
                || !request.getRequestURI().startsWith("/api/")) {
            chain.doFilter(request, response);
        } else if (ASKING.contains(request.getMethod())) {
            wait(questions, request, response, chain);
        } else {
            body(request, response, chain);
        }
    }

    private static void through(Lane lane, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        try {
            chain.doFilter(request, response);
        } finally {
            lane.leave();
        }
    }

    /** One without a body to wait for. */
    private static void wait(Lane lane, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        if (lane.enter()) {
            through(lane, request, response, chain);
        } else {
            later(lane, request.startAsync(request, response), request, response);
        }
    }

    private static void later(Lane lane, AsyncContext async, HttpServletRequest request, HttpServletResponse response) {
        // It is answered when its turn has come, however long that takes.
        async.setTimeout(0);
        Pass pass = new Pass(lane);
        async.addListener(pass);
        boolean waits = lane.enter(() -> {
            if (!pass.enter()) {
                return;
            }
            request.setAttribute(LANE, pass);
            try {
                async.dispatch();
            } catch (RuntimeException gone) {
                LOG.debug("Nobody waits for {} any more", request.getRequestURI(), gone);
                pass.leave();
            }
        });
        if (!waits) {
            refuse(
                    response,
                    HttpServletResponse.SC_SERVICE_UNAVAILABLE,
                    "Busy",
                    "Too much is asked at once; ask again in a moment.");
            async.complete();
        }
    }

    private void body(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        String type = request.getContentType();
        if (type != null && type.contains("*")) {
            // What is sent is of one kind; a wildcard would only fail later, in the message converters.
            refuse(
                    response,
                    HttpServletResponse.SC_UNSUPPORTED_MEDIA_TYPE,
                    "Not understood",
                    "JSON is spoken here; files come as a form.");
            return;
        }
        if (type != null && type.startsWith("multipart/")) {
            wait(files, request, response, chain);
            return;
        }
        long most = request.getRequestURI().matches(".*/(hookup|comparison)$") ? MOST_PAPERWORK : MOST;
        if (request.getContentLengthLong() > most) {
            tooLarge(response, most);
            return;
        }
        if (request.getContentLengthLong() == 0) {
            wait(edits, request, response, chain);
            return;
        }
        AsyncContext[] async = new AsyncContext[1];
        Gathered[] gathered = new Gathered[1];
        gathered[0] = new Gathered(request, most, end -> gathered(end, async[0], gathered[0], response, most));
        async[0] = request.startAsync(gathered[0], response);
        async[0].setTimeout(0);
        gathered[0].gather();
    }

    private void gathered(
            Gathered.End end, AsyncContext async, Gathered request, HttpServletResponse response, long most) {
        switch (end) {
            case WHOLE -> later(request.asksOnly() ? questions : edits, async, request, response);
            case TOO_LARGE -> {
                tooLarge(response, most);
                async.complete();
            }
            case TOO_SLOW -> {
                response.setHeader("Connection", "close");
                refuse(
                        response,
                        HttpServletResponse.SC_REQUEST_TIMEOUT,
                        "Too slow",
                        "What was sent came too slowly; nothing of it was done.");
                async.complete();
            }
            default -> async.complete();
        }
    }

    private static void tooLarge(HttpServletResponse response, long most) {
        refuse(
                response,
                HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE,
                "Too large",
                "What was sent is too large; at most " + (most >> 20) + " MB are taken in.");
    }

    private static void refuse(HttpServletResponse response, int status, String title, String words) {
        try {
            response.setStatus(status);
            response.setContentType("application/problem+json");
            response.getOutputStream()
                    .write(("{\"title\":\"" + title + "\",\"status\":" + status + ",\"detail\":\"" + words
                                    + "\",\"problems\":[]}")
                            .getBytes(StandardCharsets.UTF_8));
        } catch (IOException gone) {
            LOG.debug("Nobody hears “{}”", words, gone);
        }
    }
}
