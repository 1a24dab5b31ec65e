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

/** The rendered frames of the live show. Rendered when they are asked for, so that no edit waits for them. */
@Component
public class LiveOutput {

    private final FrameRenderer renderer = new FrameRenderer();
    private final Shows shows;
    private volatile Scene wanted;
    private Scene rendered;
    private Frames frames = Frames.NONE;

    LiveOutput(Shows shows) {
        this.shows = shows;
        shows.live().ifPresent(s -> wanted = s.show().scene());
    }

    /** What goes out now. */
    public synchronized Frames frames() {
        Scene scene = wanted;
        if (scene != null && scene != rendered) {
            frames = renderer.update(scene);
            rendered = scene;
        }
        return frames;
    }

    /** The frames of any show, as they would go out. */
    public Frames frames(Snapshot snapshot) {
        boolean live = shows.live().filter(s -> s.id() == snapshot.id()).isPresent();
        return live ? frames() : new FrameRenderer().render(snapshot.show().scene());
    }

    @EventListener
    @Order(1)
    void changed(ShowChanged event) {
        if (event.live()) {
            wanted = event.snapshot().show().scene();
        }
    }
}
