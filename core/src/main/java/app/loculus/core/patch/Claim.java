package app.loculus.core.patch;

/**
 * The slots one address of a fixture covers.
 *
 * @param slots how many, from the address on, all in its universe
 */
public record Claim(Fixture fixture, PatchedAddress at, int slots) {

    public int universe() {
        return at.address().universe();
    }

    public int first() {
        return at.address().slot();
    }

    public int last() {
        return first() + slots - 1;
    }

    public boolean overlaps(Claim other) {
        return universe() == other.universe() && first() <= other.last() && other.first() <= last();
    }

    /** {@code 3.441–3.448}, or one address alone. */
    public String span() {
        return slots == 1 ? at.address().toString() : at.address() + "–" + universe() + "." + last();
    }
}
