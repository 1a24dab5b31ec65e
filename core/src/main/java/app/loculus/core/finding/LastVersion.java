package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.show.PartKind;
import java.util.EnumSet;
import java.util.Set;

/**
 * The version of a show that was kept last.
 *
 * @param changed chapters of which anything is another now
 */
public record LastVersion(String name, Set<ChapterName> changed) {

    public LastVersion {
        changed = changed.isEmpty() ? Set.of() : Set.copyOf(changed);
    }

    /** @param kinds of the parts that are others than in the version */
    public static LastVersion of(String name, Set<PartKind<?, ?>> kinds) {
        Set<ChapterName> changed = EnumSet.noneOf(ChapterName.class);
        for (ChapterName chapter : ChapterName.signed()) {
            if (ChapterParts.of(chapter).stream().anyMatch(kinds::contains)) {
                changed.add(chapter);
            }
        }
        return new LastVersion(name, changed);
    }
}
