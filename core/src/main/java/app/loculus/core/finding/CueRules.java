package app.loculus.core.finding;

import app.loculus.core.edit.look.DarkMoves;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** How cues follow each other. */
final class CueRules {

    static final List<Rule> ALL = List.of(new SeenMoving(), new Flipping(), new NoPosition());

    private CueRules() {}

    /**
     * A cue on the way along its list.
     *
     * @param before the cue before it
     * @param fresh lights without a position that no cue before it had: what is carried on is the same light
     */
    private record Step(CueList list, Optional<Cue> before, DarkMoves.Found found, List<UnitId> fresh) {}

    /** A cue of a list, by its id; the finding goes when the cue does. */
    private abstract static class OfCues extends Rule {

        OfCues(String name) {
            super(name, ChapterName.LOOKS);
        }

        @Override
        final List<Object> goesBy(Show show) {
            return OfLooks.parts(show);
        }

        /** @param at one cue with what happens there */
        abstract void find(Show show, Step at, Found found);

        @Override
        final void find(Show show, Profiles library, Found found) {
            for (CueList list : show.lists()) {
                Optional<Cue> before = Optional.empty();
                Set<UnitId> told = new HashSet<>();
                for (DarkMoves.Found f : DarkMoves.of(show, list)) {
                    List<UnitId> fresh = f.lit().stream().filter(told::add).toList();
                    find(show, new Step(list, before, f, fresh), found);
                    before = Optional.of(f.cue());
                }
            }
        }

        /** @param what happens to them, behind their number; the list is named where there are several */
        static void tell(Show show, Step at, String what, String beside, Collection<UnitId> who, Found found) {
            if (!who.isEmpty()) {
                Cue cue = at.found().cue();
                found.look(
                        cue.id().value(),
                        PaletteRules.upper(cue) + ": " + Numbers.count(who.size(), "head") + " " + what,
                        beside + (show.lists().size() > 1 ? ", " + at.list() : ""),
                        who,
                        new Spot(
                                "cue",
                                cue.number().toString(),
                                String.valueOf(at.list().number())));
            }
        }
    }

    /** Heads that swing while they come in, though they were dark one cue before. */
    private static final class SeenMoving extends OfCues {

        SeenMoving() {
            super("seen-moving");
        }

        @Override
        void find(Show show, Step at, Found found) {
            Set<UnitId> who = at.found().moves().keySet();
            boolean one = who.size() == 1;
            tell(
                    show,
                    at,
                    one ? "swings while it comes in." : "swing while they come in.",
                    (one ? "it is" : "they are") + " dark"
                            + at.before().map(c -> " in cue " + c.number()).orElse(" before"),
                    who,
                    found);
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

        /** Positions in which a flip is tried: those that the most follow. */
        private static final int MOST_TRIED = 2;

        Flipping() {
            super("flipping");
        }

        @Override
        void find(Show show, Step at, Found found) {
            List<UnitId> who = at.found().turning();
            tell(
                    show,
                    at,
                    (who.size() == 1 ? "turns" : "turn") + " right round, in the light.",
                    numbers(show, who)
                            + at.before()
                                    .map(c -> "; there is a shorter way from cue " + c.number())
                                    .orElse(""),
                    who,
                    found);
        }

        /** Each way is tried on whole looks. */
        @Override
        boolean quick() {
            return false;
        }

        /** In the positions they follow there; else in the cue alone. Neither where they would turn at another place instead. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Look look = show.all(PartKinds.CUES).values().stream()
                    .filter(c -> finding.key().value().equals(name() + ":" + c.id().value()))
                    .findFirst()
                    .map(c -> show.look(c.look()))
                    .orElse(null);
            if (look == null) {
                return List.of();
            }
            Map<Palette, List<UnitId>> byPosition = new LinkedHashMap<>();
            finding.who()
                    .forEach(unit -> look.values()
                            .getOrDefault(unit, UnitValues.NONE)
                            .get(Attribute.PAN)
                            .flatMap(t -> t.value().followed())
                            .flatMap(show::palette)
                            .filter(p ->
                                    p.kind() == Kind.POSITION && p.followed().isEmpty())
                            .ifPresent(p -> byPosition
                                    .computeIfAbsent(p, k -> new ArrayList<>())
                                    .add(unit)));
            List<WayOut> ways = new ArrayList<>();
            byPosition.entrySet().stream()
                    .sorted(Comparator.comparingInt(e -> -e.getValue().size()))
                    .limit(MOST_TRIED)
                    .forEach(e -> flip(
                            show,
                            library,
                            finding,
                            "Flip "
                                    + (e.getValue().size() == finding.who().size()
                                            ? "them"
                                            : e.getValue().size() + " of them")
                                    + " in "
                                    + PaletteRules.upper(Spot.of(e.getKey()).line()),
                            "flip " + numbers(show, e.getValue()) + " in "
                                    + Spot.of(e.getKey()).line(),
                            ways));
            flip(
                    show,
                    library,
                    finding,
                    "Flip them in this cue alone",
                    "flip " + numbers(show, finding.who()) + " in "
                            + finding.spot().orElseThrow().line(),
                    ways);
            if (ways.isEmpty()) {
                Spot at = finding.spot().orElseThrow();
                List<Cue> cues = show.lists().stream()
                        .filter(l -> String.valueOf(l.number()).equals(at.list()))
                        .findFirst()
                        .map(l -> show.cues(l.id()))
                        .orElse(List.of());
                flip(
                        show,
                        library,
                        finding,
                        "Flip them from here on",
                        "flip " + numbers(show, finding.who()) + " in cue " + at.name() + " thru "
                                + cues.get(cues.size() - 1).number() + " of list " + at.list(),
                        ways);
            }
            return ways;
        }

        private void flip(Show show, Profiles library, Finding finding, String words, String line, List<WayOut> ways) {
            if (mendsAndFewer(show, library, finding, line)) {
                ways.add(WayOut.line(words, line));
            }
        }
    }

    /** Lights that nobody has pointed anywhere. */
    private static final class NoPosition extends OfCues {

        NoPosition() {
            super("no-position");
        }

        @Override
        void find(Show show, Step at, Found found) {
            List<UnitId> who = at.fresh();
            tell(
                    show,
                    at,
                    (who.size() == 1 ? "is lit and has" : "are lit and have") + " no position.",
                    numbers(show, who),
                    who,
                    found);
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
