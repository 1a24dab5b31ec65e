package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.unit.Fraction;

/** What is played, alone and when all of it has arrived: to be looked at without being played. */
public final class Arrived {

    private Arrived() {}

    /** A list that was sent to one of its cues, whichever way it is played. */
    public static PlayLayer at(CueList list, CueId cue, Repertoire repertoire) {
        CueList step = list.asChase(false);
        int index =
                repertoire.cues(list.id()).stream().map(c -> c.id()).toList().indexOf(cue);
        Playing playing = Playing.NOTHING.come(step, index, 0, repertoire);
        return playing.layer(((CueRun) playing.runs().get(0)).ends());
    }

    /** A submaster that stands full up. */
    public static PlayLayer at(SubmasterId submaster, Repertoire repertoire) {
        return Playing.NOTHING
                .after(new Press.Under(submaster, Fraction.FULL), 0, repertoire)
                .on(repertoire, 0)
                .layer(0);
    }
}
