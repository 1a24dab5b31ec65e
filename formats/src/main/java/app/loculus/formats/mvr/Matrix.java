package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.unit.Decimal;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Matrices as a scene writes them: {@code {u}{v}{w}{o}}, where the three axes point and the origin in millimetres. */
final class Matrix {

    static final String NONE = "{1,0,0}{0,1,0}{0,0,1}{0,0,0}";

    private static final double MILLIMETRES = 1000;
    /** A thousand kilometres; nothing that is drawn is farther away. */
    private static final double FARTHEST = 1e9;

    private static final int ROWS = 4;
    private static final int LONGEST = 2000;
    private static final Pattern ROW = Pattern.compile("\\{([^{}]*)}");

    /** Digits of an axis and of a place that are told; a millionth, and a micrometre. */
    private static final int AXIS_DIGITS = 9;

    private static final int PLACE_DIGITS = 3;

    private Matrix() {}

    /** @return empty for what is no matrix */
    static Optional<Placement> parse(String text) {
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        Vector3[] rows = new Vector3[ROWS];
        int found = 0;
        Matcher row = ROW.matcher(text);
        while (row.find()) {
            Optional<Vector3> read = row(row.group(1));
            if (read.isEmpty() || found == ROWS) {
                return Optional.empty();
            }
            rows[found++] = read.get();
        }
        return found == ROWS
                ? Optional.of(new Placement(rows[0], rows[1], rows[2], rows[3].times(1 / MILLIMETRES)))
                : Optional.empty();
    }

    private static Optional<Vector3> row(String text) {
        String[] numbers = text.strip().split("\\s*[,;]\\s*|\\s+");
        // Four to a row are written by some; the last one says nothing.
        if (numbers.length != 3 && numbers.length != ROWS) {
            return Optional.empty();
        }
        try {
            Vector3 v = new Vector3(
                    Double.parseDouble(numbers[0]), Double.parseDouble(numbers[1]), Double.parseDouble(numbers[2]));
            // Also false for what is no number.
            return v.length() <= FARTHEST ? Optional.of(v) : Optional.empty();
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    static String text(Placement p) {
        return row(p.u(), AXIS_DIGITS)
                + row(p.v(), AXIS_DIGITS)
                + row(p.w(), AXIS_DIGITS)
                + row(p.o().times(MILLIMETRES), PLACE_DIGITS);
    }

    private static String row(Vector3 v, int digits) {
        return "{" + number(v.x(), digits) + "," + number(v.y(), digits) + "," + number(v.z(), digits) + "}";
    }

    private static String number(double value, int digits) {
        String text = Decimal.text(value, digits);
        return text.equals("-0") ? "0" : text;
    }
}
