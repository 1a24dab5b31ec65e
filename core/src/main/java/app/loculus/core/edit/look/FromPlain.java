package app.loculus.core.edit.look;

import app.loculus.core.edit.palette.RecordPalette;
import app.loculus.core.edit.palette.What;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Records what is plain in a look as new palettes, one of each kind, called as what holds the look: as if just that had been
 * set by hand. Control channels are left out: they are for what a fixture is.
 */
final class FromPlain {

    private final Draft draft;
    private final Look look;
    private final List<Palette> made = new ArrayList<>();

    FromPlain(Draft draft, Look look) {
        this.draft = draft;
        this.look = look;
    }

    /** @param values of the look, as far as they are tied already; @return what was made */
    List<Palette> record(Map<UnitId, UnitValues> values) {
        Show show = draft.show();
        Map<Kind, Map<UnitId, UnitValues>> byKind = new LinkedHashMap<>();
        Plain.of(show, values)
                .forEach((unit, plain) -> TidyLook.byKind(show, unit, plain).forEach((kind, attributes) -> {
                    if (kind != Kind.CONTROL) {
                        byKind.computeIfAbsent(kind, k -> new LinkedHashMap<>())
                                .put(unit, only(values.get(unit), attributes));
                    }
                }));
        byKind.keySet().stream().sorted().forEach(kind -> record(kind, byKind.get(kind)));
        return made;
    }

    private void record(Kind kind, Map<UnitId, UnitValues> held) {
        Show show = draft.show();
        Draft aside = new Draft(show);
        show.programmer().values().keySet().forEach(unit -> aside.remove(PartKinds.VALUES, unit));
        aside.hold(Hand.EMPTY);
        aside.setAll(held);
        new RecordPalette(
                        kind,
                        Optional.empty(),
                        Optional.of(name(show, kind)),
                        Optional.empty(),
                        RecordPalette.Onto.REFUSE,
                        What.ALL)
                .on(aside);
        aside.show().palettes().stream()
                .filter(p -> show.palette(p.id()).isEmpty())
                .forEach(palette -> {
                    draft.put(palette);
                    made.add(palette);
                });
    }

    /** As the cue is called, else by its number; a number behind it where that is taken. */
    private String name(Show show, Kind kind) {
        String called = LookHolders.called(show, look);
        Set<String> taken = new LinkedHashSet<>();
        show.palettes().stream()
                .filter(p -> p.kind() == kind)
                .forEach(p -> taken.add(p.name().toLowerCase(java.util.Locale.ROOT)));
        String name = called;
        for (int i = 2; taken.contains(name.toLowerCase(java.util.Locale.ROOT)); i++) {
            name = called + " " + i;
        }
        return Names.checked(name);
    }

    /** What an effect moves around counts as what it is; what came along stays, so that the rest works. */
    private static UnitValues only(UnitValues values, Set<Attribute> attributes) {
        Map<Attribute, Touched> some = new LinkedHashMap<>();
        values.byAttribute().forEach((attribute, touched) -> {
            if (attributes.contains(attribute)) {
                AttributeValue value = touched.value() instanceof AttributeValue.Moved m
                        ? m.over().orElseThrow()
                        : touched.value();
                some.put(attribute, new Touched(value, true, false));
            } else if (touched.companion()) {
                some.put(attribute, touched);
            }
        });
        return new UnitValues(some, values.asked());
    }
}
