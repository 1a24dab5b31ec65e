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

    /** Reads what {@link #toString} writes: {@code 12} or {@code 12.3}, the fixture by its id. */
    public static UnitId parse(String text) {
        int dot = text.indexOf('.');
        return dot < 0
                ? whole(new FixtureId(Integer.parseInt(text)))
                : new UnitId(
                        new FixtureId(Integer.parseInt(text.substring(0, dot))),
                        Integer.parseInt(text.substring(dot + 1)));
    }

    @Override
    public String toString() {
        return cell == 0 ? String.valueOf(fixture.value()) : fixture.value() + "." + cell;
    }

    @Override
    public int compareTo(UnitId other) {
        int byFixture = fixture.compareTo(other.fixture);
        return byFixture != 0 ? byFixture : Integer.compare(cell, other.cell);
    }
}
