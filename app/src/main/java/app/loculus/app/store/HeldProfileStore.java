package app.loculus.app.store;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Which profiles a show holds; the profiles themselves are kept once for all shows. */
@Component
class HeldProfileStore implements PartStore<ProfileId, Profile> {

    interface Rows {
        @Select("select profile_id from show_profile where show_id = #{show} order by profile_id")
        List<String> held(@Param("show") long show);

        @Insert("merge into show_profile (show_id, profile_id) key (show_id, profile_id) values (#{show}, #{profile})")
        void take(@Param("show") long show, @Param("profile") String profile);

        @Delete("delete from show_profile where show_id = #{show} and profile_id = #{profile}")
        void drop(@Param("show") long show, @Param("profile") String profile);
    }

    private final Rows rows;
    private final ProfileStore profiles;

    HeldProfileStore(Mappers mappers, ProfileStore profiles) {
        this.rows = mappers.of(Rows.class);
        this.profiles = profiles;
    }

    @Override
    public PartKind<ProfileId, Profile> kind() {
        return PartKinds.PROFILES;
    }

    @Override
    public List<Change<ProfileId, Profile>> read(long show, Losses losses) {
        List<Change<ProfileId, Profile>> all = new ArrayList<>();
        for (String id : rows.held(show)) {
            losses.attempt(kind(), () -> profiles.get(new ProfileId(id)))
                    .ifPresent(p -> all.add(new Change<>(kind(), p.id(), Optional.empty(), Optional.of(p))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<ProfileId, Profile>> changes) {
        for (Change<ProfileId, Profile> c : changes) {
            c.after()
                    .ifPresentOrElse(
                            p -> take(show, p), () -> rows.drop(show, c.key().value()));
        }
    }

    private void take(long show, Profile profile) {
        profiles.keep(profile);
        rows.take(show, profile.id().value());
    }
}
