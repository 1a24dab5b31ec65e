package app.loculus.core.edit.starter;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ProfileId;
import java.util.List;
import java.util.Optional;

/**
 * A palette that is obvious from the patch.
 *
 * @param family what it is one of, in words: {@code Levels}, {@code Gobos}
 * @param there the palette of that name that is there already
 * @param fresh entries that one lacks; all of them when there is none
 */
public record StarterPalette(
        Kind kind,
        String family,
        String name,
        Optional<Chromaticity> intent,
        List<Entry> entries,
        Optional<Palette> there,
        List<Entry> fresh) {

    /** Whether it would add something. */
    public boolean adds() {
        return there.isEmpty() || !fresh.isEmpty();
    }

    /** The types it has values of their own for. */
    public List<ProfileId> types() {
        return entries.stream()
                .map(Entry::scope)
                .map(ScopeKey::ownProfile)
                .flatMap(Optional::stream)
                .distinct()
                .toList();
    }
}
