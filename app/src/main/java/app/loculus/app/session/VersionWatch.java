package app.loculus.app.session;

import app.loculus.core.finding.LastVersion;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Differences;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * How one open show differs from the version of it that was kept last. The version is read once; from then on what has
 * changed between two looks is added to what was different before.
 */
final class VersionWatch {

    /** A version that was kept, and what is in it. */
    record Kept(String name, Show show) {}

    /** @param as the show that was looked at last; @param since from the version to there */
    private record Known(Optional<String> name, Show as, Delta since) {}

    private Optional<Known> known = Optional.empty();

    /** Versions came or went. */
    synchronized void forget() {
        known = Optional.empty();
    }

    /** @param last reads the version that was kept last; asked where it is not known */
    synchronized Optional<LastVersion> of(Show now, Supplier<Optional<Kept>> last) {
        Known next = known.map(k -> after(k, now)).orElseGet(() -> begun(now, last.get()));
        known = Optional.of(next);
        return next.name().map(name -> LastVersion.of(name, next.since().kinds()));
    }

    private static Known begun(Show now, Optional<Kept> last) {
        return new Known(
                last.map(Kept::name),
                now,
                last.map(kept -> Differences.between(kept.show(), now)).orElse(Delta.NONE));
    }

    private static Known after(Known before, Show now) {
        return before.as() == now || before.name().isEmpty()
                ? new Known(before.name(), now, before.since())
                : new Known(
                        before.name(),
                        now,
                        Delta.joined(List.of(before.since(), Differences.between(before.as(), now))));
    }
}
