package app.loculus.core.look;

import app.loculus.core.problem.Refusal;

/** The numbers of what is kept in niches. */
final class KeptNumber {

    private KeptNumber() {}

    static void check(String what, int number) {
        if (number < 1 || number > Look.LAST_NUMBER) {
            throw Refusal.of(
                    what + ".number",
                    "number",
                    "The number " + number + " of a " + what + " is outside 1 to " + Look.LAST_NUMBER + ".");
        }
    }
}
