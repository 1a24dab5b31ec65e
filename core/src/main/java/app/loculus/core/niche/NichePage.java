package app.loculus.core.niche;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.unit.Limits;
import java.util.Locale;
import java.util.Optional;

/**
 * A page of niches, in rows of its own.
 *
 * @param of palettes of this kind; groups when absent
 * @param name unique among those of the same, whatever letters are large
 * @param first number of the first niche
 * @param columns niches a row; @param rows how many rows
 */
public record NichePage(NichePageId id, Optional<Kind> of, String name, int first, int columns, int rows) {

    public static final int USUAL_COLUMNS = 7;
    public static final int USUAL_ROWS = 4;

    private static final int MOST_COLUMNS = 16;
    private static final int MOST_ROWS = 30;
    /** As groups and palettes are numbered. */
    private static final int LAST_NUMBER = 9999;

    public NichePage {
        name = Limits.name("page.name", "page", name);
        if (columns < 1 || columns > MOST_COLUMNS || rows < 1 || rows > MOST_ROWS) {
            throw Refusal.of(
                    "page.size",
                    "page",
                    columns + " by " + rows + " is no page: 1 to " + MOST_COLUMNS + " niches a row, 1 to " + MOST_ROWS
                            + " rows.");
        }
        if (first < 1 || first + columns * rows - 1 > LAST_NUMBER) {
            throw Refusal.of(
                    "page.first",
                    "page",
                    "A page from " + first + " goes beyond the numbers 1 to " + LAST_NUMBER + ".");
        }
    }

    public int last() {
        return first + columns * rows - 1;
    }

    public NichePage named(String other) {
        return new NichePage(id, of, other, first, columns, rows);
    }

    /** What it is a page of, as the line has it. */
    public String subject() {
        return of.map(Kind::word).orElse("group");
    }

    /** Unlike that of any other page of a show. */
    public String label() {
        return subject() + " page " + name.toLowerCase(Locale.ROOT);
    }

    @Override
    public String toString() {
        return subject() + " page “" + name + "”";
    }
}
