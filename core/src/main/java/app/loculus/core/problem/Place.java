package app.loculus.core.problem;

/**
 * Where a problem sits.
 *
 * @param subject what the problem is about, for example {@code address}, {@code row 7} or {@code DMXMode "8-slot"}
 * @param from first character of the offending text, counted from 0; −1 when there is no text
 * @param to first character after it; −1 when there is no text
 */
public record Place(String subject, int from, int to) {

    public static Place of(String subject) {
        return new Place(subject, -1, -1);
    }

    public Place between(int start, int end) {
        return new Place(subject, start, end);
    }

    public boolean inText() {
        return from >= 0;
    }
}
