package app.loculus.core.patch;

/**
 * A fixture, or one of its cells.
 *
 * @param cell 0 for the whole fixture, else 1 and up
 */
public record UnitId(FixtureId fixture, int cell) implements Comparable<UnitId> {

    public static UnitId whole(FixtureId fixture) {
        return new UnitId(fixture, 0);
    }

    @Override
    public int compareTo(UnitId other) {
        int byFixture = fixture.compareTo(other.fixture);
        return byFixture != 0 ? byFixture : Integer.compare(cell, other.cell);
    }
}
