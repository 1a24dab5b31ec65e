package app.loculus.core.paper;

import app.loculus.core.edit.effect.EffectWords;
import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.stream.Collectors;

/** Effects: what each moves and how, and where it is used. */
final class EffectsSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            Sheet.Column.number("No.", .6),
            new Sheet.Column("Name", 1.6),
            new Sheet.Column("What it does", 4),
            new Sheet.Column("Used in", 2.6));

    private EffectsSheet() {}

    static Sheet of(Show show) {
        List<List<String>> rows = show.effects().stream().map(e -> row(show, e)).toList();
        return new Sheet(
                "Effects",
                Numbers.count(rows.size(), "effect"),
                COLUMNS,
                List.of(new Sheet.Section("", "", false, rows)));
    }

    private static List<String> row(Show show, Effect effect) {
        return List.of(
                effect.number().map(String::valueOf).orElse(""),
                effect.name(),
                EffectWords.of(show, effect),
                EffectUsers.looks(show, effect.id()).stream()
                        .map((Look l) -> LookHolders.words(show, l))
                        .collect(Collectors.joining(", ")));
    }
}
