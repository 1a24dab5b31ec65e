package app.loculus.core.paper;

import java.util.List;
import java.util.Optional;

/**
 * What stands on paper, before it is set.
 *
 * @param words what is to be known about it, may be empty
 * @param across whether it needs the long side of the paper to be read
 */
public record Sheet(String title, String words, boolean across, List<Column> columns, List<Section> sections) {

    /** What the cells of a column are. */
    public enum Cells {
        TEXT,
        /** Whole numbers, or nothing. */
        NUMBER,
        /** A box to tick: nothing stands in it. */
        TICK,
        /** Colours as a screen shows them, {@code #rrggbb} with blanks between; anything else is text. */
        FACE
    }

    /** @param share of the width, as against the others */
    public record Column(String head, double share, Cells cells) {

        public Column(String head, double share) {
            this(head, share, Cells.TEXT);
        }

        static Column number(String head, double share) {
            return new Column(head, share, Cells.NUMBER);
        }

        static Column tick(String head, double share) {
            return new Column(head, share, Cells.TICK);
        }
    }

    /**
     * Rows under one heading.
     *
     * @param heading may be empty
     * @param words behind the heading, may be empty
     * @param chief whether others stand under it
     * @param rows a cell for each column
     * @param figure drawn above the rows
     * @param ownPage whether it begins a page
     */
    public record Section(
            String heading,
            String words,
            boolean chief,
            List<List<String>> rows,
            Optional<Figure> figure,
            boolean ownPage) {

        public Section {
            rows = List.copyOf(rows);
        }

        public Section(String heading, String words, boolean chief, List<List<String>> rows) {
            this(heading, words, chief, rows, Optional.empty(), false);
        }

        Section with(Figure drawn) {
            return new Section(heading, words, chief, rows, Optional.of(drawn), ownPage);
        }

        Section onOwnPage() {
            return new Section(heading, words, chief, rows, figure, true);
        }
    }

    public Sheet {
        columns = List.copyOf(columns);
        sections = List.copyOf(sections);
        int wide = columns.size();
        if (sections.stream().flatMap(s -> s.rows().stream()).anyMatch(r -> r.size() != wide)) {
            throw new IllegalArgumentException("A row has another number of cells than there are columns.");
        }
    }

    public Sheet(String title, String words, List<Column> columns, List<Section> sections) {
        this(title, words, false, columns, sections);
    }

    /** How many rows it has in all. */
    public int rows() {
        return sections.stream().mapToInt(s -> s.rows().size()).sum();
    }
}
