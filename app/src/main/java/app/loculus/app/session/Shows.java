package app.loculus.app.session;

import app.loculus.app.store.DamagedShow;
import app.loculus.app.store.KeyStore;
import app.loculus.app.store.ShowStore;
import app.loculus.app.store.disk.StorageChanged;
import app.loculus.app.store.disk.StorageLost;
import app.loculus.core.command.LineReader;
import app.loculus.core.edit.patch.TakeBackFixtures;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Universes;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Limits;
import app.loculus.formats.journal.UnreadableEntry;
import app.loculus.formats.showfile.ShowFile;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** Every show there is; opens them when they are asked for. One of them is live and drives the output. */
@Service
public class Shows {

    private static final Logger LOG = LoggerFactory.getLogger(Shows.class);

    /** Shows in memory beside the live one: a large one takes some 40 MB. */
    private static final int MOST_OPEN = 2;

    private final Keeper keeper;
    private final LineReader lines;
    private final ApplicationEventPublisher events;
    private final Map<Long, OpenShow> open = new ConcurrentHashMap<>();
    private final Map<Long, String> damaged = new ConcurrentHashMap<>();
    private final Map<Long, String> historyEnds = new ConcurrentHashMap<>();

    /** Held while it is decided which show is live, and while anybody is told of a change: one after the other. */
    private final Object liveOwner = new Object();

    private volatile Optional<Long> live = Optional.empty();

    /** What lies around a show, from outside it. */
    private volatile LongFunction<ShowEdit.Around> around = id -> ShowEdit.Around.NOTHING;

    Shows(Keeper keeper, LineReader lines, ApplicationEventPublisher events) {
        this.keeper = keeper;
        this.lines = lines;
        this.events = events;
        this.live = keeper.store().list().stream()
                .filter(ShowStore.Listed::live)
                .map(ShowStore.Listed::id)
                .findFirst()
                .filter(this::opens);
    }

    private boolean opens(long id) {
        try {
            open(id);
            return true;
        } catch (DamagedShow e) {
            LOG.warn("{} It is not opened; the other shows are.", e.getMessage());
            return false;
        }
    }

    /** Where the fixtures of a show are, without loading it. */
    public List<ShowStore.OnPlan> plan(long id) {
        keeper.store().find(id).orElseThrow(() -> new NoSuchShow(id));
        return keeper.store().plan(id);
    }

    public List<ShowStore.Listed> list() {
        return keeper.store().list();
    }

    /** What is wrong with a show that was found to be damaged, in words. */
    public Optional<String> damage(long id) {
        return Optional.ofNullable(damaged.get(id));
    }

    public Optional<Snapshot> live() {
        return live.map(id -> open(id).snapshot());
    }

    public boolean isLive(long id) {
        return live.filter(l -> l == id).isPresent();
    }

    /** Creates an empty show and makes it live. */
    public Snapshot create(String name) {
        return create(Show.empty(checked(name)), EditRequest.NOW);
    }

    /**
     * Creates a show that holds what another one or a template holds, and makes it live. Nothing of it leaves the machine
     * until it is switched on.
     */
    public Snapshot create(String name, long from, EditRequest request) {
        return create(Universes.keptInside(get(from).show().named(checked(name)).known("")), request);
    }

    /** Takes a show in that came as a file, and makes it live. Nothing of it leaves the machine until it is switched on. */
    public Snapshot takeIn(ShowFile file, EditRequest request) {
        Show show = Universes.keptInside(file.show().named(checked(file.show().name())));
        file.versions().forEach(v -> checked(v.name()));
        int most = Math.min(file.versions().size(), Limits.VERSIONS);
        ShowFile inside = new ShowFile(show, file.versions().subList(0, most));
        return begun(show, kept(request, () -> keeper.store().create(inside)));
    }

    /** Creates a show with this content and makes it live. */
    public Snapshot create(Show show, EditRequest request) {
        Show known = show.get(PartKinds.IDENTITY, Whole.SHOW).isEmpty()
                ? show.known(UUID.randomUUID().toString())
                : show;
        return begun(known, kept(known, false, request));
    }

    /** Creates a show with this content beside the one that is live. @return its id */
    public long createAside(Show show, EditRequest request) {
        return kept(show.known(UUID.randomUUID().toString()), false, request).id();
    }

    /** It is what was kept, so that it need not be read again. */
    private Snapshot begun(Show show, Made made) {
        if (made.anew()) {
            open.computeIfAbsent(
                    made.id(), id -> new OpenShow(keeper, new Snapshot(id, show, 0, History.NONE), this::tell));
        }
        Snapshot live = makeLive(made.id());
        letGo();
        return live;
    }

    /** How many shows are in memory. */
    int inMemory() {
        return open.size();
    }

    /** A show that was kept. @param anew whether by this request, and not by one that it repeats */
    private record Made(long id, boolean anew) {}

    /** Keeps a show as it is now as a template. @return the template's id */
    public long saveAsTemplate(long id, String name, EditRequest request) {
        return kept(get(id).show().named(checked(name)), true, request).id();
    }

    /** Keeps a new show; a request that is repeated with its key answers the same one. */
    private Made kept(Show show, boolean template, EditRequest request) {
        checked(show.name());
        return kept(request, () -> keeper.store().create(show, template));
    }

    private Made kept(EditRequest request, LongSupplier created) {
        synchronized (liveOwner) {
            Optional<KeyStore.Kept> before =
                    request.key().flatMap(k -> keeper.keys().find(0, k.name()));
            if (before.isPresent()) {
                if (!before.get().content().equals(request.key().get().content())) {
                    throw Refusal.of("key.reused", "key", "The key was used for another request.");
                }
                return new Made(before.get().revision(), false);
            }
            return keeper.disk().write(() -> {
                long id = created.getAsLong();
                request.key().ifPresent(k -> keeper.keys().put(0, k.name(), new KeyStore.Kept(k.content(), id, "{}")));
                return new Made(id, true);
            });
        }
    }

    /** @throws Refusal for the show that is open */
    public void archive(long id, boolean archived) {
        exists(id);
        if (archived && isLive(id)) {
            throw Refusal.of(
                    "show.live",
                    "show",
                    "The show that is open cannot be archived.",
                    WayOut.advice("Open another one first."));
        }
        keeper.disk().write(() -> keeper.store().archive(id, archived));
    }

    /** @throws NoSuchShow when there is none of this id */
    void exists(long id) {
        keeper.store().find(id).orElseThrow(() -> new NoSuchShow(id));
    }

    /** Makes the fixtures of one earlier edit what they were before it, whatever was done to others since. */
    public Edited takeBack(long id, long revision, EditRequest request) {
        Delta made = keeper.store()
                .madeAs(id, revision)
                .orElseThrow(() -> Refusal.of(
                        "edit.gone", "revision", "What led to revision " + revision + " was taken back already."));
        return edit(id, new TakeBackFixtures(made), request);
    }

    /** Keeps what can be read of a damaged show as a show of its own. @return its id */
    public long saveReadable(long id, List<String> missing) {
        Show readable = keeper.store().readable(id, missing).orElseThrow(() -> new NoSuchShow(id));
        String name = readable.name() + " (what could be read)";
        String cut = name.substring(0, Math.min(name.length(), Limits.NAME));
        return kept(Universes.keptInside(readable.named(cut)), false, EditRequest.NOW)
                .id();
    }

    /** Since when the history of a show is lost, in words; empty when it is whole. */
    public String historyEnds(long id) {
        return historyEnds.getOrDefault(id, "");
    }

    /** Reads every entry of a show's history; one that cannot be read ends it, and that is told. */
    void inspect(long id, BooleanSupplier stopping) {
        List<History.Entry> done = get(id).history().done();
        for (int i = done.size() - 1; i >= 0 && !stopping.getAsBoolean(); i--) {
            History.Entry entry = done.get(i);
            try {
                keeper.store().delta(entry);
            } catch (UnreadableEntry damaged) {
                boolean gone = get(id).history().done().stream().noneMatch(e -> e.id() == entry.id());
                if (!gone) {
                    with(id, show -> {
                        show.endHistory(entry, true);
                        return null;
                    });
                    historyEnds.put(
                            id,
                            "The history ends at “" + entry.words() + "” ("
                                    + Instant.ofEpochMilli(entry.madeAtMillis()).truncatedTo(ChronoUnit.SECONDS)
                                    + "): it and what was before cannot be read any more. The show itself is whole.");
                }
                return;
            }
        }
    }

    static String checked(String name) {
        return Limits.name("show.name", "name", name);
    }

    /** Opens a show: from now on it drives the output. */
    public Snapshot makeLive(long id) {
        open(id);
        synchronized (liveOwner) {
            keeper.disk().write(() -> keeper.store().makeLive(id));
            live = Optional.of(id);
            Snapshot snapshot = open(id).snapshot();
            events.publishEvent(ShowChanged.whole(snapshot));
            return snapshot;
        }
    }

    /** @throws NoSuchShow when there is none of this id */
    public Snapshot get(long id) {
        return open(id).snapshot();
    }

    public Edited edit(long id, ShowEdit edit, EditRequest request) {
        return with(id, show -> show.edit(edit.within(() -> around.apply(id)), request));
    }

    /** @param layers what lies around a show from outside it, for edits that go by what the lights do */
    public void layersAround(LongFunction<ShowEdit.Around> layers) {
        around = layers;
    }

    /** A show as its lights are seen: with what runs under its working values. */
    public Show seen(long id) {
        return lit(id, get(id).show());
    }

    /** A show that this one may become, as its lights would be seen. */
    public Show lit(long id, Show show) {
        return show.playing(around.apply(id).below());
    }

    public Edited undo(long id, int times, EditRequest request) {
        return with(id, show -> show.undo(times, request));
    }

    public Edited redo(long id, int times, EditRequest request) {
        return with(id, show -> show.redo(times, request));
    }

    public LineReader lines() {
        return lines;
    }

    /** A show that has just left memory is opened again. */
    <T> T with(long id, Function<OpenShow, T> work) {
        while (true) {
            OpenShow show = open(id);
            try {
                return work.apply(show);
            } catch (OpenShow.Closed e) {
                open.remove(id, show);
            }
        }
    }

    /** A show that is in memory. */
    Optional<OpenShow> held(long id) {
        return Optional.ofNullable(open.get(id));
    }

    OpenShow open(long id) {
        OpenShow show = open.get(id);
        if (show == null) {
            show = open.computeIfAbsent(id, this::load);
            letGo();
        }
        return show;
    }

    private OpenShow load(long id) {
        try {
            ShowStore.Stored stored = keeper.store().load(id).orElseThrow(() -> new NoSuchShow(id));
            stored.said().forEach(words -> LOG.warn("Show {}: {}", id, words));
            damaged.remove(id);
            return new OpenShow(
                    keeper, new Snapshot(id, stored.show(), stored.revision(), stored.history()), this::tell);
        } catch (DamagedShow e) {
            damaged.put(id, e.getMessage());
            throw e;
        }
    }

    /** Shows that were used longest ago leave memory. */
    private void letGo() {
        List<Map.Entry<Long, OpenShow>> others = new ArrayList<>(open.entrySet());
        others.removeIf(e -> isLive(e.getKey()));
        others.sort(Comparator.comparingLong(e -> e.getValue().usedAtNanos()));
        for (int i = 0; i < others.size() - MOST_OPEN; i++) {
            open.computeIfPresent(others.get(i).getKey(), (id, show) -> show.close() ? null : show);
        }
    }

    private void tell(Snapshot snapshot, Delta delta) {
        synchronized (liveOwner) {
            events.publishEvent(
                    new ShowChanged(snapshot, delta.parts(), delta.noticed(), false, isLive(snapshot.id())));
        }
    }

    /** The database had to be opened again: what is in memory may be ahead of it. */
    @EventListener
    @Order(1)
    void lost(StorageLost event) {
        open.values().forEach(OpenShow::abandon);
        open.clear();
    }

    /** When it can be written again everybody looks at the live show anew. */
    @EventListener
    @Order(1)
    void well(StorageChanged event) {
        if (event.trouble().isEmpty()) {
            try {
                live().ifPresent(s -> events.publishEvent(ShowChanged.whole(s)));
            } catch (RuntimeException e) {
                LOG.warn("The live show could not be read again: {}", e.getMessage());
            }
        }
    }
}
