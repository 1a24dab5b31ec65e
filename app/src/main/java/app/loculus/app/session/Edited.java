package app.loculus.app.session;

import app.loculus.core.show.Outcome;

/** What an edit came to, and the show as it stands now. */
public record Edited(Outcome outcome, Snapshot snapshot) {}
