package app.loculus.core.paper;

import app.loculus.core.finding.Findings;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** Every sheet that a show can be put on, in the order in which they lie. */
public enum PaperKind {
    COVER("Cover", m -> CoverSheet.of(m.show(), m.findings()), s -> true),
    HOOKUP_BY_NUMBER("Hookup by number", m -> HookupSheets.byNumber(m.show()), PaperKind::patched),
    HOOKUP_BY_NAME("Hookup by name", m -> HookupSheets.byName(m.show()), PaperKind::patched),
    HOOKUP_BY_POSITION("Hookup by position", m -> HookupSheets.byPosition(m.show()), PaperKind::patched),
    HOOKUP_BY_OUTPUT("Hookup by output", m -> HookupSheets.byOutput(m.show()), PaperKind::patched),
    GROUPS("Groups", m -> GroupsSheet.of(m.show()), s -> any(s, PartKinds.GROUPS)),
    PALETTES("Palettes", m -> PalettesSheet.of(m.show()), s -> any(s, PartKinds.PALETTES)),
    MARKS("Marks", m -> MarksSheet.of(m.show()), s -> any(s, PartKinds.MARKS)),
    CUES("Cue lists", m -> LooksSheet.of(m.show(), m.wanted()), s -> any(s, PartKinds.LOOKS)),
    EFFECTS("Effects", m -> EffectsSheet.of(m.show()), s -> any(s, PartKinds.EFFECTS)),
    LABELS("Labels", m -> LabelsSheet.of(m.show()), PaperKind::patched),
    BRING_UP("Bring up", m -> BringUpSheet.of(m.show()), PaperKind::patched),
    OPEN_POINTS("Open points", m -> StateSheets.openPoints(m.show(), m.findings()), s -> true),
    READINESS("Readiness", m -> StateSheets.readiness(m.show(), m.findings(), m.changed()), s -> true);

    /**
     * What sheets are made from.
     *
     * @param found how it stands; worked out only for sheets that say it
     * @param changed whether a chapter is another than when it was signed
     * @param wanted is asked now and then while a long sheet is made; throws when nobody waits for it any more
     */
    public record Material(Show show, Supplier<Findings> found, Predicate<ChapterName> changed, Runnable wanted) {

        public Material(Show show, Supplier<Findings> found, Predicate<ChapterName> changed) {
            this(show, found, changed, () -> {});
        }

        public Material wanted(Runnable asked) {
            return new Material(show, found, changed, asked);
        }

        Findings findings() {
            return found.get();
        }
    }

    private final String words;
    private final Function<Material, Sheet> made;
    private final Predicate<Show> holds;

    /** @param holds whether there is anything to put on it, told without making it */
    PaperKind(String words, Function<Material, Sheet> made, Predicate<Show> holds) {
        this.words = words;
        this.made = made;
        this.holds = holds;
    }

    private static boolean patched(Show show) {
        return show.patch().size() > 0;
    }

    private static boolean any(Show show, PartKind<?, ?> kind) {
        return !show.all(kind).isEmpty();
    }

    /** Whether a show has anything to put on it. */
    public boolean holds(Show show) {
        return holds.test(show);
    }

    public Sheet of(Material material) {
        return made.apply(material);
    }

    public String words() {
        return words;
    }

    /** {@code hookup-by-number}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @throws Refusal naming the sheets there are */
    public static PaperKind parse(String key) {
        return Arrays.stream(values())
                .filter(k -> k.key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "paper.sheet",
                        "sheet",
                        "There is no sheet “" + key + "”.",
                        WayOut.advice("There are "
                                + Arrays.stream(values()).map(PaperKind::key).collect(Collectors.joining(", "))
                                + ".")));
    }
}
