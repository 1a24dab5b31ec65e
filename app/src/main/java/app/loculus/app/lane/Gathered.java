package app.loculus.app.lane;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;

/**
 * A request whose body is gathered as it comes, without a thread that waits for it, until it is whole, too large, or too
 * slow.
 */
final class Gathered extends HttpServletRequestWrapper implements ReadListener {

    /** How a body ended. */
    enum End {
        WHOLE,
        TOO_LARGE,
        TOO_SLOW,
        BROKEN
    }

    /** What every body is given, in nanoseconds ... */
    private static final long PATIENCE_NANOS = 10_000_000_000L;

    /** ... and for each octet beyond: 20 kB a second are slow. */
    private static final long NANOS_AN_OCTET = 50_000;

    private final ServletInputStream in;
    private final long most;
    private final Consumer<End> ended;
    private final long begun = System.nanoTime();
    private final ByteArrayOutputStream body = new ByteArrayOutputStream();
    private final byte[] some = new byte[1 << 13];
    private boolean over;

    /** @param most octets that are taken */
    Gathered(HttpServletRequest request, long most, Consumer<End> ended) throws IOException {
        super(request);
        this.in = request.getInputStream();
        this.most = most;
        this.ended = ended;
    }

    /** Once the request is asynchronous. */
    void gather() {
        in.setReadListener(this);
    }

    @Override
    public void onDataAvailable() throws IOException {
        while (!over && in.isReady()) {
            int count = in.read(some);
            if (count < 0) {
                return;
            }
            body.write(some, 0, count);
            if (body.size() > most) {
                end(End.TOO_LARGE);
            } else if (System.nanoTime() - begun > PATIENCE_NANOS + body.size() * NANOS_AN_OCTET) {
                end(End.TOO_SLOW);
            }
        }
    }

    @Override
    public void onAllDataRead() {
        end(End.WHOLE);
    }

    @Override
    public void onError(Throwable broken) {
        end(End.BROKEN);
    }

    private void end(End how) {
        if (!over) {
            over = true;
            ended.accept(how);
        }
    }

    /** Whether it asks what an edit would do, and does nothing. */
    boolean asksOnly() {
        return body.toString(StandardCharsets.ISO_8859_1).replace(" ", "").contains("\"preview\":true");
    }

    @Override
    public ServletInputStream getInputStream() {
        ByteArrayInputStream octets = new ByteArrayInputStream(body.toByteArray());
        return new ServletInputStream() {
            @Override
            public int read() {
                return octets.read();
            }

            @Override
            public int read(byte[] into, int from, int length) {
                return octets.read(into, from, length);
            }

            @Override
            public boolean isFinished() {
                return octets.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new IllegalStateException("The body is there already.");
            }
        };
    }

    @Override
    public BufferedReader getReader() {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
}
