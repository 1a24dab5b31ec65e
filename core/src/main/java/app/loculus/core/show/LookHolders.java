package app.loculus.core.show;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.Submaster;
import app.loculus.core.palette.Palette;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What holds looks, and which looks follow palettes. */
public final class LookHolders {

    private LookHolders() {}

    /** The cue or submaster that holds a look; else the look itself. */
    public static String words(Show show, Look look) {
        for (Cue cue : show.all(PartKinds.CUES).values()) {
            if (cue.look().equals(look.id())) {
                return cue
                        + show.list(cue.list())
                                .map(CueList::toString)
                                .map(l -> " of " + l)
                                .orElse("");
            }
        }
        return show.submasters().stream()
                .filter(s -> s.look().equals(look.id()))
                .findFirst()
                .map(Submaster::toString)
                .orElseGet(look::toString);
    }

    /** What a person calls it: the name of what holds the look, else {@code Cue 3}. */
    public static String called(Show show, Look look) {
        Optional<String> cue = show.all(PartKinds.CUES).values().stream()
                .filter(c -> c.look().equals(look.id()))
                .findFirst()
                .map(c -> c.name().isBlank() ? "Cue " + c.number() : c.name());
        Optional<String> submaster = show.submasters().stream()
                .filter(s -> s.look().equals(look.id()))
                .findFirst()
                .map(s -> s.name().isBlank() ? "Submaster " + s.number() : s.name());
        return cue.or(() -> submaster).orElseGet(() -> look.name().isBlank() ? "Look" : look.name());
    }

    /** Looks with a value that refers to the palette itself. */
    public static List<Look> following(Show show, PaletteId palette) {
        return show.all(PartKinds.LOOKS).values().stream()
                .filter(l -> l.followed().contains(palette))
                .toList();
    }

    /** Looks with a value that refers to the palette, or to one that follows it. */
    public static List<Look> reached(Show show, PaletteId palette) {
        Set<PaletteId> all = new LinkedHashSet<>(Set.of(palette));
        boolean more = true;
        while (more) {
            more = false;
            for (Palette other : show.palettes()) {
                more |= other.followed().stream().anyMatch(all::contains) && all.add(other.id());
            }
        }
        return show.all(PartKinds.LOOKS).values().stream()
                .filter(l -> l.followed().stream().anyMatch(all::contains)
                        || l.moved().stream()
                                .flatMap(e -> show.effect(e).stream())
                                .anyMatch(e -> e.palettes().stream().anyMatch(all::contains)))
                .toList();
    }
}
