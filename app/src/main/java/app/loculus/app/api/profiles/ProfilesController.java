package app.loculus.app.api.profiles;

import app.loculus.app.session.Shows;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Lists profiles and shows one. */
@RestController
class ProfilesController {

    record ModeSummary(String name, int slots) {}

    /** {@code inUse} counts fixtures of the live show. */
    record ProfileSummary(String id, String maker, String name, List<ModeSummary> modes, int inUse) {}

    private final Profiles library;
    private final Shows shows;

    ProfilesController(Profiles library, Shows shows) {
        this.library = library;
        this.shows = shows;
    }

    @GetMapping("/api/profiles")
    List<ProfileSummary> list() {
        return library.all().stream()
                .sorted(Comparator.comparing(Profile::maker).thenComparing(Profile::name))
                .map(p -> new ProfileSummary(p.id().value(), p.maker(), p.name(), modes(p), inUse(p)))
                .toList();
    }

    private static List<ModeSummary> modes(Profile p) {
        return p.modes().stream().map(m -> new ModeSummary(m.name(), m.slots())).toList();
    }

    private int inUse(Profile p) {
        return shows.live()
                .map(s -> (int) s.show().patch().fixtures().stream()
                        .filter(f -> f.profile().equals(p.id()))
                        .count())
                .orElse(0);
    }

    @GetMapping("/api/profiles/{id}")
    ProfileView profile(@PathVariable String id) {
        return library.find(new ProfileId(id))
                .map(ProfileView::of)
                .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "There is no profile " + id + "."));
    }
}
