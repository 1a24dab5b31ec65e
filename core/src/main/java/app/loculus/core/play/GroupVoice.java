package app.loculus.core.play;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import app.loculus.core.selection.GroupId;
import java.util.Map;
import java.util.Set;

/**
 * A level over a group.
 *
 * @param dimmers full up, in the order of the mode's channels; null where there is none
 */
record GroupVoice(GroupId group, String label, double level, long since, Map<FixtureId, FunctionValue[]> dimmers)
        implements Voice {

    @Override
    public Set<FixtureId> fixtures() {
        return dimmers.keySet();
    }

    @Override
    public Set<FixtureId> moved(long from, long to) {
        return Set.of();
    }

    @Override
    public Object lane(FixtureId fixture, long now) {
        return dimmers.get(fixture);
    }

    @Override
    public boolean read(Object lane, int channel, long now, Wish into) {
        FunctionValue[] all = (FunctionValue[]) lane;
        FunctionValue full = channel < all.length ? all[channel] : null;
        if (full == null) {
            return false;
        }
        into.stand(full);
        into.level = level;
        into.since = since;
        into.turns = since;
        into.source = new Source.InLook();
        return true;
    }
}
