package app.loculus.app.output;

import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.resolve.Scene;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The rendered frames of the live show. */
@Component
public class LiveOutput {

    private final FrameRenderer renderer = new FrameRenderer();
    private final Shows shows;
    private volatile Frames frames = Frames.NONE;

    LiveOutput(Shows shows) {
        this.shows = shows;
        shows.live().ifPresent(s -> render(s.show().scene()));
    }

    /** What goes out now. */
    public Frames frames() {
        return frames;
    }

    /** The frames of any show, as they would go out. */
    public Frames frames(Snapshot snapshot) {
        boolean live = shows.live().filter(s -> s.id() == snapshot.id()).isPresent();
        return live ? frames : new FrameRenderer().render(snapshot.show().scene());
    }

    @EventListener
    @Order(1)
    void changed(ShowChanged event) {
        if (event.live()) {
            render(event.snapshot().show().scene());
        }
    }

    private synchronized void render(Scene scene) {
        frames = renderer.update(scene);
    }
}
