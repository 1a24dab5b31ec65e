package app.loculus.app.session;

import app.loculus.app.store.MendedStore;
import app.loculus.app.store.MendedStore.Mended;
import app.loculus.core.finding.Finding;
import app.loculus.core.finding.Findings;
import app.loculus.core.show.History;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Keeps what was mended today: a finding that was seen open once and is not there any more. It is looked at whenever
 * somebody looks at how a show stands; one that comes back, by undo or else, is no longer among them.
 */
@Component
public class MendedBook {

    /** What was found when a show was looked at last. */
    private record Seen(long revision, Map<String, Finding> byKey) {}

    private static final Logger LOG = LoggerFactory.getLogger(MendedBook.class);

    private final MendedStore store;
    private final Clock clock;
    private final Map<Long, Seen> seen = new ConcurrentHashMap<>();

    MendedBook(MendedStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** Takes a look, and writes down what has changed since the last one. */
    public void look(Snapshot snapshot, Findings findings) {
        Seen before = seen.get(snapshot.id());
        if (before != null && before.revision() >= snapshot.revision()) {
            return;
        }
        Map<String, Finding> now = new HashMap<>();
        findings.all().forEach(f -> now.put(f.key().value(), f));
        if (!took(snapshot.id(), before, new Seen(snapshot.revision(), now)) || before == null) {
            return;
        }
        List<Mended> mended = new ArrayList<>();
        String deed = snapshot.revision() == before.revision() + 1
                ? snapshot.history().lastDone().map(History.Entry::words).orElse("")
                : "";
        before.byKey().forEach((key, finding) -> {
            if (!now.containsKey(key)) {
                mended.add(new Mended(snapshot.id(), key, finding.words(), deed, OffsetDateTime.now(clock)));
            }
        });
        List<String> again = now.keySet().stream()
                .filter(k -> !before.byKey().containsKey(k))
                .toList();
        if (!mended.isEmpty() || !again.isEmpty()) {
            try {
                store.write(snapshot.id(), mended, again, startOfDay());
            } catch (RuntimeException e) {
                // Whoever looks at a show must not be kept from it by a disk that is full.
                LOG.warn("What was mended could not be written down: {}", e.getMessage());
            }
        }
    }

    private boolean took(long show, Seen before, Seen now) {
        return before == null ? seen.putIfAbsent(show, now) == null : seen.replace(show, before, now);
    }

    /** The latest first. */
    public List<Mended> today(long show) {
        return store.since(show, startOfDay());
    }

    private OffsetDateTime startOfDay() {
        ZoneId here = ZoneId.systemDefault();
        return LocalDate.now(clock.withZone(here)).atStartOfDay(here).toOffsetDateTime();
    }
}
