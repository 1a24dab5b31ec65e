package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.formats.gdtf.DescriptionReader;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;

/** Profiles in the database: those shows hold, and those people have added to the library. */
@Repository
public class ProfileStore {

    private final ProfileMapper rows;
    private final Disk disk;
    private final Clock clock;
    private final Map<ProfileId, Profile> known = new ConcurrentHashMap<>();

    ProfileStore(Mappers mappers, Disk disk, @Qualifier("shipped") Profiles shipped, Clock clock) {
        this.rows = mappers.of(ProfileMapper.class);
        this.disk = disk;
        this.clock = clock;
        shipped.all().forEach(p -> known.put(p.id(), p));
    }

    /** @throws Refusal when it is not there or cannot be read */
    public Profile get(ProfileId id) {
        return known.computeIfAbsent(id, this::load);
    }

    private Profile load(ProfileId id) {
        ProfileMapper.SourceRow source = Optional.ofNullable(rows.source(id.value()))
                .orElseThrow(() -> Refusal.of("store.profile", "profile", "There is no profile " + id + "."));
        Map<String, byte[]> pictures = new LinkedHashMap<>();
        rows.pictures(id.value()).forEach(p -> pictures.put(p.name(), p.png()));
        return DescriptionReader.read(source.xml()).with(new Pictures(pictures));
    }

    /** Keeps a profile within the transaction that is under way. */
    void keep(Profile profile) {
        String id = profile.id().value();
        rows.keepSource(new ProfileMapper.SourceRow(id, profile.maker(), profile.name(), profile.source()));
        Pictures pictures = profile.facts().pictures();
        for (String name : pictures.names()) {
            rows.keepPicture(
                    new ProfileMapper.PictureRow(id, name, pictures.find(name).orElseThrow()));
        }
        known.putIfAbsent(profile.id(), profile);
    }

    /**
     * A profile on the shelf.
     *
     * @param origin how it came there: imported or built
     */
    public record Shelved(Profile profile, String origin) {}

    /** In the order in which they were added; what cannot be read any more is left out. */
    public List<Shelved> shelf() {
        List<Shelved> all = new ArrayList<>();
        Losses losses = new Losses();
        rows.shelf()
                .forEach(row -> losses.attempt(null, () -> get(new ProfileId(row.profileId())))
                        .ifPresent(p -> all.add(new Shelved(p, row.origin()))));
        return all;
    }

    public void shelve(Profile profile, String origin) {
        disk.write(() -> {
            keep(profile);
            rows.shelve(new ProfileMapper.ShelfRow(profile.id().value(), origin, OffsetDateTime.now(clock)));
        });
        known.put(profile.id(), profile);
    }

    public void unshelve(ProfileId id) {
        disk.write(() -> rows.unshelve(id.value()));
    }
}
