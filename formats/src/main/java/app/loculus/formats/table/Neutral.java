package app.loculus.formats.table;

/**
 * Cells of separated text that a spreadsheet would take for a formula. They go out with an apostrophe in front, which
 * spreadsheets take for text, and come in again without it.
 */
public final class Neutral {

    private static final char MARK = '\'';
    private static final String FORMULAS = "=+-@\t\r";

    private Neutral() {}

    public static String out(String cell) {
        return risky(cell) ? MARK + cell : cell;
    }

    /** What {@link #out} made of a cell, as it was; any other cell as it is. */
    static String in(String cell) {
        return cell.length() > 1 && cell.charAt(0) == MARK && risky(cell.substring(1)) ? cell.substring(1) : cell;
    }

    /** Apostrophes in front of a formula are told from those put there by one more. */
    private static boolean risky(String cell) {
        int at = 0;
        while (at < cell.length() && cell.charAt(at) == MARK) {
            at++;
        }
        return at < cell.length() && FORMULAS.indexOf(cell.charAt(at)) >= 0;
    }
}
