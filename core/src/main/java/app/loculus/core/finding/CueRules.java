package app.loculus.core.finding;

import app.loculus.core.edit.look.DarkMoves;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** How cues follow each other. */
final class CueRules {

    static final List<Rule> ALL = List.of(new SeenMoving(), new Flipping(), new NoPosition());

    private CueRules() {}

    /** A cue of a list, by its id; the finding goes when the cue does. */
    private abstract static class OfCues extends Rule {

        OfCues(String name) {
            super(name, ChapterName.LOOKS);
        }

        @Override
        final List<Object> goesBy(Show show) {
            return OfLooks.parts(show);
        }

        static Spot spot(CueList list, Cue cue) {
            return new Spot("cue", cue.number().toString(), String.valueOf(list.number()));
        }
    }

    /** Heads that swing while they come in, though they were dark one cue before. */
    private static final class SeenMoving extends OfCues {

        SeenMoving() {
            super("seen-moving");
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (CueList list : show.lists()) {
                Cue before = null;
                for (DarkMoves.Found f : DarkMoves.of(show, list)) {
                    Set<UnitId> who = f.moves().keySet();
                    if (!who.isEmpty()) {
                        found.look(
                                f.cue().id().value(),
                                PaletteRules.upper(f.cue()) + ": " + Numbers.count(who.size(), "head")
                                        + (who.size() == 1 ? " swings while it comes" : " swing while they come")
                                        + " in.",
                                (who.size() == 1 ? "it is" : "they are") + " dark"
                                        + (before == null ? " before" : " in cue " + before.number())
                                        + (show.lists().size() > 1 ? ", " + list : ""),
                                who,
                                spot(list, f.cue()));
                    }
                    before = f.cue();
                }
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return List.of(WayOut.line(
                    "Move them in the dark",
                    "prepare " + finding.spot().orElseThrow().line()));
        }
    }

    /** Heads that turn right round between two cues in which they are lit. */
    private static final class Flipping extends OfCues {

        Flipping() {
            super("flipping");
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (CueList list : show.lists()) {
                Cue before = null;
                for (DarkMoves.Found f : DarkMoves.of(show, list)) {
                    List<UnitId> who = f.turning();
                    if (!who.isEmpty()) {
                        found.look(
                                f.cue().id().value(),
                                PaletteRules.upper(f.cue()) + ": " + Numbers.count(who.size(), "head")
                                        + (who.size() == 1 ? " turns" : " turn") + " right round, in the light.",
                                numbers(show, who) + "; there is a shorter way from cue " + before.number()
                                        + (show.lists().size() > 1 ? ", " + list : ""),
                                who,
                                spot(list, f.cue()));
                    }
                    before = f.cue();
                }
            }
        }
    }

    /** Lights that nobody has pointed anywhere. */
    private static final class NoPosition extends OfCues {

        NoPosition() {
            super("no-position");
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (CueList list : show.lists()) {
                Set<UnitId> told = new HashSet<>();
                for (DarkMoves.Found f : DarkMoves.of(show, list)) {
                    // Once is enough: what is carried on is the same light.
                    List<UnitId> who =
                            f.lit().stream().filter(u -> !told.contains(u)).toList();
                    told.addAll(who);
                    if (!who.isEmpty()) {
                        found.look(
                                f.cue().id().value(),
                                PaletteRules.upper(f.cue()) + ": " + Numbers.count(who.size(), "head")
                                        + (who.size() == 1 ? " is lit and has" : " are lit and have") + " no position.",
                                numbers(show, who) + (show.lists().size() > 1 ? ", " + list : ""),
                                who,
                                spot(list, f.cue()));
                    }
                }
            }
        }

        /** The position that the most others have there, and then the others of the show. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Spot at = finding.spot().orElseThrow();
            List<Palette> positions = show.palettes().stream()
                    .filter(p -> p.kind() == Kind.POSITION && p.followed().isEmpty())
                    .filter(p -> finding.who().stream()
                            .allMatch(u -> pans(show, u)
                                    && show.resolver().giver().give(p, u).follow()))
                    .sorted(Comparator.comparingLong((Palette p) -> -uses(show, p)))
                    .toList();
            return positions.stream()
                    .limit(2)
                    .map(p -> WayOut.line(
                            "Give them " + PaletteRules.upper(Spot.of(p).line()),
                            "give " + numbers(show, finding.who()) + " "
                                    + Spot.of(p).line() + " in " + at.line()))
                    .toList();
        }

        private static boolean pans(Show show, UnitId unit) {
            Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
            return mode.parameter(unit.cell(), Attribute.PAN).isPresent();
        }

        private static long uses(Show show, Palette palette) {
            return LookHolders.following(show, palette.id()).size();
        }
    }
}
