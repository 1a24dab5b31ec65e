package app.loculus.app.session;

import app.loculus.app.store.DamagedShow;
import app.loculus.app.store.ShowStore;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Looks every show and its history through once after the start, in the background, so that damage is told early. */
@Component
class Inspection implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Inspection.class);
    private static final long STOP_SECONDS = 5;

    /** Long enough for the first page to be there. */
    private static final long PAUSE_SECONDS = 3;

    private final Shows shows;
    private ExecutorService inspector;
    private CountDownLatch stop;

    Inspection(Shows shows) {
        this.shows = shows;
    }

    @Override
    public void start() {
        stop = new CountDownLatch(1);
        inspector = Executors.newSingleThreadExecutor(r -> {
            Thread thread = new Thread(r, "inspection");
            thread.setDaemon(true);
            thread.setPriority(Thread.MIN_PRIORITY);
            return thread;
        });
        inspector.execute(this::inspect);
    }

    private boolean stopping() {
        return stop.getCount() == 0;
    }

    private void inspect() {
        try {
            if (stop.await(PAUSE_SECONDS, TimeUnit.SECONDS)) {
                return;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return;
        }
        for (ShowStore.Listed show : shows.list()) {
            try {
                if (!stopping()) {
                    shows.inspect(show.id(), this::stopping);
                }
            } catch (DamagedShow | NoSuchShow told) {
                LOG.warn("{}", told.getMessage());
            } catch (RuntimeException e) {
                LOG.warn("Show {} could not be looked through", show.id(), e);
            }
        }
    }

    @Override
    public void stop() {
        stop.countDown();
        inspector.shutdown();
        try {
            inspector.awaitTermination(STOP_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        inspector = null;
    }

    @Override
    public boolean isRunning() {
        return inspector != null;
    }
}
