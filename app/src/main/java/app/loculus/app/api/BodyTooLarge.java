package app.loculus.app.api;

import java.io.IOException;

/** A body that is longer than anything that is asked here. */
public class BodyTooLarge extends IOException {

    public BodyTooLarge(long most) {
        super("The request is too large; at most " + (most >> 20) + " MB are read.");
    }
}
