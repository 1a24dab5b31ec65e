package app.loculus.core.show;

import app.loculus.core.problem.Refusal;

/** What may be a name. */
public final class Names {

    private static final int LONGEST = 200;

    private Names() {}

    public static String checked(String name) {
        if (name.isBlank() || name.length() > LONGEST) {
            throw Refusal.of(
                    "name.length",
                    "name",
                    "A name has 1 to " + LONGEST + " characters; this one has "
                            + name.strip().length() + ".");
        }
        return name;
    }
}
