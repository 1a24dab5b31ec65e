package app.loculus.core.paper;

import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;

/** To walk along with: a box for each fixture, position by position. */
final class BringUpSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            Sheet.Column.tick("Answers", .8),
            Sheet.Column.tick("Aims", .7),
            Sheet.Column.number("No.", .7),
            new Sheet.Column("Name", 2.2),
            new Sheet.Column("Type / mode", 2.4),
            new Sheet.Column("Address", 1.3),
            new Sheet.Column("Seen", 3));

    private BringUpSheet() {}

    static Sheet of(Show show) {
        List<Sheet.Section> sections = new ArrayList<>();
        HookupSheets.positions(show)
                .forEach((position, fixtures) -> sections.add(new Sheet.Section(
                        HookupSheets.position(position),
                        "",
                        false,
                        fixtures.stream()
                                .map(f -> List.of(
                                        "",
                                        "",
                                        String.valueOf(f.number()),
                                        f.name(),
                                        HookupSheets.type(show, f),
                                        HookupSheets.address(f),
                                        f.bringUp().note()))
                                .toList())));
        return new Sheet("Bring up", "Tick what answers; write down what does not.", COLUMNS, sections);
    }
}
