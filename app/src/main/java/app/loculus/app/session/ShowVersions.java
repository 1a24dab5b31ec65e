package app.loculus.app.session;

import app.loculus.app.store.VersionStore;
import app.loculus.core.edit.show.Become;
import app.loculus.core.finding.LastVersion;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Limits;
import app.loculus.formats.showfile.ShowFile;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** The versions of every show: what it was under a name, kept until they are deleted. */
@Service
public class ShowVersions {

    private static final Logger LOG = LoggerFactory.getLogger(ShowVersions.class);

    private final Shows shows;
    private final Keeper keeper;
    private final VersionStore store;
    private final ApplicationEventPublisher events;

    ShowVersions(Shows shows, Keeper keeper, VersionStore store, ApplicationEventPublisher events) {
        this.shows = shows;
        this.keeper = keeper;
        this.store = store;
        this.events = events;
    }

    /** Newest first. */
    public List<VersionStore.Version> of(long id) {
        shows.exists(id);
        return store.of(id);
    }

    /** Keeps the show as it is under a name; where a version has it already, with a number behind it. */
    public Edited save(long id, String name, EditRequest request) {
        shows.exists(id);
        String wanted = Shows.checked(name);
        String called = free(id, wanted);
        if (store.count(id) >= Limits.VERSIONS) {
            throw Refusal.of(
                    "show.versions",
                    "name",
                    "The show has " + Limits.VERSIONS + " versions, which is all that are kept.",
                    WayOut.advice("Delete one that is no longer needed."));
        }
        String words = "Keeps the show as it is as version “" + called + "”"
                + (called.equals(wanted) ? "" : ": there is a “" + wanted + "” already");
        Edited saved = shows.with(
                id,
                show -> show.beside(
                        request, words, now -> keeper.store().saveVersion(id, called, now.revision(), now.show())));
        changed(id);
        return saved;
    }

    /** How a show differs from the version of it that was kept last; empty when none was, or it cannot be read. */
    public Optional<LastVersion> since(Snapshot snapshot) {
        long id = snapshot.id();
        return shows.with(id, show -> show.versions().of(snapshot.show(), () -> newest(id)));
    }

    private Optional<VersionWatch.Kept> newest(long id) {
        try {
            return store.of(id).stream()
                    .findFirst()
                    .flatMap(v -> store.show(id, v.id()).map(show -> new VersionWatch.Kept(v.name(), show)));
        } catch (Refusal damaged) {
            LOG.warn("Show {}: its last version cannot be read: {}", id, damaged.getMessage());
            return Optional.empty();
        }
    }

    private void changed(long id) {
        shows.held(id).ifPresent(show -> show.versions().forget());
        events.publishEvent(new VersionsChanged(id));
    }

    private String free(long id, String name) {
        Set<String> taken = store.of(id).stream()
                .map(v -> v.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
        String called = name;
        for (int i = 2; taken.contains(called.toLowerCase(Locale.ROOT)); i++) {
            String more = " " + i;
            called = name.substring(0, Math.min(name.length(), Limits.NAME - more.length())) + more;
        }
        return called;
    }

    public void delete(long id, long version) {
        shows.exists(id);
        keeper.disk().write(() -> keeper.store().deleteVersion(id, version));
        changed(id);
    }

    /** @throws Refusal when there is none of this id */
    public Show show(long id, long version) {
        return store.show(id, version)
                .orElseThrow(() -> Refusal.of("show.version", "version", "There is no such version of this show."));
    }

    /** Makes the show what a version was, as one edit. */
    public Edited restore(long id, long version, EditRequest request) {
        String name = store.of(id).stream()
                .filter(v -> v.id() == version)
                .map(VersionStore.Version::name)
                .findFirst()
                .orElse("");
        return shows.edit(id, new Become(show(id, version), "Restores version “" + name + "”"), request);
    }

    /** The show as it is and its versions, as they go into a file. */
    public ShowFile file(long id) {
        return new ShowFile(shows.get(id).show(), store.held(id));
    }
}
