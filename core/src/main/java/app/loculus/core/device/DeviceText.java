package app.loculus.core.device;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** Names as devices can hold them: 32 characters of ASCII (E1.20), so that longer and other ones compare nevertheless. */
public final class DeviceText {

    public static final int LONGEST = 32;

    private static final Pattern ACCENTS = Pattern.compile("\\p{M}+");
    private static final Pattern OTHERS = Pattern.compile("[^ -~]");

    private DeviceText() {}

    /** What a device would hold of a name. */
    public static String of(String name) {
        String plain =
                ACCENTS.matcher(Normalizer.normalize(name, Normalizer.Form.NFD)).replaceAll("");
        String ascii = OTHERS.matcher(plain).replaceAll("?").strip();
        return ascii.substring(0, Math.min(LONGEST, ascii.length())).strip();
    }

    /** Whether a device that says one means the other. */
    public static boolean same(String said, String name) {
        return of(said).toLowerCase(Locale.ROOT).equals(of(name).toLowerCase(Locale.ROOT));
    }
}
