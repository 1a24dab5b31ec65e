package app.loculus.core.ledger;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.List;
import java.util.stream.Collectors;

/** The chapters that a show is prepared in, in the order of work. */
public enum ChapterName {
    PROFILES,
    PATCH,
    GROUPS,
    PALETTES,
    LOOKS,
    /** What is handed over; nobody signs it, it is what the others are signed for. */
    HAND_OVER;

    /** Those that are signed. */
    public static List<ChapterName> signed() {
        return List.of(PROFILES, PATCH, GROUPS, PALETTES, LOOKS);
    }

    /** {@code Patch}. */
    public String words() {
        return name().charAt(0)
                + name().substring(1).toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }

    /** A chapter that is signed. @throws Refusal naming those there are */
    public static ChapterName parse(String word) {
        return signed().stream()
                .filter(c -> c.name().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "chapter.unknown",
                        "chapter",
                        "“" + word + "” is no chapter.",
                        WayOut.advice("There are "
                                + signed().stream().map(ChapterName::words).collect(Collectors.joining(", "))
                                + ".")));
    }
}
