package app.loculus.app.store;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Become;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Show;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Loads and keeps shows. What a method has returned from is on disk. */
@Repository
public class ShowStore {

    private static final int DEPTH = 1000;
    private static final int LONGEST_WORDS = 2000;

    /** A show as it lies in the database. */
    public record Stored(Show show, long revision, History history) {}

    /** A line of the list of shows. */
    public record Listed(
            long id,
            String name,
            long revision,
            boolean live,
            OffsetDateTime createdAt,
            OffsetDateTime changedAt,
            boolean template,
            boolean archived) {}

    private static final String TEMPLATE = "template";

    private final ShowFileMapper files;
    private final JournalMapper journal;
    private final PartReader reader;
    private final PartWriter writer;
    private final Clock clock;
    private final ProfileStore profiles;
    private final DeltaCodec codec;

    ShowStore(
            ShowFileMapper files,
            JournalMapper journal,
            PartReader reader,
            PartWriter writer,
            ProfileStore profiles,
            Clock clock) {
        this.files = files;
        this.journal = journal;
        this.reader = reader;
        this.writer = writer;
        this.clock = clock;
        this.profiles = profiles;
        this.codec = new DeltaCodec(profiles::get);
    }

    public List<Listed> list() {
        return files.all().stream()
                .map(f -> new Listed(
                        f.id(),
                        f.name(),
                        f.revision(),
                        f.live(),
                        f.createdAt(),
                        f.changedAt(),
                        f.kind().equals(TEMPLATE),
                        f.archived()))
                .toList();
    }

    @Transactional
    public long create(String name) {
        return files.create(name, "show", now());
    }

    /** @return the id of a new show or template that holds these parts */
    @Transactional
    public long create(Show show, boolean template) {
        long id = files.create(show.name(), template ? TEMPLATE : "show", now());
        Delta all =
                new Become(show, "As it came").apply(Show.empty(show.name())).delta();
        parts(id, show, 0, all);
        return id;
    }

    @Transactional
    public void archive(long id, boolean archived) {
        files.archive(id, archived);
    }

    @Transactional
    public void makeLive(long id) {
        files.live(id);
    }

    public Optional<Stored> load(long id) {
        return files.all().stream().filter(f -> f.id() == id).findFirst().map(this::load);
    }

    private Stored load(Rows.ShowFile file) {
        List<Profile> own = files.sources(file.id()).stream()
                .map(s -> profiles.get(new ProfileId(s.id())))
                .toList();
        String held = files.held(file.id());
        Show show = reader.read(
                file.id(),
                file.name(),
                new Profiles(own),
                Optional.ofNullable(held).map(codec::hand));
        return new Stored(show, file.revision(), history(file.id()));
    }

    private History history(long id) {
        List<History.Entry> done = entries(journal.latest(id, "done", DEPTH));
        Collections.reverse(done);
        return new History(done, entries(journal.latest(id, "undone", DEPTH)));
    }

    private List<History.Entry> entries(List<Rows.JournalRow> rows) {
        List<History.Entry> entries = new ArrayList<>();
        rows.forEach(r -> entries.add(new History.Entry(r.id(), r.words(), r.gesture(), codec.delta(r.delta()))));
        return entries;
    }

    /** Keeps an edit that was made. @return its number in the journal */
    @Transactional
    public long keep(long id, Show after, long revision, String words, String gesture, Delta delta) {
        String cut = words.length() > LONGEST_WORDS ? words.substring(0, LONGEST_WORDS) : words;
        journal.dropUndone(id);
        long entry =
                journal.insert(id, new Rows.JournalRow(0, revision, cut, gesture, now(), "done", codec.write(delta)));
        parts(id, after, revision, delta);
        return entry;
    }

    /** Keeps an undo or a redo of journal entries. */
    @Transactional
    public void keepMarked(long id, Show after, long revision, List<Long> entries, boolean undone, List<Delta> deltas) {
        journal.mark(entries, undone ? "undone" : "done");
        deltas.forEach(d -> parts(id, after, revision, d));
    }

    private void parts(long id, Show after, long revision, Delta delta) {
        for (Change change : delta.changes()) {
            if (change instanceof Change.OfProfile p) {
                p.after().ifPresentOrElse(profile -> take(id, profile), () -> files.drop(id, p.id().value()));
            } else if (change instanceof Change.OfHand hand) {
                files.hold(id, codec.write(hand.after()));
            }
        }
        writer.write(id, delta);
        files.changed(id, after.name(), revision, now());
    }

    private void take(long id, Profile profile) {
        profiles.keep(profile);
        files.take(id, profile.id().value());
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }
}
