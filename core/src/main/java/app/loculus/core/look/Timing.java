package app.loculus.core.look;

import app.loculus.core.unit.Seconds;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * How a cue comes in.
 *
 * @param in for intensity that rises; absent: at once, or as a palette says
 * @param out for intensity that falls; absent: as what rises
 * @param rest for everything that is not intensity; absent: as a palette says, or else as what rises
 * @param delay what passes before anything moves
 */
public record Timing(Optional<Seconds> in, Optional<Seconds> out, Optional<Seconds> rest, Seconds delay) {

    /** At once. */
    public static final Timing CUT = new Timing(Optional.empty(), Optional.empty(), Optional.empty(), Seconds.ZERO);

    public Seconds rising() {
        return in.orElse(Seconds.ZERO);
    }

    public Seconds falling() {
        return out.orElseGet(this::rising);
    }

    public Seconds others() {
        return rest.orElseGet(this::rising);
    }

    /** How long it takes for intensity. @param palette the time of the palette it comes from */
    public Seconds intensity(boolean rises, Optional<Seconds> palette) {
        return (rises ? in : out.or(() -> in)).or(() -> palette).orElse(Seconds.ZERO);
    }

    /** How long it takes for everything else; a palette's own time goes before the fade in, and after a time of the cue's. */
    public Seconds other(Optional<Seconds> palette) {
        return rest.or(() -> palette).orElseGet(this::rising);
    }

    /** From the press to the end of the longest. */
    public Seconds length() {
        int longest = Stream.of(rising(), falling(), others())
                .mapToInt(Seconds::millis)
                .max()
                .orElse(0);
        return new Seconds(Math.min(delay.millis() + longest, Seconds.of(86_400).millis()));
    }

    public Timing in(Optional<Seconds> other) {
        return new Timing(other, out, rest, delay);
    }

    public Timing out(Optional<Seconds> other) {
        return new Timing(in, other, rest, delay);
    }

    public Timing rest(Optional<Seconds> other) {
        return new Timing(in, out, other, delay);
    }

    public Timing delay(Seconds other) {
        return new Timing(in, out, rest, other);
    }

    /** As the line has it: {@code in 3 out 5 rest 4 wait 1}; empty when all is at once. */
    @Override
    public String toString() {
        return String.join(
                " ",
                Stream.of(
                                in.map(s -> "in " + s),
                                out.map(s -> "out " + s),
                                rest.map(s -> "rest " + s),
                                Optional.of(delay).filter(d -> d.millis() > 0).map(s -> "wait " + s))
                        .flatMap(Optional::stream)
                        .toList());
    }
}
