package app.loculus.core.effect;

/** Values that look as if they fell by chance, and are the same again for the same seed, unit and round. */
final class Chance {

    private Chance() {}

    /** −1 to 1, evenly. The mixing of two 64-bit words is that of SplitMix64 (Steele, Lea, Flood 2014). */
    static double at(long seed, int fixture, int cell, long round) {
        long z = seed * 0x9E3779B97F4A7C15L + fixture;
        z = mixed(z) + cell;
        z = mixed(mixed(z) + round);
        return (z >>> 11) * 0x1.0p-52 - 1;
    }

    private static long mixed(long word) {
        long z = word + 0x9E3779B97F4A7C15L;
        z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
        z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
        return z ^ (z >>> 31);
    }
}
