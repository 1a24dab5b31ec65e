package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import java.util.List;
import java.util.Optional;

/**
 * What recording would put into a palette.
 *
 * @param scope the scope used, asked for or found
 * @param reason why this scope, in words
 * @param intent the colour it stands for
 * @param asked whether that colour was asked for, and not only seen
 */
public record Recorded(Scope scope, String reason, Optional<Chromaticity> intent, boolean asked, List<Entry> entries) {

    public Recorded {
        entries = List.copyOf(entries);
    }

    boolean hasMix(ScopeKey scopeKey) {
        return entries.stream()
                .anyMatch(e -> e.scope().equals(scopeKey) && e.attribute().isMix());
    }
}
