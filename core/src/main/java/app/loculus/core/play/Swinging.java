package app.loculus.core.play;

import app.loculus.core.patch.FixtureId;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** Who is moved by effects in what runs. */
final class Swinging {

    private Swinging() {}

    static Set<FixtureId> fixtures(Map<FixtureId, Placed[]> placed) {
        return found(placed, p -> p.moving() != null);
    }

    static <T> Set<FixtureId> found(Map<FixtureId, T[]> all, Predicate<T> moves) {
        Set<FixtureId> found = new LinkedHashSet<>();
        all.forEach((fixture, channels) -> {
            for (T one : channels) {
                if (one != null && moves.test(one)) {
                    found.add(fixture);
                    return;
                }
            }
        });
        return found;
    }
}
