/**
 * What runs: (what can be played, what was pressed when, now) → values.
 *
 * <p>Intensity goes by the highest, everything else by what was started latest: for a list the cue that set it, for a
 * chase its start, for a submaster when its level left 0. A press in the middle of a fade starts from where each attribute
 * is; what the press does not set goes on as it was going. Times are microseconds of one clock that is passed in; nothing
 * here reads a clock. What references stand for is looked up as the show is now, so a palette that changes is followed.
 */
package app.loculus.core.play;
