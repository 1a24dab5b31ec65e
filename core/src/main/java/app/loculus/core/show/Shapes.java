package app.loculus.core.show;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.value.PaletteId;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.function.BiPredicate;

/**
 * What values go by, without what is merely called otherwise: tokens that stay the very same object from show to show for
 * as long as nothing of that kind is another. What was worked out for one show holds for another with the same tokens.
 */
public final class Shapes {

    private final SortedMap<?, ?> profiles;
    private final SortedMap<FixtureId, Fixture> fixtures;
    private final SortedMap<PaletteId, Palette> palettes;
    private final Object types;
    private final Object poses;
    private final Object given;

    private Shapes(Show show, Optional<Shapes> before) {
        this.profiles = show.all(PartKinds.PROFILES);
        this.fixtures = show.all(PartKinds.FIXTURES);
        this.palettes = show.all(PartKinds.PALETTES);
        this.types = before.filter(b -> b.profiles == profiles && same(b.fixtures, fixtures, Shapes::alike))
                .map(b -> b.types)
                .orElseGet(Object::new);
        // Only where something is aimed does it matter where heads are.
        boolean aimed = palettes.values().stream().anyMatch(p -> p.aim().isPresent());
        this.poses = before.filter(b -> !aimed && b.palettes == palettes
                        || same(b.fixtures, fixtures, (one, other) -> one.pose().equals(other.pose())))
                .map(b -> b.poses)
                .orElseGet(Object::new);
        this.given = before.filter(b -> same(b.palettes, palettes, Shapes::givesAlike))
                .map(b -> b.given)
                .orElseGet(Object::new);
    }

    public static Shapes of(Show show) {
        return show.growing(Shapes.class, before -> new Shapes(show, before));
    }

    private static boolean alike(Fixture one, Fixture other) {
        return one.number() == other.number()
                && one.profile().equals(other.profile())
                && one.mode().equals(other.mode());
    }

    private static boolean givesAlike(Palette one, Palette other) {
        return one.intent().equals(other.intent())
                && one.aim().equals(other.aim())
                && one.entries().equals(other.entries());
    }

    private static <K, V> boolean same(SortedMap<K, V> one, SortedMap<K, V> other, BiPredicate<V, V> alike) {
        if (one == other) {
            return true;
        }
        if (one.size() != other.size()) {
            return false;
        }
        Iterator<Map.Entry<K, V>> were = one.entrySet().iterator();
        for (Map.Entry<K, V> is : other.entrySet()) {
            Map.Entry<K, V> was = were.next();
            boolean kept = was.getKey().equals(is.getKey())
                    && (was.getValue() == is.getValue() || alike.test(was.getValue(), is.getValue()));
            if (!kept) {
                return false;
            }
        }
        return true;
    }

    /** Which fixtures there are, their numbers, and of which types and modes. */
    public Object types() {
        return types;
    }

    /** Where they are and how they are turned, as far as palettes go by it. */
    public Object poses() {
        return poses;
    }

    /** What palettes give. */
    public Object given() {
        return given;
    }

    /** Whether two lists of tokens hold the very same ones. */
    public static boolean same(List<Object> one, List<Object> other) {
        if (one.size() != other.size()) {
            return false;
        }
        for (int i = 0; i < one.size(); i++) {
            if (one.get(i) != other.get(i)) {
                return false;
            }
        }
        return true;
    }
}
