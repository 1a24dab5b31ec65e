package app.loculus.core.profile;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a fixture does once when it is sent for a while: reset, lamp on, lamp off. It is no value that is kept: recorded,
 * it would strike or reset lamps in the middle of a show. Told from the names of attributes and ranges, since the open
 * fixture format has no other mark for it.
 */
public final class ControlCommand {

    /** How long manuals usually ask for, in seconds, where the range names no time. */
    public static final double USUAL_SECONDS = 5;

    private static final double LONGEST_SECONDS = 60;

    private static final Pattern CONTROL = Pattern.compile("(Control|Function)\\d*");

    /** Attributes that do nothing else. */
    private static final Pattern ALONE = Pattern.compile("LampControl\\d*|LampPowerMode|\\w*Reset");

    private static final Pattern DOES = Pattern.compile(
            "\\b(reset|lamp|strike|ignit\\w*|reboot|restart|calibrat\\w*|shut ?down|factory)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern IDLE =
            Pattern.compile("\\b(no|not|none|idle|unused|reserved|safe|normal|disabled?)\\b", Pattern.CASE_INSENSITIVE);

    private static final Pattern TIME =
            Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(?:s|sec|secs|seconds)\\b", Pattern.CASE_INSENSITIVE);

    private ControlCommand() {}

    /** Whether a named range of an attribute is one. */
    public static boolean is(Attribute attribute, String range) {
        if (IDLE.matcher(range).find()) {
            return false;
        }
        return ALONE.matcher(attribute.name()).matches()
                || CONTROL.matcher(attribute.name()).matches()
                        && DOES.matcher(range).find();
    }

    /** The range of one that a place lies in. */
    public static Optional<NamedRange> at(FunctionValue place) {
        return place.function()
                .rangeAt(place.fraction())
                .filter(r -> is(place.function().attribute(), r.name()));
    }

    /** How long it is to be sent, in seconds, if its name says so. */
    public static Optional<Double> seconds(String range) {
        Matcher time = TIME.matcher(range);
        return time.find()
                ? Optional.of(Math.min(
                        LONGEST_SECONDS, Double.parseDouble(time.group(1).replace(',', '.'))))
                : Optional.empty();
    }
}
