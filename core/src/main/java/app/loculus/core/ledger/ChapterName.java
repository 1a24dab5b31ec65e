package app.loculus.core.ledger;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.Arrays;
import java.util.stream.Collectors;

/** The chapters that a show is prepared in, in the order of work. */
public enum ChapterName {
    PROFILES,
    PATCH,
    GROUPS,
    PALETTES,
    LOOKS;

    /** {@code Patch}. */
    public String words() {
        return name().charAt(0) + name().substring(1).toLowerCase(java.util.Locale.ROOT);
    }

    /** @throws Refusal naming the chapters there are */
    public static ChapterName parse(String word) {
        return Arrays.stream(values())
                .filter(c -> c.name().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "chapter.unknown",
                        "chapter",
                        "“" + word + "” is no chapter.",
                        WayOut.advice("There are "
                                + Arrays.stream(values())
                                        .map(ChapterName::words)
                                        .collect(Collectors.joining(", "))
                                + ".")));
    }
}
