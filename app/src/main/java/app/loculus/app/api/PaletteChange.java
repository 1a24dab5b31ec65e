package app.loculus.app.api;

import app.loculus.core.edit.palette.PaletteDifference;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Locale;

/**
 * What would become of one palette, before anything is written.
 *
 * @param before its name now, empty when it is not there yet; @param faceBefore null then
 * @param after its name then, empty when it goes
 */
public record PaletteChange(
        String kind,
        int number,
        String before,
        String after,
        PaletteFace faceBefore,
        PaletteFace faceAfter,
        List<EntryChange> rows) {

    /** @param happens added, changed, removed or shadowed */
    public record EntryChange(String happens, String owner, String attribute, String from, String to) {}

    private static final int MOST = 20;
    private static final int MOST_ROWS = 200;

    static List<PaletteChange> all(Outcome outcome) {
        return outcome.delta().of(PartKinds.PALETTES).stream()
                .limit(MOST)
                .map(c -> of(outcome.show(), c.before().orElse(null), c.after().orElse(null)))
                .toList();
    }

    private static PaletteChange of(Show is, Palette before, Palette after) {
        Palette one = after == null ? before : after;
        return new PaletteChange(
                one.kind().word(),
                one.number(),
                before == null ? "" : before.name(),
                after == null ? "" : after.name(),
                before == null ? null : PaletteFace.of(is, before),
                after == null ? null : PaletteFace.of(is, after),
                after == null
                        ? List.of()
                        : PaletteDifference.of(is, java.util.Optional.ofNullable(before), after).rows().stream()
                                .limit(MOST_ROWS)
                                .map(r -> new EntryChange(
                                        r.happens().name().toLowerCase(Locale.ROOT),
                                        r.owner(),
                                        r.attribute(),
                                        r.from(),
                                        r.to()))
                                .toList());
    }
}
