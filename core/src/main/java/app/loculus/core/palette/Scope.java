package app.loculus.core.palette;

import java.util.Locale;

/** For whom values are recorded. */
public enum Scope {
    GLOBAL,
    PER_TYPE,
    PER_FIXTURE;

    public String words() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
