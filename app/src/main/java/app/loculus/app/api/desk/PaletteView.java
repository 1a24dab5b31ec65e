package app.loculus.app.api.desk;

import app.loculus.app.api.PaletteFace;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Reach;
import app.loculus.core.palette.ReachRow;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Locale;

/**
 * A palette with its reach over the selection.
 *
 * @param command whether it is sent for a moment and never kept, as a reset is
 * @param swatch colour as #rrggbb, empty where there is none
 * @param follow units selected that follow
 * @param of units selected
 */
record PaletteView(
        String kind,
        int number,
        String name,
        String scope,
        boolean mixedScopes,
        PaletteFace face,
        String intent,
        String mark,
        int entries,
        List<String> kinds,
        boolean guarded,
        boolean command,
        boolean follows,
        String tint,
        String note,
        Double seconds,
        int follow,
        int of,
        List<ReachView> reach) {

    /** Units of one type that follow in the same way; {@code grade} is exact, match, close, needs a look or empty. */
    record ReachView(
            String type, String mode, int units, boolean follows, String way, String difference, String grade) {}

    static List<PaletteView> all(Show show) {
        List<UnitId> units = show.hand().selection().units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .filter(u -> working(show, u))
                .distinct()
                .toList();
        Reach reach = new Reach(show.patch(), show.resolver().giver(), units);
        return show.palettes().stream()
                .map(p -> view(show, p, reach, units.size()))
                .toList();
    }

    /** A divided fixture's whole counts only when nothing but the whole can be set. */
    private static boolean working(Show show, UnitId unit) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        return mode.cells() == 0 || unit.cell() > 0;
    }

    private static PaletteView view(Show show, Palette p, Reach reach, int of) {
        List<ReachView> rows = reach.of(p).stream().map(r -> row(show, r)).toList();
        return new PaletteView(
                p.kind().word(),
                p.number(),
                p.name(),
                p.narrowest().name().toLowerCase(Locale.ROOT),
                p.mixedScopes(),
                PaletteFace.of(show, p),
                p.intent().map(Object::toString).orElse(""),
                p.aim().flatMap(show::mark).map(m -> m.name()).orElse(""),
                p.entries().size(),
                kinds(show, p),
                p.guarded(),
                p.command(),
                p.refers(),
                p.label().tint().word(),
                p.label().note(),
                p.label().seconds().orElse(null),
                rows.stream()
                        .filter(ReachView::follows)
                        .mapToInt(ReachView::units)
                        .sum(),
                of,
                rows);
    }

    /** What it holds beside its own kind, and all kinds of a combined one. */
    private static List<String> kinds(Show show, Palette p) {
        return p.entries().stream()
                .filter(e -> !e.companion())
                .map(Entry::attribute)
                .distinct()
                .flatMap(a -> show.profiles().all().stream()
                        .filter(profile -> profile.attributes().stream()
                                .anyMatch(d -> d.attribute().equals(a)))
                        .map(profile -> profile.kindOf(a).word())
                        .limit(1))
                .filter(k -> !k.equals(p.kind().word()))
                .distinct()
                .toList();
    }

    private static ReachView row(Show show, ReachRow r) {
        return new ReachView(
                show.profiles().get(r.profile()).name(),
                r.mode(),
                r.units(),
                r.follows() != Follows.NONE,
                r.words(),
                r.difference().map(ColourDifference::toString).orElse(""),
                r.difference().map(d -> d.grade().words()).orElse(""));
    }
}
