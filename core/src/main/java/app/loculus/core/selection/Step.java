package app.loculus.core.selection;

import app.loculus.core.patch.UnitId;
import java.util.List;

/** Units that count as one: they get the same value from a spread. */
public record Step(List<UnitId> units) {

    public Step {
        units = List.copyOf(units);
    }

    public static Step of(UnitId unit) {
        return new Step(List.of(unit));
    }
}
