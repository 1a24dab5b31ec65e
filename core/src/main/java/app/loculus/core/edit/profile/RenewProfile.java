package app.loculus.core.edit.profile;

import app.loculus.core.carry.OnStage;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Gives the show the library's profile in place of its own copy; every fixture of it stays in its mode.
 *
 * @param tells whether it says what changes on stage
 */
public record RenewProfile(ProfileId held, Profile newer, boolean tells) implements ShowEdit {

    public RenewProfile(ProfileId held, Profile newer) {
        this(held, newer, true);
    }

    /** The library's profile of the same maker and name. @throws Refusal when it has none, or the show holds it already */
    public static RenewProfile of(Profile held, Profiles library) {
        Profile newer = library.all().stream()
                .filter(p -> p.fullName().equals(held.fullName()))
                .findFirst()
                .orElseThrow(() ->
                        Refusal.of("profile.unknown", "profile", "The library has no “" + held.fullName() + "”."));
        if (newer.id().equals(held.id())) {
            throw Refusal.of(
                    "profile.same", "profile", "The show holds the library's “" + held.fullName() + "” already.");
        }
        return new RenewProfile(held.id(), newer);
    }

    /** The same for someone who looks himself at what changes on stage. */
    public RenewProfile quiet() {
        return new RenewProfile(held, newer, false);
    }

    @Override
    public void on(Draft draft) {
        Map<String, List<FixtureId>> byMode = draft.show().patch().fixtures().stream()
                .filter(f -> f.profile().equals(held))
                .collect(Collectors.groupingBy(
                        Fixture::mode, LinkedHashMap::new, Collectors.mapping(Fixture::id, Collectors.toList())));
        if (byMode.isEmpty()) {
            throw Refusal.of("profile.unused", "profile", "No fixture of this show is of that profile.");
        }
        Show before = draft.show();
        byMode.forEach((mode, fixtures) -> new ChangeType(
                        fixtures,
                        new Profiles.Type(newer, newer.mode(mode)),
                        Optional.empty(),
                        PatchFixtures.Clashing.REFUSE)
                .on(draft));
        if (tells) {
            draft.say(OnStage.words(OnStage.of(before, draft.show(), PictureLikeness.NONE)));
        }
    }
}
