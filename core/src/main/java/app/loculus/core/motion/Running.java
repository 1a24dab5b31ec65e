package app.loculus.core.motion;

import app.loculus.core.effect.Movement;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.unit.Fraction;
import java.util.List;
import java.util.Optional;

/**
 * Through the places that palettes give a channel.
 *
 * @param places one for each palette; empty where it gives nothing and what lies below counts
 * @param snaps whether it jumps: named ranges, or a channel whose profile says so
 */
record Running(Movement.Run run, List<Optional<FunctionValue>> places, boolean snaps) implements Move {

    @Override
    public FunctionValue at(FunctionValue below, double turns, Optional<Double> size) {
        double phase = turns - Math.floor(turns);
        int at = run.at(phase);
        FunctionValue here = places.get(at).orElse(below);
        double share = run.share(phase);
        if (share == 0 || snaps) {
            return here;
        }
        FunctionValue next = places.get((at + 1) % places.size()).orElse(below);
        if (!here.function().equals(next.function())) {
            return here;
        }
        double from = here.fraction().value();
        return new FunctionValue(
                here.function(), Fraction.clamp(from + (next.fraction().value() - from) * share));
    }

    @Override
    public boolean relative() {
        return false;
    }
}
