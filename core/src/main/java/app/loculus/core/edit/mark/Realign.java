package app.loculus.core.edit.mark;

import app.loculus.core.geometry.Displacement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Re-aims positions after something has been moved: what is lit (a riser, the stage of another venue), or the lights
 * themselves. Known points say where it was and where it is.
 *
 * <p>What is lit moved: marks move along, and heads that hold pan and tilt of their own are aimed at where the spot went that
 * they hit. The lights moved: their places move, marks stay, and such heads are aimed at the spot on the floor they hit
 * before. A head keeps to the way that is nearest to where it pointed.
 *
 * @param known one point to three or more
 * @param lights the fixtures that were moved; empty when what they light was
 * @param positions only these palettes, with the marks they stand at; all when neither they nor marks are named
 * @param marks only these
 */
public record Realign(
        List<Displacement.Known> known, Set<FixtureId> lights, Set<PaletteId> positions, Set<MarkId> marks)
        implements ShowEdit {

    private static final int MOST_NAMED = 8;

    /** Points that fit worse than this were measured wrongly, or it was bent; metres. */
    private static final double FITS = 0.1;

    @Override
    public void on(Draft draft) {
        Displacement moved = Displacement.of(known)
                .orElseThrow(() -> Refusal.of(
                        "realign.points",
                        "points",
                        known.size() == 2
                                ? "The two points stand above each other and tell of no turn."
                                : "The points lie in one line and do not tell how it was turned.",
                        WayOut.advice("Take points that are well apart, three of them around the stage.")));
        if (moved.still()) {
            throw Refusal.of("realign.nothing", "points", "The points are where they were.");
        }
        draft.reads(PartKinds.FIXTURES);
        draft.reads(PartKinds.PALETTES);
        draft.reads(PartKinds.MARKS);
        Show before = draft.show();
        draft.say((lights.isEmpty() ? "What is lit" : "The lights") + " moved by " + words(moved));
        fits(draft, moved);
        Spots spots = lights.isEmpty() ? Spots.moved(moved) : Spots.under(moved, lights);
        if (lights.isEmpty()) {
            carry(draft, before, moved);
        } else {
            hang(draft, before, moved);
        }
        Map<PaletteId, Spots.Told> told = new LinkedHashMap<>();
        positions(before).forEach(p -> told.put(p.id(), spots.aim(draft, before, p)));
        tell(draft, before, told);
        if (draft.show().equals(before)) {
            throw Refusal.of(
                    "realign.nothing",
                    "positions",
                    "There is no mark and no position with pan and tilt of its own that could follow.");
        }
    }

    private static String words(Displacement moved) {
        String shift = Mark.text(moved.shift()) + " m";
        return moved.degrees() < 0.005 ? shift : shift + " and turned by " + Decimal.text(moved.degrees(), 2) + "°";
    }

    private static void fits(Draft draft, Displacement moved) {
        if (moved.miss() > FITS) {
            draft.warn(Problem.warning(
                    "realign.fit",
                    "points",
                    "The points do not fit by " + Decimal.text(moved.miss(), 2)
                            + " m: one of them was measured wrongly, or it was bent.",
                    WayOut.advice("Measure them again.")));
        } else if (moved.miss() >= 0.005) {
            draft.say("The points fit within " + Decimal.text(moved.miss(), 2) + " m");
        }
    }

    private void carry(Draft draft, Show before, Displacement moved) {
        List<Mark> carried =
                before.marks().stream().filter(m -> meant(before, m)).toList();
        for (Mark mark : carried) {
            Mark now = mark.movedTo(rounded(moved.move(mark.at())));
            draft.put(PartKinds.MARKS, now);
            draft.say("Mark " + mark + ": " + Mark.text(mark.at()) + " → " + Mark.text(now.at()));
            Standing.tell(draft, before, mark.id());
        }
    }

    /** Nobody measures finer than a tenth of a millimetre. */
    private static Vector3 rounded(Vector3 at) {
        return new Vector3(
                Math.round(at.x() * 1e4) / 1e4, Math.round(at.y() * 1e4) / 1e4, Math.round(at.z() * 1e4) / 1e4);
    }

    private boolean all() {
        return positions.isEmpty() && marks.isEmpty();
    }

    private boolean meant(Show show, Mark mark) {
        return all()
                || marks.contains(mark.id())
                || positions.stream()
                        .flatMap(id -> show.palette(id).stream())
                        .anyMatch(p -> p.aim().equals(Optional.of(mark.id())));
    }

    private void hang(Draft draft, Show before, Displacement moved) {
        List<Fixture> hung = lights.stream()
                .map(before.patch()::get)
                .flatMap(f -> f.pose().map(pose -> f.placed(moved.move(pose))).stream())
                .toList();
        if (hung.isEmpty()) {
            throw Refusal.of(
                    "realign.place",
                    "lights",
                    "None of these lights has a place that could move.",
                    WayOut.advice("Place them first: place 101 thru 106 at -5,3,6 thru 5,3,6."));
        }
        draft.putAll(hung);
        draft.say(Numbers.count(hung.size(), "fixture") + (hung.size() == 1 ? " hangs" : " hang") + " elsewhere");
        Set<MarkId> reached = new LinkedHashSet<>();
        before.palettes().forEach(p -> p.aim().ifPresent(reached::add));
        reached.forEach(mark -> Standing.tell(draft, before, mark));
    }

    private Stream<Palette> positions(Show show) {
        return show.palettes().stream()
                .filter(p -> p.kind() == Kind.POSITION || p.kind() == Kind.COMBINED)
                .filter(p -> all() || positions.contains(p.id()));
    }

    private static void tell(Draft draft, Show before, Map<PaletteId, Spots.Told> told) {
        told.forEach((id, t) -> {
            if (t.aimed() > 0) {
                draft.say(before.palette(id).orElseThrow() + ": " + Numbers.count(t.aimed(), "head") + " re-aimed");
            }
        });
        warn(draft, told, Spots.Told::missing, "realign.reach", "do not reach where it is now");
        warn(draft, told, Spots.Told::left, "realign.spot", "hit no spot that could follow, and stay");
    }

    private static void warn(
            Draft draft,
            Map<PaletteId, Spots.Told> told,
            Function<Spots.Told, Set<String>> whom,
            String code,
            String what) {
        Set<String> units = told.values().stream()
                .flatMap(t -> whom.apply(t).stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (!units.isEmpty()) {
            draft.warn(Problem.warning(
                    code,
                    "positions",
                    units.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                            + (units.size() > MOST_NAMED ? " and " + (units.size() - MOST_NAMED) + " more" : "") + " "
                            + what + "."));
        }
    }
}
