package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.look.LookId;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touched;
import app.loculus.core.selection.GroupId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The one walk over everything that names units, types and palettes. */
public final class References {

    private References() {}

    /** What becomes of the parts that name what a refit is about; only those that change. */
    public static List<Change<?, ?>> refitted(Show show, Refit refit) {
        List<Change<?, ?>> changes = new ArrayList<>();
        PartKinds.ALL.forEach(kind -> refitted(kind, show, refit, changes));
        return changes;
    }

    /** The groups among parts that change, by number and name; empty when there are none. */
    public static String groups(List<Change<?, ?>> changes) {
        return changes.stream()
                .flatMap(c -> c.of(PartKinds.GROUPS).stream())
                .flatMap(c -> c.after().stream())
                .map(Group::toString)
                .collect(Collectors.joining(", "));
    }

    private static <K, V> void refitted(PartKind<K, V> kind, Show show, Refit refit, List<Change<?, ?>> changes) {
        show.all(kind).forEach((key, part) -> {
            Optional<V> after = kind.refitted(key, part, refit).flatMap(p -> kind.stored(key, p));
            if (!after.equals(Optional.of(part))) {
                changes.add(new Change<>(kind, key, Optional.of(part), after));
            }
        });
    }

    /** Releases whatever leads nowhere in this show. */
    static Refit standing(Show show) {
        // Asked for each value of each look: what there is is looked up once.
        Set<PaletteId> palettes = Set.copyOf(show.all(PartKinds.PALETTES).keySet());
        Set<EffectId> effects = Set.copyOf(show.all(PartKinds.EFFECTS).keySet());
        Map<FixtureId, Integer> cells = new HashMap<>();
        return new Refit() {
            @Override
            public boolean keeps(UnitId unit) {
                int count = cells.computeIfAbsent(unit.fixture(), this::cellsOf);
                return unit.cell() >= 0 && unit.cell() <= count;
            }

            /** -1 where there is no such fixture, or nothing is known of its mode. */
            private int cellsOf(FixtureId fixture) {
                return show.patch()
                        .find(fixture)
                        .flatMap(f -> show.profiles().find(f.profile()).flatMap(p -> p.findMode(f.mode())))
                        .map(Mode::cells)
                        .orElse(-1);
            }

            @Override
            public boolean keepsGroup(GroupId group) {
                return show.group(group).isPresent();
            }

            @Override
            public boolean keepsPalette(PaletteId palette) {
                return palettes.contains(palette);
            }

            @Override
            public boolean keepsLook(LookId look) {
                return show.find(PartKinds.LOOKS, look).isPresent();
            }

            @Override
            public boolean keepsEffect(EffectId effect) {
                return effects.contains(effect);
            }

            @Override
            public boolean keepsMark(MarkId mark) {
                return show.mark(mark).isPresent();
            }

            @Override
            public List<Entry> entry(Palette palette, Entry entry) {
                boolean held = entry.scope()
                        .ownProfile()
                        .map(p -> show.profiles().find(p).isPresent())
                        .orElse(true);
                boolean led = entry.value().followed().map(palettes::contains).orElse(true);
                return held && led ? Refit.super.entry(palette, entry) : List.of();
            }

            @Override
            public Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
                boolean led = value.value().followed().map(palettes::contains).orElse(true)
                        && value.value()
                                .moved()
                                .map(u -> effects.contains(u.effect()))
                                .orElse(true);
                return led ? Optional.of(value) : Optional.empty();
            }
        };
    }
}
