package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.stream.Collectors;

/** Finds palettes by kind with number or name. */
public final class PaletteFinder {

    private PaletteFinder() {}

    /** @throws Refusal naming the palettes of the kind */
    public static Palette number(Show show, Kind kind, int number) {
        return show.palette(kind, number).orElseThrow(() -> unknown(show, kind, kind.word() + " " + number));
    }

    /** @throws Refusal naming the palettes of the kind */
    public static Palette named(Show show, Kind kind, String name) {
        return of(show, kind).stream()
                .filter(p -> p.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> unknown(show, kind, kind.word() + " “" + name + "”"));
    }

    /** The lowest number no palette of the kind has. */
    public static int nextFree(Show show, Kind kind) {
        int next = 1;
        for (Palette palette : of(show, kind)) {
            next = palette.number() == next ? next + 1 : next;
        }
        return next;
    }

    private static List<Palette> of(Show show, Kind kind) {
        return show.palettes().stream().filter(p -> p.kind() == kind).toList();
    }

    private static Refusal unknown(Show show, Kind kind, String wanted) {
        List<Palette> there = of(show, kind);
        String words = there.isEmpty()
                ? "No " + kind.word() + " palette has been recorded yet."
                : "There are "
                        + there.stream()
                                .limit(8)
                                .map(p -> p.number() + " “" + p.name() + "”")
                                .collect(Collectors.joining(", "))
                        + ".";
        return Refusal.of("palette.unknown", "palette", "There is no " + wanted + ".", WayOut.advice(words));
    }
}
