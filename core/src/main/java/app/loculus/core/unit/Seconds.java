package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A length of time as people type it.
 *
 * @param millis 0 to 24 hours, in milliseconds
 */
public record Seconds(int millis) implements Comparable<Seconds> {

    public static final Seconds ZERO = new Seconds(0);

    private static final int LONGEST = 24 * 3600 * 1000;
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,4}):([0-5]?\\d(?:\\.\\d+)?)");

    public Seconds {
        if (millis < 0 || millis > LONGEST) {
            throw Refusal.of(
                    "unit.seconds", "time", Decimal.text(millis / 1000.0, 3) + " s is outside 0 to 86400 s (a day).");
        }
    }

    /** Rounded to milliseconds, halves up. */
    public static Seconds of(double seconds) {
        if (!(seconds >= 0 && seconds * 1000 <= LONGEST)) {
            throw Refusal.of("unit.seconds", "time", Decimal.text(seconds, 3) + " s is outside 0 to 86400 s (a day).");
        }
        return new Seconds((int) Math.round(seconds * 1000));
    }

    /** Reads {@code 4}, {@code 0.5 s} or {@code 1:30}, minutes and seconds. */
    public static Seconds parse(String text) {
        String plain = text.strip().replaceAll("\\s*s$", "");
        Matcher clock = CLOCK.matcher(plain);
        try {
            return of(
                    clock.matches()
                            ? Integer.parseInt(clock.group(1)) * 60 + Double.parseDouble(clock.group(2))
                            : Double.parseDouble(plain));
        } catch (NumberFormatException e) {
            throw Refusal.of("unit.seconds", "time", "“" + text + "” is no time, such as 4, 0.5 or 1:30.");
        }
    }

    public double value() {
        return millis / 1000.0;
    }

    public long micros() {
        return millis * 1000L;
    }

    @Override
    public int compareTo(Seconds other) {
        return Integer.compare(millis, other.millis);
    }

    /** Seconds without the unit, as the line reads them: {@code 4}, {@code 0.5}. */
    @Override
    public String toString() {
        return Decimal.text(value(), 3);
    }
}
