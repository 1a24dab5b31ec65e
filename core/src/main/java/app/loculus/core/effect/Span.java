package app.loculus.core.effect;

import app.loculus.core.value.AttributeValue;

/** How far a wave goes. */
public sealed interface Span {

    /**
     * Around what lies below.
     *
     * @param size from its lowest to its highest: degrees for what is set in degrees, else percent of the range
     */
    record Around(double size, boolean degrees) implements Span {
        public Around {
            app.loculus.core.value.Use.checkSize(size);
        }
    }

    /** From one value to another; either may refer to a palette. */
    record Between(AttributeValue low, AttributeValue high) implements Span {}
}
