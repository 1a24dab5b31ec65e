package app.loculus.core.paper;

import java.util.List;

/**
 * What stands on paper, before it is set.
 *
 * @param words what is to be known about it, may be empty
 */
public record Sheet(String title, String words, List<Column> columns, List<Section> sections) {

    /** @param share of the width, as against the others */
    public record Column(String head, double share) {}

    /**
     * Rows under one heading.
     *
     * @param heading may be empty
     * @param words behind the heading, may be empty
     * @param chief whether others stand under it
     * @param rows a cell for each column
     */
    public record Section(String heading, String words, boolean chief, List<List<String>> rows) {

        public Section {
            rows = List.copyOf(rows);
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
}
