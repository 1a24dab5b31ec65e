package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** What a niche can be marked with, so that it is found again; how it looks is the page's. */
public enum Tint {
    NONE,
    ROSE,
    AMBER,
    MOSS,
    TEAL,
    SKY,
    VIOLET,
    SAND,
    SLATE;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @throws Refusal naming those there are */
    public static Tint of(String word) {
        return Arrays.stream(values())
                .filter(t -> t.word().equalsIgnoreCase(word.strip()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "group.tint",
                        "tint",
                        "There is no mark “" + word + "”.",
                        WayOut.advice("There are "
                                + Arrays.stream(values()).map(Tint::word).collect(Collectors.joining(", ")) + ".")));
    }
}
