package app.loculus.core.play;

import app.loculus.core.look.SubmasterId;
import app.loculus.core.patch.FixtureId;
import java.util.Map;
import java.util.Set;

/**
 * A look under a level above 0: intensity is scaled by it, the rest stands as the look has it.
 *
 * @param level as it was set
 * @param flashed whether it is held full up
 * @param since when it left 0
 */
record SubmasterVoice(
        SubmasterId submaster, String label, double level, boolean flashed, long since, Map<FixtureId, Placed[]> placed)
        implements Voice {

    double counting() {
        return flashed ? 1 : level;
    }

    SubmasterVoice holding(Map<FixtureId, Placed[]> others, String called) {
        return new SubmasterVoice(submaster, called, level, flashed, since, others);
    }

    @Override
    public Set<FixtureId> fixtures() {
        return placed.keySet();
    }

    @Override
    public Set<FixtureId> moved(long from, long to) {
        return from == to ? Set.of() : Swinging.fixtures(placed);
    }

    @Override
    public Object lane(FixtureId fixture, long now) {
        return placed.get(fixture);
    }

    @Override
    public boolean read(Object lane, int channel, long now, Wish into) {
        Placed[] all = (Placed[]) lane;
        Placed own = channel < all.length ? all[channel] : null;
        if (own == null) {
            return false;
        }
        into.stand(own.place());
        into.moving = own.moving();
        into.level = counting();
        into.since = since;
        into.turns = since;
        into.source = own.source();
        return true;
    }
}
