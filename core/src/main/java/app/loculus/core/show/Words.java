package app.loculus.core.show;

import app.loculus.core.effect.Effect;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.State;
import app.loculus.core.selection.Step;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;

/** How the parts of one show are written in the line: by name where only one has it, else by number. */
record Words(Show show) implements State.Called {

    @Override
    public String units(Selection selection) {
        List<String> written = new ArrayList<>();
        List<Integer> wholes = new ArrayList<>();
        for (UnitId unit : selection.steps().stream()
                .map(Step::units)
                .flatMap(List::stream)
                .toList()) {
            if (unit.cell() == 0) {
                wholes.add(show.patch().get(unit.fixture()).number());
            } else {
                flush(wholes, written);
                written.add(show.label(unit));
            }
        }
        flush(wholes, written);
        return written.isEmpty() ? "nobody" : String.join(" + ", written);
    }

    private static void flush(List<Integer> wholes, List<String> written) {
        if (!wholes.isEmpty()) {
            written.add(Numbers.text(wholes));
            wholes.clear();
        }
    }

    @Override
    public String group(GroupId id) {
        return show.group(id)
                .map(g -> "group "
                        + (show.all(PartKinds.GROUPS).values().stream()
                                                .map(Group::name)
                                                .filter(g.name()::equalsIgnoreCase)
                                                .count()
                                        == 1
                                ? Quoted.of(g.name())
                                : String.valueOf(g.number())))
                .orElse("a group that is gone");
    }

    @Override
    public String palette(PaletteId id) {
        return show.palette(id)
                .map(p -> p.kind().word() + " " + (onlyOne(p) ? Quoted.of(p.name()) : String.valueOf(p.number())))
                .orElse("a palette that is gone");
    }

    @Override
    public String effect(EffectId id) {
        return show.effect(id).flatMap(Effect::number).map(n -> "effect " + n).orElse("an effect that has no number");
    }

    private boolean onlyOne(Palette palette) {
        return show.all(PartKinds.PALETTES).values().stream()
                        .filter(p -> p.kind() == palette.kind() && p.name().equalsIgnoreCase(palette.name()))
                        .count()
                == 1;
    }
}
