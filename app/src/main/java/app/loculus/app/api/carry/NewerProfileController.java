package app.loculus.app.api.carry;

import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.Shows;
import app.loculus.core.carry.OnStage;
import app.loculus.core.carry.PictureLikeness;
import app.loculus.core.edit.profile.RenewProfile;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.formats.picture.GoboLikeness;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What taking the library's profile in place of the show's own copy would change on stage. */
@RestController
class NewerProfileController {

    /**
     * @param words what the edit would say
     * @param problems why it could not be done, or what it would warn of
     * @param said what goes out otherwise while nothing is set, type by type
     * @param fates part by part; parts that have none of these fixtures are left out
     */
    record NewerProfileView(
            List<String> words, List<ProblemView> problems, List<String> said, List<RigMoveView.FateView> fates) {}

    private final Shows shows;
    private final Library library;
    private final PictureLikeness pictures = new GoboLikeness();

    NewerProfileController(Shows shows, Library library) {
        this.shows = shows;
        this.library = library;
    }

    @GetMapping("/api/shows/{id}/profiles/{profile}/newer")
    NewerProfileView newer(@PathVariable long id, @PathVariable String profile) {
        Show show = shows.get(id).show();
        Profile held = show.profiles()
                .find(new ProfileId(profile))
                .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "The show holds no such profile."));
        Outcome outcome = RenewProfile.of(held, library.profiles()).quiet().apply(show);
        List<ProblemView> problems =
                outcome.problems().stream().map(ProblemView::of).toList();
        if (outcome.refused()) {
            return new NewerProfileView(outcome.words(), problems, List.of(), List.of());
        }
        var report = OnStage.of(show, outcome.show(), pictures);
        List<String> words = new ArrayList<>(outcome.words());
        words.add(OnStage.words(report));
        return new NewerProfileView(
                words,
                problems,
                report.said(),
                report.fates().stream().map(RigMoveView.FateView::of).toList());
    }
}
