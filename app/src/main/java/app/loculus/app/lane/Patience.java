package app.loculus.app.lane;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.coyote.AbstractProcessor;
import org.apache.coyote.Constants;
import org.apache.coyote.Request;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.SocketWrapperBase;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Ends connections that send headers or a body so slowly that they would never be done, which Tomcat leaves open as long
 * as an octet comes now and then.
 */
@Component
class Patience implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Patience.class);

    /** Nothing at all is waited for so long. */
    private static final int SILENT_MS = 20_000;

    private static final long HEADERS_NANOS = 10_000_000_000L;

    /** Beyond what {@link Gathered} gives, so that whoever still listens is told. */
    private static final long BODY_NANOS = 20_000_000_000L;

    /** Octets a second that a body comes with at least. */
    private static final long SLOWEST = 10_000;

    private static final long EVERY_MS = 1_000;

    private PatientProtocol protocol;
    private ScheduledExecutorService rounds;

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.setProtocol(PatientProtocol.class.getName());
        factory.addConnectorCustomizers(connector -> {
            protocol = (PatientProtocol) connector.getProtocolHandler();
            protocol.setConnectionTimeout(SILENT_MS);
            protocol.setKeepAliveTimeout(60_000);
        });
    }

    private void round() {
        try {
            long now = System.nanoTime();
            protocol.connections().stream().filter(c -> hopeless(c, now)).forEach(SocketWrapperBase::close);
        } catch (RuntimeException e) {
            LOG.warn("Connections could not be looked at", e);
        }
    }

    private static boolean hopeless(SocketWrapperBase<NioChannel> connection, long now) {
        if (!(connection.getCurrentProcessor() instanceof AbstractProcessor processor)) {
            return false;
        }
        Request request = processor.getRequest();
        long begun = request.getStartTimeNanos();
        if (begun < 0) {
            return false;
        }
        long age = now - begun;
        boolean served = processor.isAsync() || request.getRequestProcessor().getStage() == Constants.STAGE_SERVICE;
        if (!served) {
            // Begun and not served: the headers are not there yet.
            return age > HEADERS_NANOS;
        }
        return request.getContentLengthLong() > request.getBytesRead()
                && age > BODY_NANOS
                && request.getBytesRead() < age / 1_000_000_000L * SLOWEST;
    }

    @Override
    public void start() {
        rounds = Executors.newSingleThreadScheduledExecutor(r -> {
            Thread thread = new Thread(r, "patience");
            thread.setDaemon(true);
            return thread;
        });
        if (protocol != null) {
            rounds.scheduleWithFixedDelay(this::round, EVERY_MS, EVERY_MS, TimeUnit.MILLISECONDS);
        }
    }

    @Override
    public void stop() {
        rounds.shutdown();
        rounds = null;
    }

    @Override
    public boolean isRunning() {
        return rounds != null;
    }
}
