package app.loculus.app.lane;

import java.util.ArrayDeque;
import java.util.Deque;

/** So many at a time, the others one after the other in the order in which they came. Safe to share between threads. */
final class Lane {

    /** More than wait in any honest hour; those beyond are turned away. */
    private static final int MOST_WAITING = 2_000;

    private final int most;
    private final Deque<Runnable> waiting = new ArrayDeque<>();
    private int running;

    Lane(int most) {
        this.most = most;
    }

    /** @return whether there was room at once */
    synchronized boolean enter() {
        if (running >= most || !waiting.isEmpty()) {
            return false;
        }
        running++;
        return true;
    }

    /**
     * Enters now or later.
     *
     * @param go called once there is room, by whoever makes it
     * @return whether there is room to wait
     */
    boolean enter(Runnable go) {
        synchronized (this) {
            if (running >= most || !waiting.isEmpty()) {
                return waiting.size() < MOST_WAITING && waiting.add(go);
            }
            running++;
        }
        go.run();
        return true;
    }

    /** Leaves; the next one goes. */
    void leave() {
        Runnable next;
        synchronized (this) {
            next = waiting.poll();
            if (next == null) {
                running--;
            }
        }
        if (next != null) {
            next.run();
        }
    }
}
