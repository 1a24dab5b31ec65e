package app.loculus.core.paper;

import app.loculus.core.patch.Fixture;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;

/** A label for each fixture: its number, address and name, where it hangs. */
final class LabelsSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            Sheet.Column.number("No.", 1),
            new Sheet.Column("Address", 1.5),
            new Sheet.Column("Name", 3),
            new Sheet.Column("Hangs", 2));

    private LabelsSheet() {}

    static Sheet of(Show show) {
        List<Figure.Label> labels = show.patch().fixtures().stream()
                .map(f -> new Figure.Label(
                        String.valueOf(f.number()), List.of(join(HookupSheets.address(f), f.position()), f.name())))
                .toList();
        List<List<String>> rows = show.patch().fixtures().stream()
                .map((Fixture f) ->
                        List.of(String.valueOf(f.number()), HookupSheets.address(f), f.name(), f.position()))
                .toList();
        return new Sheet(
                "Labels",
                "",
                COLUMNS,
                List.of(new Sheet.Section("", "", false, rows, Optional.of(new Figure.Labels(labels)), false)));
    }

    private static String join(String one, String other) {
        return one.isEmpty() || other.isEmpty() ? one + other : one + " · " + other;
    }
}
