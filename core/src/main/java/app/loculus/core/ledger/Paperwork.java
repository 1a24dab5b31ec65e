package app.loculus.core.ledger;

import app.loculus.core.unit.Limits;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * The paper that the patch is held to.
 *
 * @param name of the file, or what somebody called it; empty as long as there is none
 * @param on when it was taken for the one to go by
 * @param columns what it says anything about
 */
public record Paperwork(String name, String on, Set<PaperField> columns, List<HookupRow> rows) {

    public static final Paperwork NONE = new Paperwork("", "", Set.of(), List.of());

    public Paperwork {
        name = Limits.text("paper.name", "name", name, Limits.NAME).strip();
        // In their order, so that the same paper is written the same every time.
        columns = columns.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(columns));
        rows = List.copyOf(rows);
    }

    public boolean none() {
        return rows.isEmpty();
    }

    @Override
    public String toString() {
        return name.isEmpty() ? "the paper" : "“" + name + "”";
    }
}
