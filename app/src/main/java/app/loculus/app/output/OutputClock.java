package app.loculus.app.output;

import java.time.Clock;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Component;

/** Wakes whoever sends when there may be something new, so that a change does not wait for the next tick. */
@Component
class OutputClock {

    private final Clock clock;
    private final ReentrantLock lock = new ReentrantLock();
    private final Condition woken = lock.newCondition();
    private final long startNanos = System.nanoTime();
    private boolean news;

    OutputClock(Clock clock) {
        this.clock = clock;
    }

    long millis() {
        return clock.millis();
    }

    /** Microseconds since the start; never goes back. */
    long micros() {
        return (System.nanoTime() - startNanos) / 1000;
    }

    void wake() {
        lock.lock();
        news = true;
        woken.signalAll();
        lock.unlock();
    }

    /** Waits until there is news, at most so long. */
    void await(long nanos) throws InterruptedException {
        lock.lock();
        try {
            long left = nanos;
            while (!news && left > 0) {
                left = woken.awaitNanos(left);
            }
            news = false;
        } finally {
            lock.unlock();
        }
    }
}
