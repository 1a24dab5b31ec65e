package app.loculus.core.play;

import app.loculus.core.patch.FixtureId;
import java.util.Set;

/** One of the things that run. Immutable; what it wants is a function of the time. */
interface Voice {

    /** What it is called among layers. */
    String label();

    Set<FixtureId> fixtures();

    /** Fixtures of which it can want another thing at one time than at the other. */
    Set<FixtureId> moved(long from, long to);

    /** What it knows about a fixture, for {@link #read}; null when it has nothing to say about it. */
    Object lane(FixtureId fixture, long now);

    /** Reads what it wants of a channel. @return whether it wants anything */
    boolean read(Object lane, int channel, long now, Wish into);
}
