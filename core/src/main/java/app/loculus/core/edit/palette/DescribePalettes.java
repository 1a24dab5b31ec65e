package app.loculus.core.edit.palette;

import app.loculus.core.palette.Label;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Tint;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;

/**
 * Marks palettes with a tint, writes a note on them, or gives them a time of their own; what is absent stays.
 *
 * @param seconds present and empty: without a time of their own
 */
public record DescribePalettes(
        List<PaletteId> palettes, Optional<Tint> tint, Optional<String> note, Optional<Optional<Double>> seconds)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        palettes.forEach(id -> {
            Palette before = draft.show().palette(id).orElseThrow();
            Label was = before.label();
            draft.put(before.labelled(new Label(
                    tint.orElse(was.tint()), note.orElse(was.note()), seconds.orElse(was.seconds()), was.starter())));
        });
        draft.say(Numbers.count(palettes.size(), "palette")
                + tint.map(t -> t == Tint.NONE ? " without a mark" : " marked " + t.word())
                        .orElse("")
                + note.map(n -> n.isEmpty() ? " without a note" : " with the note “" + n + "”")
                        .orElse("")
                + seconds.map(s ->
                                s.map(t -> " in " + Decimal.text(t, 2) + " s").orElse(" without a time of their own"))
                        .orElse(""));
    }
}
