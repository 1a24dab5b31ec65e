package app.loculus.app.api;

import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;

/** Whether an edit takes more away than what it was asked to: others lose what they had of it. */
final class Losing {

    private Losing() {}

    static boolean of(Outcome outcome) {
        boolean takesAway = outcome.delta().changes().stream()
                .anyMatch(c -> c.after().isEmpty()
                        && c.kind() != PartKinds.VALUES
                        && c.kind() != PartKinds.HAND
                        && c.kind() != PartKinds.PROFILES);
        return takesAway
                && outcome.delta().changes().stream()
                        .anyMatch(c -> (c.kind() == PartKinds.GROUPS || c.kind() == PartKinds.PALETTES)
                                && c.after().isPresent());
    }
}
