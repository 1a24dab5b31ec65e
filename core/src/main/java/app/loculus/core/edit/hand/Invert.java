package app.loculus.core.edit.hand;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Takes the others selected: of all, or of those at the same positions, or of the same types, as the selection. */
public record Invert(Within within) implements ShowEdit {

    /** Among whom the others are looked for. */
    public enum Within {
        ALL,
        POSITION,
        TYPE;

        /** @return ALL for what is no such word */
        public static Within of(String word) {
            for (Within within : values()) {
                if (within.name().equalsIgnoreCase(word == null ? "" : word)) {
                    return within;
                }
            }
            return ALL;
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    @Override
    public void on(Draft draft) {
        Hand hand = draft.hand();
        draft.held();
        Show show = draft.show();
        Selection others = among(show, hand).minus(hand.selection(), show.patch()::cellsOf);
        others.units().stream().map(UnitId::fixture).distinct().forEach(draft::reads);
        Choose.units(others).on(draft);
    }

    private Selection among(Show show, Hand hand) {
        Function<Fixture, Object> alike = f -> switch (within) {
            case ALL -> true;
            case POSITION -> f.position().toLowerCase(Locale.ROOT);
            case TYPE -> f.profile();
        };
        Set<Object> held = hand.selection().units().stream()
                .map(u -> alike.apply(show.patch().get(u.fixture())))
                .collect(Collectors.toSet());
        return Selection.of(show.patch().fixtures().stream()
                .filter(f -> held.contains(alike.apply(f)))
                .map(f -> UnitId.whole(f.id()))
                .toList());
    }
}
