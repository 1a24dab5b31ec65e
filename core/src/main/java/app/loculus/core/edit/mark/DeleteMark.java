package app.loculus.core.edit.mark;

import app.loculus.core.effect.Effect;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Quoted;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Removes a mark.
 *
 * @param asValues palettes that stand at it keep where each head points now; without it that is refused
 */
public record DeleteMark(String name, boolean asValues) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Mark mark = MarkFinder.named(draft, name);
        List<Effect> around = EffectUsers.of(show, mark.id());
        if (!around.isEmpty()) {
            throw Refusal.of(
                    "mark.used",
                    "mark",
                    "Around " + mark + " goes " + EffectUsers.names(around) + ".",
                    WayOut.advice("Let it go around another mark or around what is there, or delete it first."));
        }
        List<Palette> standing = Standing.palettes(show, mark.id());
        if (!standing.isEmpty() && !asValues) {
            throw Refusal.of(
                    "mark.used",
                    "mark",
                    "At " + mark + " stand " + names(standing) + ".",
                    WayOut.line(
                            "Delete it and leave where each head points now",
                            "delete mark " + Quoted.of(mark.name()) + " as values"));
        }
        standing.forEach(p -> draft.put(raw(show, p)));
        draft.remove(PartKinds.MARKS, mark.id());
        draft.say("Deletes mark " + mark + (standing.isEmpty() ? "" : "; raw now: " + names(standing)));
    }

    private static String names(List<Palette> palettes) {
        return palettes.stream().map(Palette::toString).collect(Collectors.joining(", "));
    }

    /** The same with pan and tilt of every head that follows. */
    static Palette raw(Show show, Palette palette) {
        List<Entry> entries = new ArrayList<>(palette.entries().stream()
                .filter(e -> !(e.value() instanceof AttributeValue.Aimed))
                .toList());
        for (UnitId unit : Standing.heads(show)) {
            Given given = show.resolver().giver().give(palette, unit);
            ScopeKey own = new ScopeKey.Unit(unit);
            for (Attribute a : List.of(Attribute.PAN, Attribute.TILT)) {
                boolean there = entries.stream()
                        .anyMatch(e -> e.scope().equals(own) && e.attribute().equals(a));
                if (given.values().containsKey(a) && !there) {
                    entries.add(new Entry(own, a, given.values().get(a), false));
                }
            }
        }
        return palette.holding(entries).aimedAt(Optional.empty());
    }
}
