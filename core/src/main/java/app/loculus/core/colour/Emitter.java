package app.loculus.core.colour;

/**
 * One additive light source of a fixture.
 *
 * @param name the attribute that drives it, for example {@code ColorAdd_R}
 * @param full its light at level 1
 */
public record Emitter(String name, Tristimulus full) {

    public static Emitter of(String name, double x, double y, double luminance) {
        return new Emitter(name, new Chromaticity(x, y).withLuminance(luminance));
    }
}
