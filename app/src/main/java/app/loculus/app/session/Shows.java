package app.loculus.app.session;

import app.loculus.app.store.ShowStore;
import app.loculus.core.command.LineReader;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Every show there is; opens them when they are asked for. One of them is live and drives the output. */
@Service
public class Shows {

    private static final int LONGEST_NAME = 200;

    private final ShowStore store;
    private final LineReader lines;
    private final ApplicationEventPublisher events;
    private final Map<Long, OpenShow> open = new ConcurrentHashMap<>();
    private volatile Optional<Long> live;

    Shows(ShowStore store, LineReader lines, ApplicationEventPublisher events) {
        this.store = store;
        this.lines = lines;
        this.events = events;
        this.live = store.list().stream()
                .filter(ShowStore.Listed::live)
                .map(ShowStore.Listed::id)
                .findFirst();
    }

    public List<ShowStore.Listed> list() {
        return store.list();
    }

    public Optional<Snapshot> live() {
        return live.map(id -> open(id).snapshot());
    }

    /** Creates an empty show and makes it live. */
    public Snapshot create(String name) {
        String called = name == null ? "" : name.strip();
        if (called.isEmpty() || called.length() > LONGEST_NAME) {
            throw Refusal.of(
                    "show.name",
                    "name",
                    called.isEmpty() ? "A show needs a name." : "The name has " + called.length() + " characters.",
                    WayOut.advice("1 to " + LONGEST_NAME + " characters."));
        }
        return makeLive(store.create(called));
    }

    /** Opens a show: from now on it drives the output. */
    public Snapshot makeLive(long id) {
        Snapshot snapshot = open(id).snapshot();
        store.makeLive(id);
        live = Optional.of(id);
        events.publishEvent(new ShowChanged(
                snapshot, Set.of("show", "profiles", "fixtures", "groups", "palettes", "values", "hand"), true));
        return snapshot;
    }

    /** @throws NoSuchShow when there is none of this id */
    public Snapshot get(long id) {
        return open(id).snapshot();
    }

    public Edited edit(long id, ShowEdit edit, EditRequest request) {
        return open(id).edit(edit, request);
    }

    public List<String> undo(long id, int times) {
        return open(id).undo(times);
    }

    public List<String> redo(long id, int times) {
        return open(id).redo(times);
    }

    public LineReader lines() {
        return lines;
    }

    private OpenShow open(long id) {
        return open.computeIfAbsent(id, this::load);
    }

    private OpenShow load(long id) {
        ShowStore.Stored stored = store.load(id).orElseThrow(() -> new NoSuchShow(id));
        Snapshot snapshot = new Snapshot(id, stored.show(), stored.revision(), stored.history());
        return new OpenShow(store, snapshot, this::tell);
    }

    private void tell(Snapshot snapshot, Set<String> areas) {
        boolean isLive = live.filter(id -> id == snapshot.id()).isPresent();
        events.publishEvent(new ShowChanged(snapshot, areas, isLive));
    }
}
