package app.loculus.core.problem;

import java.util.List;

/**
 * One thing that is wrong: what, with which value, and the ways out.
 *
 * @param code stable name for programs, for example {@code patch.clash}
 * @param words a full sentence that names the value
 */
public record Problem(String code, Severity severity, Place place, String words, List<WayOut> waysOut) {

    public Problem {
        waysOut = List.copyOf(waysOut);
    }

    public static Problem refusal(String code, String subject, String words, WayOut... waysOut) {
        return new Problem(code, Severity.REFUSAL, Place.of(subject), words, List.of(waysOut));
    }

    public static Problem warning(String code, String subject, String words, WayOut... waysOut) {
        return new Problem(code, Severity.WARNING, Place.of(subject), words, List.of(waysOut));
    }

    public Problem at(Place newPlace) {
        return new Problem(code, severity, newPlace, words, waysOut);
    }

    public boolean refuses() {
        return severity == Severity.REFUSAL;
    }
}
