package app.loculus.core.patch;

/** Stays with a fixture whatever its number. */
public record FixtureId(int value) implements Comparable<FixtureId> {

    @Override
    public int compareTo(FixtureId other) {
        return Integer.compare(value, other.value);
    }
}
