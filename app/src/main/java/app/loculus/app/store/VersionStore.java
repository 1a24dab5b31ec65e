package app.loculus.app.store;

import app.loculus.core.show.Show;
import app.loculus.formats.showfile.ShowArchive;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Keeps named versions of shows. */
@Repository
public class VersionStore {

    /** A version as it is listed. */
    public record Version(long id, String name, long revision, OffsetDateTime madeAt, int fixtures) {}

    private final VersionMapper mapper;
    private final Clock clock;

    VersionStore(VersionMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** Newest first. */
    public List<Version> of(long show) {
        return mapper.of(show).stream()
                .map(v -> new Version(v.id(), v.name(), v.revision(), v.madeAt(), v.fixtures()))
                .toList();
    }

    @Transactional
    public void keep(long id, String name, long revision, Show show) {
        VersionMapper.VersionRow row = new VersionMapper.VersionRow(
                0, name, revision, OffsetDateTime.now(clock), show.patch().size());
        mapper.keep(id, row, ShowArchive.write(show));
    }

    public Optional<Show> show(long id, long version) {
        return Optional.ofNullable(mapper.content(id, version)).map(c -> ShowArchive.read(c.content()));
    }

    @Transactional
    public void delete(long id, long version) {
        mapper.delete(id, version);
    }
}
