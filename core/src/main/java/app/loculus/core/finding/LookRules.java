package app.loculus.core.finding;

import app.loculus.core.edit.look.DarkMoves;
import app.loculus.core.edit.look.Plain;
import app.loculus.core.edit.look.RecordLook;
import app.loculus.core.edit.look.TidyLook;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;

/** What looks hold, and how cues follow each other. */
final class LookRules {

    private static final PartKind<?, ?>[] READS = {
        PartKinds.LOOKS,
        PartKinds.CUES,
        PartKinds.LISTS,
        PartKinds.SUBMASTERS,
        PartKinds.PALETTES,
        PartKinds.MARKS,
        PartKinds.EFFECTS,
        PartKinds.FIXTURES,
        PartKinds.PROFILES
    };

    static final List<Rule> ALL = List.of(
            new PlainValues(),
            new Following(),
            new Still(),
            new Control(),
            new SeenMoving(),
            new Flipping(),
            new NoPosition());

    private LookRules() {}

    private static String holder(Show show, Look look) {
        return PaletteRules.upper(LookHolders.words(show, look));
    }

    private static Optional<Look> look(Show show, Finding finding) {
        String id = finding.key().value().substring(finding.rule().length() + 1);
        return show.find(PartKinds.LOOKS, new LookId(Integer.parseInt(id)));
    }

    /** A rule that goes look by look. */
    private abstract static class OfLooks extends Rule {

        OfLooks(String name) {
            super(name, ChapterName.LOOKS, READS);
        }

        abstract void find(Show show, Look look, Found found);

        @Override
        final void find(Show show, Profiles library, Found found) {
            show.all(PartKinds.LOOKS).values().forEach(l -> find(show, l, found));
        }

        static List<UnitId> units(Look look, BiPredicate<UnitId, UnitValues> which) {
            List<UnitId> found = new ArrayList<>();
            look.values().forEach((unit, values) -> {
                if (which.test(unit, values)) {
                    found.add(unit);
                }
            });
            return found;
        }
    }

    /** Values that follow no palette. */
    private static final class PlainValues extends OfLooks {

        PlainValues() {
            super("plain");
        }

        @Override
        void find(Show show, Look look, Found found) {
            Set<UnitId> who = Plain.of(show, look.values()).keySet();
            if (!who.isEmpty()) {
                found.look(
                        look.id().value(),
                        holder(show, look) + ": " + Plain.words(show, look.values()) + ".",
                        "",
                        who,
                        Spot.of(show, look));
            }
        }

        /** Only where some palette is near to them; what it is called says what comes of it. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Look before = look(show, finding).orElse(null);
            if (before == null) {
                return List.of();
            }
            Draft draft = new Draft(show);
            try {
                new TidyLook(before.id()).on(draft);
            } catch (Refusal nothingNear) {
                return List.of();
            }
            Look after = draft.show().look(before.id());
            Set<Palette> tied = new LinkedHashSet<>();
            after.values().forEach((unit, values) -> {
                Set<PaletteId> now = new LinkedHashSet<>(values.followed());
                now.removeAll(
                        before.values().getOrDefault(unit, UnitValues.NONE).followed());
                now.forEach(p -> show.palette(p).ifPresent(tied::add));
            });
            int left = Plain.of(show, after.values()).size();
            if (left == finding.who().size()) {
                // Each of them would follow a palette in part, and hold the rest as before.
                return List.of();
            }
            String to = tied.size() == 1
                    ? PaletteRules.upper(Spot.of(tied.iterator().next()).line())
                    : tied.size() + " palettes";
            return List.of(WayOut.line(
                    "Tie " + (left == 0 ? "" : finding.who().size() - left + " of them ") + "to " + to,
                    "tidy " + Spot.of(show, before).line()));
        }
    }

    /** Units that follow a palette which gives them nothing. */
    private static final class Following extends OfLooks {

        Following() {
            super("follows-nothing");
        }

        @Override
        void find(Show show, Look look, Found found) {
            List<UnitId> who = units(
                    look,
                    (unit, values) -> values.followed().stream()
                            .anyMatch(p -> !show.resolver()
                                    .giver()
                                    .give(show.palette(p).orElseThrow(), unit)
                                    .follow()));
            if (!who.isEmpty()) {
                found.look(
                        look.id().value(),
                        holder(show, look) + ": " + Numbers.count(who.size(), "unit")
                                + (who.size() == 1 ? " follows" : " follow") + " a palette that gives nothing there.",
                        numbers(show, who),
                        who,
                        Spot.of(show, look));
            }
        }
    }

    /** Units that refer to an effect which moves nothing of theirs. */
    private static final class Still extends OfLooks {

        Still() {
            super("effect-still");
        }

        @Override
        void find(Show show, Look look, Found found) {
            List<UnitId> who = units(
                    look,
                    (unit, values) -> values.moved().stream()
                            .flatMap(u -> show.effect(u.effect()).stream())
                            .anyMatch(effect ->
                                    show.resolver().motions().of(effect, unit).isEmpty()));
            if (!who.isEmpty()) {
                found.look(
                        look.id().value(),
                        holder(show, look) + ": " + Numbers.count(who.size(), "unit")
                                + (who.size() == 1 ? " refers" : " refer") + " to an effect that moves nothing there.",
                        numbers(show, who),
                        who,
                        Spot.of(show, look));
            }
        }
    }

    /** Control channels, which are for what a fixture is and not for what it shows. */
    private static final class Control extends OfLooks {

        Control() {
            super("control-held");
        }

        private static List<Attribute> held(Show show, UnitId unit, UnitValues values) {
            Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
            return values.byAttribute().entrySet().stream()
                    .filter(e -> !e.getValue().companion() && profile.kindOf(e.getKey()) == Kind.CONTROL)
                    .map(Map.Entry::getKey)
                    .toList();
        }

        @Override
        void find(Show show, Look look, Found found) {
            List<UnitId> who =
                    units(look, (unit, values) -> !held(show, unit, values).isEmpty());
            if (!who.isEmpty()) {
                found.look(
                        look.id().value(),
                        holder(show, look) + " holds control channels of " + Numbers.count(who.size(), "unit") + ".",
                        numbers(show, who),
                        who,
                        Spot.of(show, look));
            }
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            Look look = look(show, finding).orElse(null);
            if (look == null) {
                return List.of();
            }
            Set<String> names = new LinkedHashSet<>();
            finding.who()
                    .forEach(u -> held(show, u, look.values().getOrDefault(u, UnitValues.NONE))
                            .forEach(a -> names.add(a.name())));
            return List.of(WayOut.line(
                    "Take them out",
                    "take out " + numbers(show, finding.who()) + " from "
                            + Spot.of(show, look).line() + " only " + String.join(", ", names)));
        }
    }

    /** A cue of a list, by its id; the finding goes when the cue does. */
    private abstract static class OfCues extends Rule {

        OfCues(String name) {
            super(name, ChapterName.LOOKS, READS);
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

    /** Heads that turn right round between two cues in which they are lit, though there is a shorter way to the same place. */
    private static final class Flipping extends OfCues {

        /** Degrees that the other way must save before it is worth a word. */
        private static final double SAVED = 120;

        Flipping() {
            super("flipping");
        }

        @Override
        void find(Show show, Profiles library, Found found) {
            for (CueList list : show.lists()) {
                Map<UnitId, UnitValues> standing = Map.of();
                Cue before = null;
                for (Cue cue : show.cues(list.id())) {
                    Map<UnitId, UnitValues> own = show.look(cue.look()).values();
                    Map<UnitId, UnitValues> now = list.join() == CueList.Join.CARRYING_ON
                            ? RecordLook.merged(show.patch(), standing, own)
                            : own;
                    List<UnitId> who = new ArrayList<>();
                    for (UnitId unit : own.keySet()) {
                        if (standing.containsKey(unit) && flips(show, unit, standing, now)) {
                            who.add(unit);
                        }
                    }
                    if (!who.isEmpty()) {
                        found.look(
                                cue.id().value(),
                                PaletteRules.upper(cue) + ": " + Numbers.count(who.size(), "head")
                                        + (who.size() == 1 ? " turns" : " turn") + " right round, in the light.",
                                numbers(show, who) + "; there is a shorter way from cue " + before.number()
                                        + (show.lists().size() > 1 ? ", " + list : ""),
                                who,
                                spot(list, cue));
                    }
                    standing = now;
                    before = cue;
                }
            }
        }

        private static boolean flips(
                Show show, UnitId unit, Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
            Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
            Optional<Aiming.Reach> reach = Aimed.reach(mode, unit.cell());
            if (reach.isEmpty() || before.get(unit).equals(after.get(unit))) {
                return false;
            }
            Optional<double[]> from = pointed(show, mode, unit, before.get(unit));
            Optional<double[]> to = pointed(show, mode, unit, after.get(unit));
            return from.isPresent()
                    && to.isPresent()
                    && shorter(from.get(), to.get(), reach.get())
                    && DarkMoves.lit(show, unit, before)
                    && DarkMoves.lit(show, unit, after);
        }

        /** The other way over, with tilt to the other side. */
        private static boolean shorter(double[] from, double[] to, Aiming.Reach reach) {
            double way = Math.abs(to[0] - from[0]) + Math.abs(to[1] - from[1]);
            for (double turned : new double[] {to[0] - 180, to[0] + 180}) {
                boolean there = turned >= reach.panFrom()
                        && turned <= reach.panTo()
                        && -to[1] >= reach.tiltFrom()
                        && -to[1] <= reach.tiltTo();
                if (there && Math.abs(turned - from[0]) + Math.abs(-to[1] - from[1]) + SAVED <= way) {
                    return true;
                }
            }
            return false;
        }

        /** Pan and tilt in degrees; empty when they are not both held still. */
        private static Optional<double[]> pointed(Show show, Mode mode, UnitId unit, UnitValues values) {
            Map<Attribute, AttributeValue> plain = new LinkedHashMap<>();
            show.resolver().held(unit, values).forEach((attribute, held) -> {
                if (held.moving().isEmpty()) {
                    plain.put(attribute, held.value());
                }
            });
            return Aimed.degrees(mode, unit.cell(), plain, Attribute.PAN)
                    .flatMap(pan -> Aimed.degrees(mode, unit.cell(), plain, Attribute.TILT)
                            .map(tilt -> new double[] {pan, tilt}));
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
