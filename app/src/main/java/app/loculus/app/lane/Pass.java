package app.loculus.app.lane;

import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;

/**
 * The place of one waiting request in its lane. It is given back once, whether the request was served, failed, or its
 * client had gone before its turn came. Safe to share between threads.
 */
final class Pass implements AsyncListener {

    private final Lane lane;
    private boolean entered;
    private boolean over;

    Pass(Lane lane) {
        this.lane = lane;
    }

    /** Its turn has come. @return whether anybody still waits for it; else the place is given on at once */
    boolean enter() {
        synchronized (this) {
            if (!over) {
                entered = true;
                return true;
            }
        }
        lane.leave();
        return false;
    }

    void leave() {
        boolean gives;
        synchronized (this) {
            gives = entered && !over;
            over = true;
        }
        if (gives) {
            lane.leave();
        }
    }

    @Override
    public void onComplete(AsyncEvent event) {
        leave();
    }

    @Override
    public void onTimeout(AsyncEvent event) {
        // It has none.
    }

    @Override
    public void onError(AsyncEvent event) {
        // It is completed after that.
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // It waits once.
    }
}
