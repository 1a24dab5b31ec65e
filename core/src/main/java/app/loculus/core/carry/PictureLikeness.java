package app.loculus.core.carry;

import java.util.OptionalDouble;

/** How far two pictures of wheel slots are apart. */
@FunctionalInterface
public interface PictureLikeness {

    /** For whoever has no pictures to look at. */
    PictureLikeness NONE = (one, other) -> OptionalDouble.empty();

    /**
     * @param one PNG; @param other PNG
     * @return 0 for the same to 1 for opposite, whichever way they are turned; empty where one cannot be read
     */
    OptionalDouble apart(byte[] one, byte[] other);
}
