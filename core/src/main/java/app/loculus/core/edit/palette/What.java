package app.loculus.core.edit.palette;

import app.loculus.core.palette.Joining;
import app.loculus.core.profile.Kind;
import java.util.List;
import java.util.Set;

/**
 * What of the touched values is recorded, beside the palette's own kind.
 *
 * @param with further kinds
 * @param only attributes as people call them; all of the kinds when empty
 * @param without attributes that are left out
 * @param closeWheel whether untouched colour wheels are recorded at home, so that they cannot stack on the mix
 * @param keepReferences whether what follows a palette goes on following it
 * @param everybody whether all that are touched bring something, though others are selected
 * @param intent what becomes of the colour that a palette stands for which is there already
 */
public record What(
        Set<Kind> with,
        List<String> only,
        List<String> without,
        boolean closeWheel,
        boolean keepReferences,
        boolean everybody,
        Joining.Intent intent) {

    public static final What ALL =
            new What(Set.of(), List.of(), List.of(), false, false, false, Joining.Intent.AS_FITS);

    public What {
        with = Set.copyOf(with);
        only = List.copyOf(only);
        without = List.copyOf(without);
    }

    /** As the line has it, with a blank before each word. */
    String words() {
        StringBuilder line = new StringBuilder();
        with.stream().sorted().forEach(k -> line.append(" with ").append(k.word()));
        if (!only.isEmpty()) {
            line.append(" only ").append(String.join(", ", only));
        }
        if (!without.isEmpty()) {
            line.append(" without ").append(String.join(", ", without));
        }
        line.append(closeWheel ? " close wheel" : "")
                .append(keepReferences ? " keep references" : "")
                .append(everybody ? " touched" : "");
        return line.append(
                        switch (intent) {
                            case AS_FITS -> "";
                            case KEEP -> " keep colour";
                            case NEW -> " new colour";
                        })
                .toString();
    }

    public What of(Set<Kind> kinds, List<String> these, List<String> notThese) {
        return new What(kinds, these, notThese, closeWheel, keepReferences, everybody, intent);
    }

    public What keeping(boolean references) {
        return new What(with, only, without, closeWheel, references, everybody, intent);
    }

    public What with(Joining.Intent colour) {
        return new What(with, only, without, closeWheel, keepReferences, everybody, colour);
    }

    public What fromEverybody() {
        return new What(with, only, without, closeWheel, keepReferences, true, intent);
    }

    public What closing(boolean wheel) {
        return new What(with, only, without, wheel, keepReferences, everybody, intent);
    }
}
