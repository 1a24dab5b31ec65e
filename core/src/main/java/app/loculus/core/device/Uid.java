package app.loculus.core.device;

import app.loculus.core.problem.Refusal;
import java.util.Comparator;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What tells a device from all others: {@code 7FF2:00A0000C}.
 *
 * @param maker manufacturer ID, 16 bits
 * @param serial device ID, 32 bits
 */
public record Uid(int maker, long serial) implements Comparable<Uid> {

    /** The highest that a device can have; above it all are addressed at once. */
    public static final Uid LAST = new Uid(0xFFFF, 0xFFFFFFFEL);

    public static final Uid EVERYONE = new Uid(0xFFFF, 0xFFFFFFFFL);

    private static final long SERIALS = 0xFFFFFFFFL;
    private static final int SERIAL_BITS = 32;
    private static final int HEX = 16;
    private static final Pattern FORM = Pattern.compile("([0-9a-fA-F]{4}):([0-9a-fA-F]{8})");

    public Uid {
        if (maker < 0 || maker > 0xFFFF || serial < 0 || serial > SERIALS) {
            throw new IllegalArgumentException(maker + ":" + serial);
        }
    }

    /** @param value its 48 bits */
    public static Uid of(long value) {
        return new Uid((int) (value >>> SERIAL_BITS & 0xFFFF), value & SERIALS);
    }

    /** @throws Refusal when it is not written as {@code MMMM:DDDDDDDD} */
    public static Uid parse(String text) {
        Matcher form = FORM.matcher(text.strip());
        if (!form.matches()) {
            throw Refusal.of("device.uid", "uid", "“" + text + "” is no identity of a device such as 7FF2:00A0000C.");
        }
        return new Uid(Integer.parseInt(form.group(1), HEX), Long.parseLong(form.group(2), HEX));
    }

    public long value() {
        return (long) maker << SERIAL_BITS | serial;
    }

    @Override
    public int compareTo(Uid other) {
        return Comparator.<Uid>comparingLong(Uid::value).compare(this, other);
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%04X:%08X", maker, serial);
    }
}
