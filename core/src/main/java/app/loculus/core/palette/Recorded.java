package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import java.util.List;
import java.util.Optional;

/**
 * What recording would put into a palette.
 *
 * @param scope the scope used, asked for or found
 */
public record Recorded(Scope scope, Optional<Chromaticity> intent, List<Entry> entries) {

    public Recorded {
        entries = List.copyOf(entries);
    }
}
