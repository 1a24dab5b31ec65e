package app.loculus.core.palette;

import app.loculus.core.profile.Attribute;
import app.loculus.core.value.AttributeValue;

/**
 * One value of a palette.
 *
 * @param companion whether it came along because another entry does not work without it
 */
public record Entry(ScopeKey scope, Attribute attribute, AttributeValue value, boolean companion) {

    /** The same place with another value. */
    public Entry holding(AttributeValue other) {
        return new Entry(scope, attribute, other, companion);
    }
}
