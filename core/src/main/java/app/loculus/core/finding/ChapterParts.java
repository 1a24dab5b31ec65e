package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import java.util.List;
import java.util.Map;

/** What the work of each chapter is kept in. */
public final class ChapterParts {

    private static final Map<ChapterName, List<PartKind<?, ?>>> OF = Map.of(
            ChapterName.PROFILES, List.of(PartKinds.PROFILES),
            ChapterName.PATCH, List.of(PartKinds.FIXTURES, PartKinds.UNIVERSES),
            ChapterName.GROUPS, List.of(PartKinds.GROUPS),
            ChapterName.PALETTES, List.of(PartKinds.PALETTES, PartKinds.MARKS),
            ChapterName.LOOKS,
                    List.of(PartKinds.LOOKS, PartKinds.LISTS, PartKinds.CUES, PartKinds.SUBMASTERS, PartKinds.EFFECTS));

    private ChapterParts() {}

    /** Nothing for a chapter that is not signed. */
    public static List<PartKind<?, ?>> of(ChapterName chapter) {
        return OF.getOrDefault(chapter, List.of());
    }
}
