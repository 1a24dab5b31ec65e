package app.loculus.core.edit.group;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.Fixture;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Sort;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;

/**
 * A group that is obvious from the patch: everything of one type, at one position or for one purpose, and the usual
 * shares of it.
 *
 * @param family what it is a share of: {@code type}, {@code position} or {@code purpose}
 * @param share {@code whole}, {@code left}, {@code right}, {@code odd}, {@code even}, {@code inner}, {@code outer},
 *     {@code front to back} or {@code reversed}
 * @param units who it would be now
 * @param there the group that holds the same already
 */
public record Starter(
        String name, String family, String share, GroupContent.Recipe recipe, Selection units, Optional<String> there) {

    /** Fewer have no halves worth a name. */
    private static final int FEWEST = 2;

    private static final int FEWEST_RINGED = 4;

    /** Every obvious group, those of types first. */
    public static List<Starter> of(Show show) {
        Maker maker = new Maker(show);
        maker.all("type", f -> show.patch().profileOf(f).name(), Choice.OfType::new);
        maker.all("position", Fixture::position, Choice.AtPosition::new);
        maker.all("purpose", Fixture::purpose, Choice.ForPurpose::new);
        return maker.made;
    }

    private static final class Maker {
        private final Show show;
        private final UnaryOperator<String> style;
        private final List<Starter> made = new ArrayList<>();
        private final Set<String> names = new LinkedHashSet<>();

        Maker(Show show) {
            this.show = show;
            this.style = style(show);
        }

        void all(String family, Function<Fixture, String> name, Function<String, Choice> base) {
            show.patch().fixtures().stream()
                    .map(name)
                    .filter(n -> !n.isBlank())
                    .distinct()
                    .forEach(n -> shares(family, n, base.apply(n)));
        }

        private void shares(String family, String name, Choice base) {
            Selection all = show.chosen(base);
            add(family, name, "whole", base);
            if (all.size() < FEWEST) {
                return;
            }
            boolean across = differ(all, Vector3::x);
            if (across) {
                add(family, name, "left", base, Sort.by(Sort.By.ACROSS), new Pattern.Part(1, 2));
                add(family, name, "right", base, Sort.by(Sort.By.ACROSS), new Pattern.Part(2, 2));
            }
            add(family, name, "odd", base, new Pattern.EveryNth(2, 1));
            add(family, name, "even", base, new Pattern.EveryNth(2, 2));
            if (across && all.size() >= FEWEST_RINGED) {
                add(family, name, "inner", base, Sort.by(Sort.By.OUTWARD), new Pattern.Part(1, 2));
                add(family, name, "outer", base, Sort.by(Sort.By.OUTWARD), new Pattern.Part(2, 2));
            }
            if (differ(all, Vector3::y)) {
                add(family, name, "front to back", base, Sort.by(Sort.By.ALONG));
            }
            add(family, name, "reversed", base, new Pattern.Reverse());
        }

        /** Whether they hang at more than one place that way. */
        private boolean differ(Selection all, ToDoubleFunction<Vector3> part) {
            return all.units().stream()
                            .flatMap(u -> show.patch().get(u.fixture()).pose().stream())
                            .mapToDouble(p -> part.applyAsDouble(p.place()))
                            .distinct()
                            .limit(2)
                            .count()
                    > 1;
        }

        private void add(String family, String name, String share, Choice base, Pattern... patterns) {
            GroupContent.Recipe recipe = new GroupContent.Recipe(base, List.of(patterns));
            Selection units = show.chosen(recipe.choice());
            String called = unused(style.apply(share.equals("whole") ? name : name + " " + share), family);
            made.add(new Starter(called, family, share, recipe, units, there(recipe, units)));
        }

        /** A position may be called like a type. */
        private String unused(String name, String family) {
            String called = names.add(name.toLowerCase(Locale.ROOT)) ? name : style.apply(name + " (" + family + ")");
            names.add(called.toLowerCase(Locale.ROOT));
            return called;
        }

        private Optional<String> there(GroupContent.Recipe recipe, Selection units) {
            return show.groups().stream()
                    .filter(g -> g.content().equals(recipe) || show.units(g).equals(units))
                    .map(Object::toString)
                    .findFirst();
        }
    }

    /** As the groups there are are written: all in capitals, all in small letters, or as the patch has it. */
    private static UnaryOperator<String> style(Show show) {
        Collection<String> names = show.groups().stream().map(g -> g.name()).toList();
        Predicate<UnaryOperator<String>> all =
                how -> !names.isEmpty() && names.stream().allMatch(n -> n.equals(how.apply(n)));
        UnaryOperator<String> upper = n -> n.toUpperCase(Locale.ROOT);
        UnaryOperator<String> lower = n -> n.toLowerCase(Locale.ROOT);
        return all.test(upper) ? upper : all.test(lower) ? lower : UnaryOperator.identity();
    }
}
