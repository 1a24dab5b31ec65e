package app.loculus.core.carry;

import app.loculus.core.patch.FixtureId;

/**
 * A fixture of one show and one that stands for it in another rig.
 *
 * @param was in the show that is carried over
 * @param is in the other rig
 */
public record Pair(FixtureId was, FixtureId is, By by) {

    /** What told that they belong together. */
    public enum By {
        HAND("by hand", true),
        NUMBER("same number", true),
        PLACE_AND_PURPOSE("same position and purpose", true),
        PLACE("same position, like type", true),
        PURPOSE("same purpose, like type", true),
        SAME_TYPE("same type", true),
        TYPE("like type", true),
        PLACE_ALONE("same position, another type", false),
        PURPOSE_ALONE("same purpose, another type", false),
        SHARED("shared", false),
        LEFT("the only one left", false);

        private final String words;
        private final boolean sure;

        By(String words, boolean sure) {
            this.words = words;
            this.sure = sure;
        }

        public String words() {
            return words;
        }

        /** Whether nobody need look at it. */
        public boolean sure() {
            return sure;
        }
    }
}
