package app.loculus.core.play;

import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import app.loculus.core.unit.Seconds;
import java.util.Optional;

/**
 * Where a look puts a channel.
 *
 * @param snaps whether it jumps there: a named range, or a channel whose profile says so
 * @param time of the palette it comes from
 */
record Placed(FunctionValue place, boolean snaps, Source source, Optional<Seconds> time) {}
