package app.loculus.core.programmer;

import app.loculus.core.value.AttributeValue;

/**
 * One working value.
 *
 * @param touched whether it will be recorded
 * @param companion whether it only came along with another one
 */
public record Touched(AttributeValue value, boolean touched, boolean companion) {

    public static Touched byHand(AttributeValue value) {
        return new Touched(value, true, false);
    }

    public static Touched along(AttributeValue value) {
        return new Touched(value, true, true);
    }
}
