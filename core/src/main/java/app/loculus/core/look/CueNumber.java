package app.loculus.core.look;

import app.loculus.core.problem.Refusal;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The number of a cue: three places after the point, so that a new one fits between two.
 *
 * @param thousandths 1 to 9,999,999
 */
public record CueNumber(int thousandths) implements Comparable<CueNumber> {

    private static final int LAST = 9_999_999;
    private static final int ONE = 1000;
    private static final Pattern FORM = Pattern.compile("\\d{1,4}(\\.\\d{1,3})?");

    public CueNumber {
        if (thousandths < 1 || thousandths > LAST) {
            throw refusal(
                    BigDecimal.valueOf(thousandths, 3).stripTrailingZeros().toPlainString());
        }
    }

    public static CueNumber of(int whole) {
        return parse(String.valueOf(whole));
    }

    /** Reads {@code 4} or {@code 4.25}. */
    public static CueNumber parse(String text) {
        String number = text.strip();
        if (!FORM.matcher(number).matches()) {
            throw refusal(text);
        }
        return new CueNumber(new BigDecimal(number).movePointRight(3).intValueExact());
    }

    private static Refusal refusal(String text) {
        return Refusal.of(
                "cue.number",
                "number",
                "“" + text + "” is no number of a cue: 0.001 to 9999.999, at most three places after the point.");
    }

    /** The whole number after this one. */
    public Optional<CueNumber> nextWhole() {
        long next = (thousandths / ONE + 1L) * ONE;
        return next > LAST ? Optional.empty() : Optional.of(new CueNumber((int) next));
    }

    /** The roundest number between two; empty where none is free. */
    public static Optional<CueNumber> between(Optional<CueNumber> before, Optional<CueNumber> after) {
        int from = before.map(CueNumber::thousandths).orElse(0);
        int to = after.map(CueNumber::thousandths).orElse(LAST + 1);
        for (int step : new int[] {ONE, ONE / 2, ONE / 10, ONE / 20, ONE / 100, 5, 1}) {
            int first = (from / step + 1) * step;
            if (first < to) {
                // The middle of what is free leaves room on both sides; at the end the next one.
                int last = Math.min(LAST, (to - 1) / step * step);
                int middle = first + (last - first + step) / step / 2 * step;
                return Optional.of(new CueNumber(after.isEmpty() ? first : Math.min(last, middle)));
            }
        }
        return Optional.empty();
    }

    @Override
    public int compareTo(CueNumber other) {
        return Integer.compare(thousandths, other.thousandths);
    }

    @Override
    public String toString() {
        return BigDecimal.valueOf(thousandths, 3).stripTrailingZeros().toPlainString();
    }
}
