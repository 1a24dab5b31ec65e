package app.loculus.app.store;

import app.loculus.core.profile.Pictures;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.formats.gdtf.DescriptionReader;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Profiles in the database: those shows hold, and those people have added to the library. */
@Repository
public class ProfileStore {

    private final ShowFileMapper files;
    private final Clock clock;
    private final Map<ProfileId, Profile> known = new ConcurrentHashMap<>();

    ProfileStore(ShowFileMapper files, @Qualifier("shipped") Profiles shipped, Clock clock) {
        this.files = files;
        this.clock = clock;
        shipped.all().forEach(p -> known.put(p.id(), p));
    }

    Profile get(ProfileId id) {
        return known.computeIfAbsent(id, this::load);
    }

    private Profile load(ProfileId id) {
        Map<String, byte[]> pictures = new LinkedHashMap<>();
        files.pictures(id.value()).forEach(p -> pictures.put(p.name(), p.png()));
        return DescriptionReader.read(files.source(id.value()).xml()).with(new Pictures(pictures));
    }

    void keep(Profile profile) {
        known.putIfAbsent(profile.id(), profile);
        files.keepSource(
                new Rows.ProfileSource(profile.id().value(), profile.maker(), profile.name(), profile.source()));
        Pictures pictures = profile.facts().pictures();
        pictures.names()
                .forEach(n -> files.keepPicture(
                        profile.id().value(), n, pictures.find(n).orElseThrow()));
    }

    /**
     * A profile on the shelf.
     *
     * @param origin how it came there: imported or built
     */
    public record Shelved(Profile profile, String origin) {}

    /** In the order in which they were added. */
    public List<Shelved> shelf() {
        List<Shelved> all = new ArrayList<>();
        files.library().forEach(row -> all.add(new Shelved(get(new ProfileId(row.profileId())), row.origin())));
        return all;
    }

    @Transactional
    public void shelve(Profile profile, String origin) {
        keep(profile);
        known.put(profile.id(), profile);
        files.shelve(profile.id().value(), origin, OffsetDateTime.now(clock));
    }

    @Transactional
    public void unshelve(ProfileId id) {
        files.unshelve(id.value());
    }
}
