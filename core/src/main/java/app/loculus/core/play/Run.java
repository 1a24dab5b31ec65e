package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.value.CueListId;
import java.util.Optional;

/** A list that runs, cue by cue or as a chase. */
interface Run extends Voice {

    CueListId list();

    Clockwork clock();

    double level();

    Run level(double other);

    Run clocked(Clockwork other);

    /** The cue it stands at or goes to. */
    Optional<CueId> cue();

    boolean releasing();

    /** When something happens by itself next, by the clock of all: now while it moves, never at the end. */
    long next(long now);
}
