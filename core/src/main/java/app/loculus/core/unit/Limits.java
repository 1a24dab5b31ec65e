package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;

/** How long texts may be and how many things there may be. Whatever keeps them has room for just that. */
public final class Limits {

    /** Characters of a name, a maker, a mode, a target. */
    public static final int NAME = 200;

    public static final int PURPOSE = 400;
    public static final int NOTES = 1000;
    public static final int UNIVERSE_NAME = 100;

    /** Characters of a gesture's or a key's name. */
    public static final int KEY = 100;

    /** Fixtures of one show. */
    public static final int FIXTURES = 20_000;

    /** Named versions of one show. */
    public static final int VERSIONS = 200;

    private Limits() {}

    /** @throws Refusal when the text is longer than that */
    public static String text(String code, String what, String text, int longest) {
        if (text == null) {
            throw Refusal.of(code, what, "The " + what + " is missing.");
        }
        if (text.length() > longest) {
            throw Refusal.of(
                    code,
                    what,
                    "A " + what + " has at most " + longest + " characters; “" + text.substring(0, 20) + "…” has "
                            + text.length() + ".");
        }
        return text;
    }

    /** A name, stripped. @throws Refusal when it is blank or too long */
    public static String name(String code, String what, String name) {
        String called = name == null ? "" : name.strip();
        if (called.isEmpty() || called.length() > NAME) {
            throw Refusal.of(
                    code,
                    what,
                    called.isEmpty() ? "A name is needed." : "The name has " + called.length() + " characters.",
                    WayOut.advice("1 to " + NAME + " characters."));
        }
        return called;
    }
}
