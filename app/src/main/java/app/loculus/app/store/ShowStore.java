package app.loculus.app.store;

import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Differences;
import app.loculus.core.show.History;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.showfile.ShowFile;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Repository;

/**
 * Loads and keeps shows. Whatever changes the database runs within {@link Disk}; what was kept is on the disk when that
 * has synced it.
 */
@Repository
public class ShowStore {

    /**
     * A show as it lies in the database.
     *
     * @param said what referred to nothing and was let go of
     */
    public record Stored(Show show, long revision, History history, List<String> said) {}

    /** A line of the list of shows. */
    public record Listed(
            long id,
            String name,
            long revision,
            boolean live,
            OffsetDateTime createdAt,
            OffsetDateTime changedAt,
            boolean template,
            boolean archived) {

        static Listed of(ShowFileMapper.FileRow f) {
            return new Listed(
                    f.id(),
                    f.name(),
                    f.revision(),
                    f.live(),
                    f.createdAt(),
                    f.changedAt(),
                    f.kind().equals(TEMPLATE),
                    f.archived());
        }
    }

    /** A fixture on the plan. @param x metres to the right @param y metres upstage */
    public record OnPlan(int number, String position, double x, double y) {}

    private static final String TEMPLATE = "template";

    private final ShowFileMapper files;
    private final JournalStore journal;
    private final VersionStore versions;
    private final Map<PartKind<?, ?>, PartStore<?, ?>> stores = new LinkedHashMap<>();
    private final Clock clock;

    ShowStore(Mappers mappers, JournalStore journal, VersionStore versions, List<PartStore<?, ?>> stores, Clock clock) {
        this.files = mappers.of(ShowFileMapper.class);
        this.journal = journal;
        this.versions = versions;
        this.clock = clock;
        for (PartKind<?, ?> kind : PartKinds.ALL) {
            stores.stream().filter(s -> s.kind() == kind).findFirst().ifPresent(s -> this.stores.put(kind, s));
        }
    }

    public List<Listed> list() {
        return files.all().stream().map(Listed::of).toList();
    }

    /** Where its fixtures are, without loading the show. */
    public List<OnPlan> plan(long id) {
        return files.plan(id);
    }

    public Optional<Listed> find(long id) {
        return Optional.ofNullable(files.find(id)).map(Listed::of);
    }

    /** @return the id of a new show or template that holds these parts */
    public long create(Show show, boolean template) {
        long id = files.create(show.name(), template ? TEMPLATE : "show", now());
        write(id, show, Differences.between(Show.empty(show.name()), show));
        return id;
    }

    /** @return the id of a new show that holds what a file held */
    public long create(ShowFile file) {
        long id = create(file.show(), false);
        versions.keep(id, file.versions());
        return id;
    }

    public void archive(long id, boolean archived) {
        files.archive(id, archived);
    }

    public void makeLive(long id) {
        files.live(id);
    }

    public void saveVersion(long id, String name, long revision, Show show) {
        versions.keep(id, name, revision, show);
    }

    public void deleteVersion(long id, long version) {
        versions.delete(id, version);
    }

    /** @throws DamagedShow when a part of it cannot be read or its parts do not fit together */
    public Optional<Stored> load(long id) {
        return find(id).map(file -> {
            Losses losses = new Losses();
            List<String> said = new ArrayList<>();
            Show show = read(file, losses, said);
            if (!losses.words().isEmpty()) {
                throw new DamagedShow(id, file.name(), losses.words());
            }
            return new Stored(show, file.revision(), journal.history(id), said);
        });
    }

    /** What of a damaged show can be read. @param said takes what is missing */
    public Optional<Show> readable(long id, List<String> said) {
        return find(id).map(file -> {
            Losses losses = new Losses();
            Show show = read(file, losses, said);
            said.addAll(losses.words());
            return show;
        });
    }

    private Show read(Listed file, Losses losses, List<String> said) {
        List<Change<?, ?>> parts = new ArrayList<>();
        stores.values().forEach(store -> parts.addAll(store.read(file.id(), losses)));
        try {
            return Show.of(file.name(), parts, said);
        } catch (Refusal refusal) {
            throw new DamagedShow(
                    file.id(),
                    file.name(),
                    refusal.problems().stream().map(p -> p.words()).toList());
        }
    }

    /** Keeps an edit that was made. @return what it is in the history */
    public History.Entry keep(long id, Show after, long revision, String words, String gesture, Delta delta) {
        History.Entry entry = journal.append(id, revision, words, gesture, delta, now());
        write(id, after, delta);
        files.changed(id, revision, now());
        return entry;
    }

    /**
     * Keeps an edit that goes on with the gesture of the last one.
     *
     * @param joined both as one
     * @param delta what this one changes
     */
    public History.Entry keepOn(
            long id, Show after, long revision, String words, History.Entry last, Delta joined, Delta delta) {
        History.Entry entry = journal.extend(last, revision, words, joined, now());
        write(id, after, delta);
        files.changed(id, revision, now());
        return entry;
    }

    /** Keeps an undo or a redo of journal entries. */
    public void keepMoved(
            long id, Show after, long revision, List<History.Entry> entries, boolean undone, Delta delta) {
        journal.mark(entries, undone, revision);
        write(id, after, delta);
        files.changed(id, revision, now());
    }

    /** Nothing that was undone can be done again. */
    public void dropUndone(long id) {
        journal.dropUndone(id);
    }

    /** Drops what is too old to be kept. */
    public History bounded(long id, History history) {
        return journal.bounded(id, history);
    }

    /** The history begins behind an entry that cannot be read. */
    public void endHistory(long id, History.Entry at, boolean done) {
        if (done) {
            journal.end(id, at.id());
        } else {
            journal.endUndone(id, at.id());
        }
    }

    public Delta delta(History.Entry entry) {
        return journal.delta(entry.id());
    }

    public Optional<List<Delta>> since(long id, long revision) {
        return journal.since(id, revision);
    }

    /** What the edit that led to a revision changed; empty when it is undone or no longer known. */
    public Optional<Delta> madeAs(long id, long revision) {
        return journal.madeAs(id, revision);
    }

    private void write(long id, Show after, Delta delta) {
        stores.values().forEach(store -> write(store, id, after, delta));
    }

    private static <K, V> void write(PartStore<K, V> store, long id, Show after, Delta delta) {
        List<Change<K, V>> changes = delta.of(store.kind());
        if (!changes.isEmpty()) {
            store.write(id, after, changes);
        }
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }
}
