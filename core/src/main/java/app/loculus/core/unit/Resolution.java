package app.loculus.core.unit;

/**
 * How many octets carry one value.
 *
 * @param octets 1 to 4, coarse first
 */
public record Resolution(int octets) {

    public Resolution {
        if (octets < 1 || octets > 4) {
            throw new IllegalArgumentException("A value has 1 to 4 octets, not " + octets);
        }
    }

    /** Highest DMX value: 255, 65535, 16777215 or 4294967295. */
    public long max() {
        return (1L << (8 * octets)) - 1;
    }

    /** The octet at {@code index} (0 = coarse) of a DMX value. */
    public int octet(long dmx, int index) {
        return (int) (dmx >> (8 * (octets - 1 - index))) & 0xFF;
    }
}
