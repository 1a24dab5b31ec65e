package app.loculus.app.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** No body is read beyond what it can be: 8 MB, for paperwork 48 MB (a workbook in Base64); forms have limits of their own. */
@Component
class BoundedBodies extends OncePerRequestFilter {

    private static final long MOST = 8L << 20;
    private static final long MOST_PAPERWORK = 48L << 20;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String type = request.getContentType();
        if (type != null && type.contains("*")) {
            // What is sent is of one kind; a wildcard would only fail later, in the message converters.
            refuse(
                    response,
                    HttpServletResponse.SC_UNSUPPORTED_MEDIA_TYPE,
                    "JSON is spoken here; files come as a form.");
            return;
        }
        if (type != null && type.startsWith("multipart/")) {
            chain.doFilter(request, response);
            return;
        }
        long most = request.getRequestURI().matches(".*/(hookup|comparison)$") ? MOST_PAPERWORK : MOST;
        if (request.getContentLengthLong() > most) {
            refuse(response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE, new BodyTooLarge(most).getMessage());
            return;
        }
        chain.doFilter(new Bounded(request, most), response);
    }

    private static void refuse(HttpServletResponse response, int status, String words) throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        String title = status == HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE ? "Too large" : "Not understood";
        response.getOutputStream()
                .write(("{\"title\":\"" + title + "\",\"status\":" + status + ",\"detail\":\"" + words
                                + "\",\"problems\":[]}")
                        .getBytes(StandardCharsets.UTF_8));
    }

    /** Counts what is really read, whatever the header says. */
    private static final class Bounded extends HttpServletRequestWrapper {
        private final long most;

        Bounded(HttpServletRequest request, long most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new Counted(super.getInputStream(), most);
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private long read;

        Counted(ServletInputStream in, long most) {
            this.in = in;
            this.most = most;
        }

        private int counted(int octets) throws IOException {
            read += Math.max(0, octets);
            if (read > most) {
                throw new BodyTooLarge(most);
            }
            return octets;
        }

        @Override
        public int read() throws IOException {
            int octet = in.read();
            counted(octet < 0 ? 0 : 1);
            return octet;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            return counted(in.read(into, from, length));
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
