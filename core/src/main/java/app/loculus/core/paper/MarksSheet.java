package app.loculus.core.paper;

import app.loculus.core.palette.Palette;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Places on stage, on the plan and in metres. */
final class MarksSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            new Sheet.Column("Mark", 2),
            new Sheet.Column("To the right", 1),
            new Sheet.Column("Upstage", 1),
            new Sheet.Column("Above the floor", 1),
            new Sheet.Column("Positions aimed there", 3));

    private MarksSheet() {}

    static Sheet of(Show show) {
        List<List<String>> rows = show.marks().stream()
                .map(m -> List.of(
                        m.name(),
                        Decimal.text(m.at().x(), 2) + " m",
                        Decimal.text(m.at().y(), 2) + " m",
                        Decimal.text(m.at().z(), 2) + " m",
                        show.palettes().stream()
                                .filter(p -> p.aim().equals(Optional.of(m.id())))
                                .map(Palette::toString)
                                .collect(Collectors.joining(", "))))
                .toList();
        return new Sheet(
                "Marks",
                Numbers.count(rows.size(), "mark") + ", in metres from the middle of the stage's front edge",
                COLUMNS,
                List.of(new Sheet.Section("", "", false, rows, Optional.of(Plans.ofMarks(show)), false)));
    }
}
