package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Route;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Universes;
import app.loculus.core.unit.Numbers;
import java.util.List;

/**
 * Universes that lead nowhere. That two go out under one number, or that an address lies beyond slot 512, no edit and no
 * file can bring about.
 */
final class UniverseRules {

    static final List<Rule> ALL = List.of(new Off());

    private UniverseRules() {}

    private static List<UnitId> on(Show show, int universe) {
        return Rule.whole(show.patch().claims().getOrDefault(universe, List.of()).stream()
                .map(Claim::fixture)
                .map(f -> f.id())
                .distinct()
                .toList());
    }

    private static final class Off extends Rule {

        Off() {
            super("universe-off", ChapterName.PATCH, PartKinds.UNIVERSES, PartKinds.FIXTURES, PartKinds.PROFILES);
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (UniverseSetup u : Universes.of(show)) {
                List<UnitId> who = on(show, u.universe());
                if (!u.on() && !who.isEmpty()) {
                    found.look(
                            u.universe(),
                            "Universe " + u.universe() + " is off, and " + Numbers.count(who.size(), "fixture")
                                    + (who.size() == 1 ? " is" : " are") + " patched there.",
                            u.route().kind() == Route.Kind.RIG ? "" : u.route().toString(),
                            who,
                            Spot.of("universe", u.universe()));
                }
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            String universe = finding.spot().orElseThrow().name();
            return List.of(WayOut.line("Switch it on", "universe " + universe + " on"));
        }
    }
}
