package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A DMX value as the open fixture format writes it: {@code 128/1}, {@code 32768/2}, {@code 128/1s}.
 *
 * @param value unsigned, below 256^octets
 * @param octets how many octets the value was written for, 1 to 4
 * @param shifted whether widening fills with zeros (suffix s) instead of repeating the octets
 */
public record DmxValue(long value, int octets, boolean shifted) {

    private static final Pattern FORM = Pattern.compile("(\\d{1,10})/([1-4])(s?)");

    public DmxValue {
        if (value < 0 || value > new Resolution(octets).max()) {
            throw Refusal.of("unit.dmx", "DMX value", value + " does not fit into " + octets + " octets.");
        }
    }

    public static DmxValue parse(String text) {
        Matcher form = FORM.matcher(text.strip());
        if (!form.matches()) {
            throw Refusal.of("unit.dmx", "DMX value", "“" + text + "” is no DMX value such as 128/1.");
        }
        return new DmxValue(
                Long.parseLong(form.group(1)),
                Integer.parseInt(form.group(2)),
                !form.group(3).isEmpty());
    }

    /** The same value in another resolution: mirrored or shifted when widened, low octets dropped when narrowed. */
    public long in(Resolution resolution) {
        long out = 0;
        for (int i = 0; i < resolution.octets(); i++) {
            int octet = i < octets || !shifted ? new Resolution(octets).octet(value, i % octets) : 0;
            out = out << 8 | octet;
        }
        return out;
    }

    @Override
    public String toString() {
        return value + "/" + octets + (shifted ? "s" : "");
    }
}
