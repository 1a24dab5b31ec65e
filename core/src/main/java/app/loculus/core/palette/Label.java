package app.loculus.core.palette;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Tint;
import java.util.Optional;

/**
 * What is written on a palette beside its number and name.
 *
 * @param note free text, may be empty
 * @param starter whether the patch suggested it: it is meant for those that have what it holds, and misses nobody else
 * @param seconds how long it takes to come in, 0 to 3600; absent: as whoever uses it says
 */
public record Label(Tint tint, String note, Optional<Double> seconds, boolean starter) {

    public static final Label NONE = new Label(Tint.NONE, "", Optional.empty(), false);

    public static final Label STARTER = new Label(Tint.NONE, "", Optional.empty(), true);

    private static final double LONGEST = 3600;

    public Label {
        Limits.text("palette.note", "note", note, Limits.NOTES);
        if (seconds.filter(s -> !(s >= 0 && s <= LONGEST)).isPresent()) {
            throw Refusal.of(
                    "palette.time",
                    "seconds",
                    "A time of " + Decimal.text(seconds.get(), 2) + " s is outside 0 to 3600 s.");
        }
    }
}
