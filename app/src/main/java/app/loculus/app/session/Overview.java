package app.loculus.app.session;

import app.loculus.app.library.Library;
import app.loculus.core.finding.Findings;
import app.loculus.core.finding.LastVersion;
import app.loculus.core.show.Show;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** How a show stands, the same for whoever asks. */
@Component
public class Overview {

    private final ShowVersions versions;
    private final Library library;

    Overview(ShowVersions versions, Library library) {
        this.versions = versions;
        this.library = library;
    }

    public Findings of(Snapshot snapshot) {
        return of(snapshot, snapshot.show());
    }

    /** A version of it, as it stood then. */
    public Findings of(Show version) {
        return Findings.of(version, library.profiles());
    }

    /** Of a state that the show is about to be in. */
    public Findings of(Snapshot snapshot, Show draft) {
        return Findings.of(draft, library.profiles(), last(snapshot));
    }

    /** The version that was kept last, and what is another since. */
    public Optional<LastVersion> last(Snapshot snapshot) {
        return versions.since(snapshot);
    }
}
