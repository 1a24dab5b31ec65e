package app.loculus.app.session;

import app.loculus.app.store.ShowStore;
import app.loculus.app.store.VersionStore;
import app.loculus.core.command.LineReader;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Become;
import app.loculus.core.show.Show;
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
    private final VersionStore versions;
    private final LineReader lines;
    private final ApplicationEventPublisher events;
    private final Map<Long, OpenShow> open = new ConcurrentHashMap<>();
    private volatile Optional<Long> live;

    Shows(ShowStore store, VersionStore versions, LineReader lines, ApplicationEventPublisher events) {
        this.store = store;
        this.versions = versions;
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
        return makeLive(store.create(checked(name)));
    }

    /** Creates a show that holds what another one or a template holds, and makes it live. */
    public Snapshot create(String name, long from) {
        return makeLive(store.create(get(from).show().named(checked(name)), false));
    }

    /** Takes a show in that came as a file, and makes it live. Nothing of it leaves the machine until it is switched on. */
    public Snapshot takeIn(Show show) {
        return makeLive(store.create(show.named(checked(show.name())).keptInside(), false));
    }

    /** Keeps a show as it is now as a template. @return the template's id */
    public long saveAsTemplate(long id, String name) {
        return store.create(get(id).show().named(checked(name)), true);
    }

    /** @throws Refusal for the show that is open */
    public void archive(long id, boolean archived) {
        get(id);
        if (archived && live.filter(l -> l == id).isPresent()) {
            throw Refusal.of(
                    "show.live",
                    "show",
                    "The show that is open cannot be put away.",
                    WayOut.advice("Open another one first."));
        }
        store.archive(id, archived);
    }

    /** Newest first. */
    public List<VersionStore.Version> versions(long id) {
        get(id);
        return versions.of(id);
    }

    /** Keeps the show as it is now under a name. */
    public void saveVersion(long id, String name) {
        Snapshot now = get(id);
        versions.keep(id, checked(name), now.revision(), now.show());
    }

    public void deleteVersion(long id, long version) {
        versions.delete(id, version);
    }

    /** @throws Refusal when there is none of this id */
    public Show version(long id, long version) {
        return versions.show(id, version)
                .orElseThrow(() -> Refusal.of("show.version", "version", "There is no such version of this show."));
    }

    /** Makes the show what a version was, as one edit. */
    public Edited restore(long id, long version, EditRequest request) {
        String name = versions.of(id).stream()
                .filter(v -> v.id() == version)
                .map(VersionStore.Version::name)
                .findFirst()
                .orElse("");
        return edit(id, new Become(version(id, version), "Restores version “" + name + "”"), request);
    }

    private static String checked(String name) {
        String called = name == null ? "" : name.strip();
        if (called.isEmpty() || called.length() > LONGEST_NAME) {
            throw Refusal.of(
                    "show.name",
                    "name",
                    called.isEmpty() ? "A name is needed." : "The name has " + called.length() + " characters.",
                    WayOut.advice("1 to " + LONGEST_NAME + " characters."));
        }
        return called;
    }

    /** Opens a show: from now on it drives the output. */
    public Snapshot makeLive(long id) {
        Snapshot snapshot = open(id).snapshot();
        store.makeLive(id);
        live = Optional.of(id);
        events.publishEvent(new ShowChanged(
                snapshot,
                Set.of("show", "profiles", "fixtures", "groups", "palettes", "values", "hand", "universes"),
                true));
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
