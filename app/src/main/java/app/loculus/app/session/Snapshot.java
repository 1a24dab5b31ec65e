package app.loculus.app.session;

import app.loculus.core.show.History;
import app.loculus.core.show.Show;

/** A show at one revision, with what can be undone. */
public record Snapshot(long id, Show show, long revision, History history) {}
