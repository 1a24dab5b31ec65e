package app.loculus.core.command;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.antlr.v4.runtime.tree.TerminalNode;

/** Reads the small words: numbers, names, addresses, points. */
final class Terms {

    /** More fixtures than this in one range is a slip of the finger. */
    private static final int LONGEST_RANGE = 20_000;

    private Terms() {}

    static int integer(LineParser.IntegerContext context) {
        return integer(context.getText());
    }

    static int integer(String text) {
        if (text.length() > 9) {
            throw Refusal.of("line.number", "numbers", text + " is too large a number.");
        }
        return Integer.parseInt(text);
    }

    static Optional<Integer> maybe(LineParser.IntegerContext context) {
        return Optional.ofNullable(context).map(Terms::integer);
    }

    static double number(LineParser.NumberContext context) {
        return Double.parseDouble(context.getText().replace(" ", ""));
    }

    /** Without its quotes. */
    static String text(LineParser.TextContext context) {
        String quoted = context.getText();
        String inside = quoted.substring(1, quoted.length() - 1);
        return (quoted.startsWith("\"") ? inside.replace("\"\"", "\"") : inside).strip();
    }

    static Optional<String> maybe(LineParser.TextContext context) {
        return Optional.ofNullable(context).map(Terms::text);
    }

    static Vector3 point(LineParser.PointContext context) {
        return new Vector3(number(context.number(0)), number(context.number(1)), number(context.number(2)));
    }

    /** {@code 3.441}; a bare number is refused with what it may have meant. */
    static Address address(LineParser.AddressContext context) {
        if (context.INT() != null) {
            throw Refusal.of(
                    "patch.address",
                    "address",
                    "“" + context.getText() + "” names no universe.",
                    WayOut.advice("Write universe.slot, for example 1." + context.getText() + "."));
        }
        return Address.parse(context.getText());
    }

    /** Numbers in the order they were typed; a range may run backwards. */
    static List<Integer> numbers(LineParser.NumbersContext context) {
        Set<Integer> all = new LinkedHashSet<>();
        context.numberTerm().forEach(term -> all.addAll(range(term)));
        return new ArrayList<>(all);
    }

    /** One number, or all from one to another. */
    static List<Integer> range(LineParser.NumberTermContext term) {
        if (term.SPAN() != null) {
            List<String> ends = ends(term.SPAN());
            return between(integer(ends.get(0)), integer(ends.get(1)));
        }
        int from = integer(term.integer(0));
        return between(from, term.integer().size() > 1 ? integer(term.integer(1)) : from);
    }

    /** {@code 101-106}: both ends as they are written. */
    static List<String> ends(TerminalNode span) {
        return List.of(span.getText().split("-"));
    }

    private static List<Integer> between(int first, int last) {
        int from = checked(first);
        int to = checked(last);
        if (Math.abs(to - from) >= LONGEST_RANGE) {
            throw Refusal.of(
                    "patch.range", "numbers", from + " thru " + to + " is more than " + LONGEST_RANGE + " numbers.");
        }
        List<Integer> all = new ArrayList<>();
        for (int n = from; from <= to ? n <= to : n >= to; n += from <= to ? 1 : -1) {
            all.add(n);
        }
        return all;
    }

    /** A whole number that may be negative. */
    static int step(LineParser.StepContext context) {
        return integer(context.integer()) * (context.MINUS() == null ? 1 : -1);
    }

    private static int checked(int number) {
        if (number < 1 || number > Fixture.LAST_NUMBER) {
            throw Refusal.of(
                    "patch.number",
                    "numbers",
                    "Fixture number " + number + " is outside 1 to " + Fixture.LAST_NUMBER + ".");
        }
        return number;
    }
}
