package app.loculus.core.effect;

import java.util.ArrayList;
import java.util.List;

/**
 * How far an effect has turned: rate·t/60, going on from where it is when the rate becomes another one. Immutable.
 *
 * @param pieces in the order of time; the first counts for all that was before it
 */
public record Turning(List<Piece> pieces) {

    private static final double MINUTE = 60_000_000;

    /** Changes of rate that are remembered; a drag makes dozens. */
    private static final int MOST = 500;

    /** @param from in microseconds @param turned until then @param rate cycles a minute from then on */
    public record Piece(long from, double turned, double rate) {

        double at(long micros) {
            return turned + rate * (micros - from) / MINUTE;
        }
    }

    public Turning {
        pieces = List.copyOf(pieces);
    }

    /** One that was always as fast. */
    public static Turning of(double rate) {
        return new Turning(List.of(new Piece(0, 0, rate)));
    }

    public double rate() {
        return pieces.get(pieces.size() - 1).rate();
    }

    /** The same as fast as that from then on. */
    public Turning from(long micros, double rate) {
        List<Piece> next = new ArrayList<>(pieces);
        if (next.size() >= MOST) {
            // The first one stays: what is set by hand counts from there on.
            next.remove(1);
        }
        next.add(new Piece(micros, turned(micros), rate));
        return new Turning(next);
    }

    /** Rounds since time 0. */
    public double turned(long micros) {
        int at = pieces.size() - 1;
        while (at > 0 && pieces.get(at).from() > micros) {
            at--;
        }
        return pieces.get(at).at(micros);
    }
}
