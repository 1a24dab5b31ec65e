package app.loculus.app.output;

import app.loculus.app.live.NobodyLooks;
import app.loculus.app.session.ShowChanged;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import java.util.Optional;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The rendered frames of the live show. Rendered when they are asked for, so that no edit waits for them. */
@Component
public class LiveOutput {

    /** Slots that something else than the show drives. */
    public record Overlay(Address at, byte[] slots) {}

    private final FrameRenderer renderer = new FrameRenderer();
    private final Shows shows;
    private volatile Show show;
    private volatile Optional<Scene> instead = Optional.empty();
    private volatile Optional<Overlay> overlay = Optional.empty();
    private Scene rendered;
    private Overlay laid;
    private Frames plain = Frames.NONE;
    private Frames frames = Frames.NONE;

    LiveOutput(Shows shows) {
        this.shows = shows;
        shows.live().ifPresent(s -> show = s.show());
    }

    /** What goes out now. */
    public synchronized Frames frames() {
        Show now = show;
        Scene scene = instead.orElse(now == null ? null : now.scene());
        Overlay over = overlay.orElse(null);
        if (scene != null && scene != rendered || over != laid) {
            plain = scene == null || scene == rendered ? plain : renderer.update(scene);
            frames = over == null
                    ? plain
                    : plain.overlaid(over.at().universe(), over.at().slot(), over.slots());
            rendered = scene;
            laid = over;
        }
        return frames;
    }

    /** What a universe is called and where it goes. */
    public UniverseSetup setup(int universe) {
        Show now = show;
        return now == null ? UniverseSetup.usual(universe) : now.universe(universe);
    }

    /** Sends another scene of the live show instead of it, or the show itself again. */
    public void showInstead(Optional<Scene> scene) {
        instead = scene;
    }

    public void overlay(Optional<Overlay> slots) {
        overlay = slots;
    }

    /** The frames of any show, as they would go out. */
    public Frames frames(Snapshot snapshot) {
        boolean live = shows.live().filter(s -> s.id() == snapshot.id()).isPresent();
        return live ? frames() : new FrameRenderer().render(snapshot.show().scene());
    }

    /** Nobody is left who could end it: the show itself goes out again. */
    @EventListener
    void alone(NobodyLooks event) {
        showInstead(Optional.empty());
        overlay(Optional.empty());
    }

    @EventListener
    @Order(1)
    void changed(ShowChanged event) {
        if (event.live()) {
            show = event.snapshot().show();
        }
    }
}
