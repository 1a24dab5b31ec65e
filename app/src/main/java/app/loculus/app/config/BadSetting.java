package app.loculus.app.config;

/** A setting that cannot be right; ends the start with its words instead of a stack trace. */
public class BadSetting extends RuntimeException {

    public BadSetting(String words) {
        super(words);
    }
}
