package app.loculus.core.patch;

/**
 * Two fixtures on the same slots.
 *
 * @param first lowest slot both claim
 * @param last highest slot both claim
 */
public record Clash(int universe, int first, int last, Claim one, Claim other) {

    static Clash between(Claim one, Claim other) {
        return new Clash(
                one.universe(), Math.max(one.first(), other.first()), Math.min(one.last(), other.last()), one, other);
    }

    public boolean shared() {
        return one.at().shared() || other.at().shared();
    }

    /** {@code 3.109–3.116}. */
    public String span() {
        return first == last ? universe + "." + first : universe + "." + first + "–" + universe + "." + last;
    }
}
