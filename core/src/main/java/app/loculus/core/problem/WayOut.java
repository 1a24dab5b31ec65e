package app.loculus.core.problem;

import java.util.Optional;

/**
 * One thing a person can do about a problem.
 *
 * @param words what it does, in plain words
 * @param line the typed command that does it, when one press can
 */
public record WayOut(String words, Optional<String> line) {

    public static WayOut advice(String words) {
        return new WayOut(words, Optional.empty());
    }

    public static WayOut line(String words, String line) {
        return new WayOut(words, Optional.of(line));
    }
}
