package app.loculus.core.resolve;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** The light of everything, scaled. @param factor 0 to 1 */
record Mastered(String owner, double factor, Collection<FixtureId> everybody) implements Layer {

    @Override
    public long sinceMillis() {
        return 0;
    }

    @Override
    public Set<FixtureId> fixtures() {
        return factor == 1 ? Set.of() : new LinkedHashSet<>(everybody);
    }

    @Override
    public Set<FixtureId> differing(Layer earlier) {
        return earlier instanceof Mastered before && before.factor == factor
                ? Set.of()
                : new LinkedHashSet<>(everybody);
    }

    @Override
    public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
        if (factor < 1) {
            outermost(mode).forEach(d -> channels.set(d, channels.get(d).dimmed(factor)));
        }
    }

    /** The channels of the dimmers that everything else lies under. */
    static List<Integer> outermost(Mode mode) {
        int whole = dimmer(mode, 0);
        return whole >= 0
                ? List.of(whole)
                : mode.layout().directlyIn(0).stream()
                        .map(cell -> dimmer(mode, cell))
                        .filter(d -> d >= 0)
                        .toList();
    }

    /** The channel that dims a cell, −1 where none does. */
    static int dimmer(Mode mode, int cell) {
        return mode.parameter(cell, Attribute.DIMMER).map(Parameter::channel).orElse(-1);
    }
}
