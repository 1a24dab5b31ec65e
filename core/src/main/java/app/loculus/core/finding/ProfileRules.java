package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.check.ProfileCheck;
import app.loculus.core.profile.check.ProfileDifference;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.List;
import java.util.Optional;

/** Profiles that are in use. */
final class ProfileRules {

    static final List<Rule> ALL = List.of(new Doubtful(), new Newer());

    private ProfileRules() {}

    private static List<UnitId> of(Show show, ProfileId profile) {
        return show.patch().fixtures().stream()
                .filter(f -> f.profile().equals(profile))
                .map(f -> UnitId.whole(f.id()))
                .toList();
    }

    /** Something in a profile cannot be right. */
    private static final class Doubtful extends Rule {

        Doubtful() {
            super("profile-doubtful", ChapterName.PROFILES, PartKinds.PROFILES, PartKinds.FIXTURES);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Profile profile : show.profiles().all()) {
                List<UnitId> who = of(show, profile.id());
                List<Problem> problems = who.isEmpty() ? List.of() : ProfileCheck.of(profile);
                if (!problems.isEmpty()) {
                    Problem first = problems.get(0);
                    found.look(
                            profile.id().value(),
                            profile.name() + ": " + first.place().subject() + ": " + first.words(),
                            problems.size() == 1 ? "" : Numbers.count(problems.size() - 1, "more doubt"),
                            who,
                            Spot.of("profile", profile.fullName()));
                }
            }
        }
    }

    /** The library has another profile of the same name. */
    private static final class Newer extends Rule {

        Newer() {
            super("profile-newer", ChapterName.PROFILES, PartKinds.PROFILES, PartKinds.FIXTURES);
        }

        private static Optional<Profile> newer(Profile held, Profiles library) {
            return library.all().stream()
                    .filter(p -> p.fullName().equals(held.fullName()) && !p.id().equals(held.id()))
                    .findFirst();
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (Profile held : show.profiles().all()) {
                List<UnitId> who = of(show, held.id());
                newer(held, library)
                        .filter(p -> !who.isEmpty() && library.find(held.id()).isEmpty())
                        .ifPresent(p -> found.look(
                                held.id().value(),
                                "The library has another " + held.name() + " than the show.",
                                String.join(
                                        "; ",
                                        ProfileDifference.words(held, p).stream()
                                                .limit(2)
                                                .toList()),
                                who,
                                Spot.of("profile", held.fullName())));
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return finding.spot()
                    .map(s -> WayOut.line("Take the library's", "renew profile " + Quoted.of(s.name())))
                    .map(List::of)
                    .orElse(List.of());
        }
    }
}
