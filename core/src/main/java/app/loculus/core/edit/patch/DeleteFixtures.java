package app.loculus.core.edit.patch;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Removes fixtures for good and names what they drop out of. */
public record DeleteFixtures(List<FixtureId> fixtures) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Change<?, ?>> left = References.refitted(draft.show(), without(new HashSet<>(fixtures)));
        left.forEach(draft::change);
        fixtures.forEach(id -> draft.remove(PartKinds.FIXTURES, id));
        List<String> losses = losses(left);
        draft.say("Deletes " + Numbers.count(fixtures.size(), "fixture")
                + (losses.isEmpty()
                        ? "; nothing else refers to them"
                        : "; they drop out of " + String.join(", ", losses)));
    }

    private static Refit without(Set<FixtureId> gone) {
        return new Refit() {
            @Override
            public boolean keeps(UnitId unit) {
                return !gone.contains(unit.fixture());
            }
        };
    }

    private static List<String> losses(List<Change<?, ?>> left) {
        List<String> losses = new ArrayList<>();
        left.forEach(c ->
                c.of(PartKinds.GROUPS).ifPresent(g -> losses.add(words(g.after().orElseThrow()))));
        left.forEach(c -> c.of(PartKinds.PALETTES)
                .ifPresent(p ->
                        losses.add(words(p.before().orElseThrow(), p.after().orElseThrow()))));
        return losses;
    }

    private static String words(Group group) {
        return "group " + group.number() + " “" + group.name() + "”";
    }

    private static String words(Palette before, Palette after) {
        return before + " (" + (before.entries().size() - after.entries().size()) + " values)";
    }
}
