package app.loculus.core.motion;

import app.loculus.core.profile.FunctionValue;
import java.util.List;
import java.util.Optional;

/** What an effect does to one attribute of one unit: a pure function. */
public interface Move {

    /**
     * @param below where the channel is without it
     * @param turns rounds since it began, with the unit's offset
     * @param size in place of the effect's own
     */
    FunctionValue at(FunctionValue below, double turns, Optional<Double> size);

    /** Whether it moves relative to what lies below. */
    boolean relative();

    /** A place that it moves through; empty when that goes by what lies below. */
    default Optional<FunctionValue> through() {
        return relative() ? Optional.empty() : Optional.ofNullable(at(null, 0, Optional.empty()));
    }

    /** One after the other, each around what the one before makes. */
    record Several(List<Move> moves) implements Move {

        @Override
        public FunctionValue at(FunctionValue below, double turns, Optional<Double> size) {
            FunctionValue value = below;
            for (Move move : moves) {
                value = move.at(value, turns, size);
            }
            return value;
        }

        @Override
        public boolean relative() {
            return moves.get(0).relative();
        }
    }
}
