package app.loculus.core.edit.mark;

import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Who stands at a mark: heads whose palettes are aimed at it. */
final class Standing {

    private static final int MOST_NAMED = 8;

    private Standing() {}

    static List<Palette> palettes(Show show, MarkId mark) {
        return show.palettes().stream()
                .filter(p -> p.aim().filter(mark::equals).isPresent())
                .toList();
    }

    /** Every head that a palette at the mark aims, and could follow it. */
    static List<UnitId> heads(Show show) {
        List<UnitId> heads = new ArrayList<>();
        for (Fixture f : show.patch().fixtures()) {
            IntStream.rangeClosed(0, show.patch().modeOf(f).cells())
                    .filter(cell -> show.patch()
                            .modeOf(f)
                            .parameter(cell, Attribute.PAN)
                            .isPresent())
                    .forEach(cell -> heads.add(new UnitId(f.id(), cell)));
        }
        return heads;
    }

    /** What moving a mark does: how many working heads move, and who cannot reach it any more. */
    static void tell(Draft draft, Show before, MarkId mark) {
        Show after = draft.show();
        List<Palette> palettes = palettes(after, mark);
        if (palettes.isEmpty()) {
            return;
        }
        long using = before.programmer().values().values().stream()
                .filter(v -> palettes.stream().anyMatch(p -> v.followed().contains(p.id())))
                .count();
        draft.say(palettes.stream().map(Palette::toString).collect(Collectors.joining(", "))
                + (palettes.size() == 1 ? " stands" : " stand") + " there"
                + (using == 0
                        ? ""
                        : "; " + Numbers.count((int) using, "head") + " in use " + (using == 1 ? "moves" : "move")));
        List<String> missing = heads(after).stream()
                .filter(u -> palettes.stream().anyMatch(p -> misses(after, p, u)))
                .map(after::label)
                .toList();
        if (!missing.isEmpty()) {
            draft.warn(Problem.warning(
                    "mark.reach",
                    "mark",
                    Numbers.count(missing.size(), "head") + (missing.size() == 1 ? " does" : " do") + " not reach it: "
                            + missing.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                            + (missing.size() > MOST_NAMED ? " …" : "") + "."));
        }
    }

    private static boolean misses(Show show, Palette palette, UnitId unit) {
        return show.resolver().giver().give(palette, unit).outOfReach();
    }
}
