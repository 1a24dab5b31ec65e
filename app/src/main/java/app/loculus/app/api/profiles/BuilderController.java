package app.loculus.app.api.profiles;

import app.loculus.app.api.ProblemView;
import app.loculus.app.library.Library;
import app.loculus.app.session.Shows;
import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.Cloning;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.DraftMode;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.check.ProfileCheck;
import app.loculus.core.profile.words.StandardAttributes;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.DescriptionWriter;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Builds profiles from slot charts. */
@RestController
class BuilderController {

    record ChartRequest(String text) {}

    record ChartView(List<DraftMode> modes, List<String> problems) {}

    /** @param save whether it is to go into the library */
    record DraftRequest(ProfileDraft draft, Boolean save) {}

    /** A draft as it would be, and what cannot be right about it; {@code saved} is its id once it is in the library. */
    record DraftView(List<String> slots, List<ProblemView> problems, String saved) {}

    record CloneView(ProfileDraft draft, List<String> losses) {}

    record AttributeChoice(String attribute, String label) {}

    private final Library library;
    private final Shows shows;

    BuilderController(Library library, Shows shows) {
        this.library = library;
        this.shows = shows;
    }

    @PostMapping("/api/profiles/chart")
    ChartView chart(@RequestBody ChartRequest request) {
        ChartReader.Chart chart = ChartReader.read(request.text() == null ? "" : request.text());
        return new ChartView(
                chart.modes(), chart.problems().stream().map(Problem::words).toList());
    }

    /** What the words of a chart may mean, the likeliest first, then everything else. */
    @PostMapping("/api/profiles/attributes")
    List<AttributeChoice> attributes(@RequestBody ChartRequest request) {
        List<Attribute> meant = StandardAttributes.meant(request.text() == null ? "" : request.text());
        return Stream.concat(meant.stream(), StandardAttributes.all().stream())
                .distinct()
                .map(a -> new AttributeChoice(
                        a.name(), StandardAttributes.of(a).definition().pretty()))
                .toList();
    }

    @PostMapping("/api/profiles/draft")
    DraftView draft(@RequestBody DraftRequest request) {
        Profile built = DraftBuilder.build(ProfileDraft.orEmpty(request.draft()));
        Profile profile = DescriptionReader.read(DescriptionWriter.write(built));
        List<Problem> problems = Stream.concat(ProfileCheck.of(profile).stream(), profile.warnings().stream())
                .toList();
        String saved = "";
        if (Boolean.TRUE.equals(request.save())) {
            library.add(profile, Library.Origin.BUILT);
            saved = profile.id().value();
        }
        return new DraftView(
                profile.modes().stream().map(m -> m.name() + ": " + m.slots()).toList(),
                ProblemView.all(problems),
                saved);
    }

    /** A profile as a draft, to be adapted. */
    @GetMapping("/api/profiles/{id}/draft")
    CloneView cloned(@PathVariable String id) {
        Optional<Profile> held = shows.live().flatMap(s -> s.show().profiles().find(new ProfileId(id)));
        Profile profile = held.or(() -> library.profiles().find(new ProfileId(id)))
                .orElseThrow(() -> Refusal.of("profile.unknown", "profile", "There is no profile " + id + "."));
        Cloning.Clone clone = Cloning.of(profile);
        return new CloneView(clone.draft(), clone.losses());
    }
}
