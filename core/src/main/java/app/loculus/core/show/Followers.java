package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.selection.Selection;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Says which groups are others after the patch has changed: those that follow what they were made from. */
final class Followers {

    /** More than these are counted. */
    private static final int MOST_NAMED = 6;

    private Followers() {}

    static void told(Show before, Show after, Delta delta, Consumer<String> words) {
        delta.of(PartKinds.PALETTES).forEach(c -> palette(before, after, c, words));
        boolean patched = delta.kinds().contains(PartKinds.FIXTURES);
        boolean regrouped = delta.kinds().contains(PartKinds.GROUPS);
        if (!patched && !regrouped) {
            return;
        }
        List<String> all = after.groups().stream()
                .filter(g -> g.content().recipe() && !g.content().choice().changesWithLight())
                .flatMap(g -> changed(before, after, g).stream())
                .toList();
        all.stream().limit(MOST_NAMED).forEach(words);
        if (all.size() > MOST_NAMED) {
            int further = all.size() - MOST_NAMED;
            words.accept(Numbers.count(further, "further group") + (further == 1 ? " follows" : " follow"));
        }
    }

    /** Who follows a palette that was changed in what it gives. */
    private static void palette(Show before, Show after, Change<PaletteId, Palette> change, Consumer<String> words) {
        Palette was = change.before().orElse(null);
        Palette is = change.after().orElse(null);
        boolean changed = was != null
                && is != null
                && !(was.entries().equals(is.entries()) && was.intent().equals(is.intent()));
        if (!changed) {
            return;
        }
        long units = before.programmer().values().values().stream()
                .filter(v -> v.followed().contains(is.id()))
                .count();
        String palettes = after.palettes().stream()
                .filter(p -> p.followed().contains(is.id()))
                .map(Palette::toString)
                .collect(Collectors.joining(", "));
        if (units > 0) {
            words.accept(Numbers.count((int) units, "unit") + " in use" + (units == 1 ? " follows" : " follow"));
        }
        if (!palettes.isEmpty()) {
            words.accept("So " + (palettes.contains(", ") ? "do " : "does ") + palettes);
        }
        List<Look> looks = LookHolders.reached(after, is.id());
        if (!looks.isEmpty()) {
            String named = looks.stream()
                    .limit(MOST_NAMED)
                    .map(l -> LookHolders.words(after, l))
                    .collect(Collectors.joining(", "));
            words.accept(Numbers.count(looks.size(), "look")
                    + (looks.size() == 1 ? " follows: " : " follow: ")
                    + named
                    + (looks.size() > MOST_NAMED ? " and " + (looks.size() - MOST_NAMED) + " more" : ""));
        }
    }

    /** Groups whose own content was changed are what the edit is about. */
    private static Optional<String> changed(Show before, Show after, Group group) {
        return before.group(group.id())
                .filter(g -> g.content().equals(group.content()))
                .map(before::units)
                .filter(were -> !were.equals(after.units(group)))
                .map(were -> words(group, were, after.units(group)));
    }

    private static String words(Group group, Selection were, Selection are) {
        return "Group " + group + " follows: "
                + (were.size() == are.size()
                        ? Numbers.count(are.size(), "unit")
                                + (were.units().containsAll(are.units()) ? " in another order" : ", others than before")
                        : were.size() + " → " + Numbers.count(are.size(), "unit"));
    }
}
