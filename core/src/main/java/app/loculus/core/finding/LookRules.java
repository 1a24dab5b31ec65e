package app.loculus.core.finding;

import app.loculus.core.edit.look.Plain;
import app.loculus.core.edit.look.TidyLook;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;

/** What looks hold. */
final class LookRules {

    static final List<Rule> ALL = List.of(new PlainValues(), new Following(), new Still(), new Control());

    private LookRules() {}

    private static String holder(Show show, Look look) {
        return PaletteRules.upper(LookHolders.words(show, look));
    }

    private static Optional<Look> look(Show show, Finding finding) {
        String id = finding.key().value().substring(finding.rule().length() + 1);
        return show.find(PartKinds.LOOKS, new LookId(Integer.parseInt(id)));
    }

    /** Takes what does nothing out of a look: what goes out stays the same. @param which values do nothing */
    private static List<WayOut> takingOut(
            Rule rule, Show show, Profiles library, Finding finding, BiPredicate<UnitId, Touched> which) {
        Look look = look(show, finding).orElse(null);
        if (look == null) {
            return List.of();
        }
        Set<String> names = new LinkedHashSet<>();
        finding.who()
                .forEach(u -> look.values()
                        .getOrDefault(u, UnitValues.NONE)
                        .byAttribute()
                        .forEach((attribute, t) -> {
                            if (which.test(u, t)) {
                                names.add(attribute.name());
                            }
                        }));
        String line = "take out " + Rule.numbers(show, finding.who()) + " from "
                + Spot.of(show, look).line() + " only " + String.join(", ", names);
        return !names.isEmpty() && rule.mends(show, library, finding, line)
                ? List.of(WayOut.line("Take it out of there", line))
                : List.of();
    }

    /** Values that follow no palette. */
    private static final class PlainValues extends OfLooks {

        PlainValues() {
            super("plain");
        }

        @Override
        List<UnitId> who(Show show, Look look) {
            return List.copyOf(Plain.of(show, look.values()).keySet());
        }

        @Override
        void tell(Show show, Look look, List<UnitId> who, Found found) {
            found.look(
                    look.id().value(),
                    holder(show, look) + ": " + who.size() + " of "
                            + Numbers.count(look.values().size(), "unit") + (who.size() == 1 ? " holds" : " hold")
                            + " plain values.",
                    "",
                    who,
                    Spot.of(show, look));
        }

        /** Each way is tried on whole looks. */
        @Override
        boolean quick() {
            return false;
        }

        /** The palettes that are near to them, called by name so that one sees what comes of it; and palettes of their own. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            List<WayOut> ways = new ArrayList<>();
            look(show, finding).ifPresent(before -> {
                Optional<Tie> tie = tie(show, finding, before);
                tie.ifPresent(t -> ways.add(t.way()));
                String anew = "tidy " + Spot.of(show, before).line() + " into palettes";
                if (tie.map(t -> t.left() > 0).orElse(true) && mends(show, library, finding, anew)) {
                    ways.add(WayOut.line(
                            tie.isEmpty() ? "Make palettes of them" : "Make palettes, of the rest too", anew));
                }
            });
            return ways;
        }

        /** @param left how many stay plain */
        private record Tie(WayOut way, int left) {}

        private static Optional<Tie> tie(Show show, Finding finding, Look before) {
            Draft draft = new Draft(show);
            try {
                new TidyLook(before.id(), false).on(draft);
            } catch (Refusal nothingNear) {
                return Optional.empty();
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
                return Optional.empty();
            }
            String to = tied.size() == 1
                    ? PaletteRules.upper(Spot.of(tied.iterator().next()).line())
                    : tied.size() + " palettes";
            return Optional.of(new Tie(
                    WayOut.line(
                            "Tie " + (left == 0 ? "" : finding.who().size() - left + " of them ") + "to " + to,
                            "tidy " + Spot.of(show, before).line()),
                    left));
        }
    }

    /** Units that follow a palette which gives them nothing. */
    private static final class Following extends OfLooks {

        Following() {
            super("follows-nothing");
        }

        @Override
        List<Object> by(Show show) {
            return byGiven(show);
        }

        @Override
        List<UnitId> who(Show show, Look look) {
            return units(
                    look,
                    (unit, values) -> values.followed().stream()
                            .anyMatch(p -> !show.resolver()
                                    .giver()
                                    .give(show.palette(p).orElseThrow(), unit)
                                    .follow()));
        }

        @Override
        void tell(Show show, Look look, List<UnitId> who, Found found) {
            about(
                    show,
                    look,
                    who,
                    (who.size() == 1 ? " follows" : " follow") + " a palette that gives nothing there.",
                    found);
        }

        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return takingOut(
                    this,
                    show,
                    library,
                    finding,
                    (unit, t) -> t.value()
                            .followed()
                            .flatMap(show::palette)
                            .filter(p -> !show.resolver().giver().give(p, unit).follow())
                            .isPresent());
        }
    }

    /** Units that refer to an effect which moves nothing of theirs. */
    private static final class Still extends OfLooks {

        Still() {
            super("effect-still");
        }

        @Override
        List<Object> by(Show show) {
            return byGiven(show);
        }

        @Override
        List<UnitId> who(Show show, Look look) {
            return units(
                    look,
                    (unit, values) -> values.moved().stream()
                            .flatMap(u -> show.effect(u.effect()).stream())
                            .anyMatch(effect ->
                                    show.resolver().motions().of(effect, unit).isEmpty()));
        }

        @Override
        void tell(Show show, Look look, List<UnitId> who, Found found) {
            about(
                    show,
                    look,
                    who,
                    (who.size() == 1 ? " refers" : " refer") + " to an effect that moves nothing there.",
                    found);
        }

        /** Only where nothing else stands with it. */
        @Override
        List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
            return takingOut(
                    this,
                    show,
                    library,
                    finding,
                    (unit, t) -> t.value() instanceof AttributeValue.Moved m
                            && m.over().isEmpty());
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
        List<UnitId> who(Show show, Look look) {
            return units(look, (unit, values) -> !held(show, unit, values).isEmpty());
        }

        @Override
        void tell(Show show, Look look, List<UnitId> who, Found found) {
            found.look(
                    look.id().value(),
                    holder(show, look) + " holds control channels of " + Numbers.count(who.size(), "unit") + ".",
                    numbers(show, who),
                    who,
                    Spot.of(show, look));
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
                    "take out " + Rule.numbers(show, finding.who()) + " from "
                            + Spot.of(show, look).line() + " only " + String.join(", ", names)));
        }
    }
}
