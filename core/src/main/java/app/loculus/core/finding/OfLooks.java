package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.look.Look;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Shapes;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiPredicate;

/** A rule that goes look by look, and works each out only once: looks are many, and wide. */
abstract class OfLooks extends Rule {

    /** What was found in looks before. @param by what all of them went by */
    private record Worked(List<Object> by, Map<Look, List<UnitId>> byLook) {}

    /** For shows to come, by rule. */
    private record Known(Map<String, Worked> byRule) {}

    OfLooks(String name) {
        super(name, ChapterName.LOOKS);
    }

    /** The parts that any rule of looks and cues goes by; of palettes and fixtures only what values go by. */
    static List<Object> parts(Show show) {
        Shapes shapes = Shapes.of(show);
        return List.of(
                show.all(PartKinds.LOOKS),
                show.all(PartKinds.CUES),
                show.all(PartKinds.LISTS),
                show.all(PartKinds.SUBMASTERS),
                show.all(PartKinds.EFFECTS),
                show.all(PartKinds.MARKS),
                shapes.types(),
                shapes.poses(),
                shapes.given());
    }

    /** What palettes give, which also goes by where fixtures are. */
    static List<Object> byGiven(Show show) {
        Shapes shapes = Shapes.of(show);
        return List.of(
                shapes.types(), shapes.poses(), shapes.given(), show.all(PartKinds.MARKS), show.all(PartKinds.EFFECTS));
    }

    @Override
    final List<Object> goesBy(Show show) {
        return parts(show);
    }

    /** What the units of one look go by beside the look itself. */
    List<Object> by(Show show) {
        return List.of(Shapes.of(show).types());
    }

    /** The units of a look that it is about. */
    abstract List<UnitId> who(Show show, Look look);

    /** @param who at least one */
    abstract void tell(Show show, Look look, List<UnitId> who, Found found);

    @Override
    final void find(Show show, Profiles library, Found found) {
        Known known = show.growing(
                Known.class,
                before -> new Known(
                        new ConcurrentHashMap<>(before.map(Known::byRule).orElse(Map.of()))));
        List<Object> by = by(show);
        Worked before = known.byRule().get(name());
        boolean holds = before != null && Shapes.same(before.by(), by);
        Map<Look, List<UnitId>> byLook = new IdentityHashMap<>();
        for (Look look : show.all(PartKinds.LOOKS).values()) {
            List<UnitId> told = holds ? before.byLook().get(look) : null;
            List<UnitId> who = told == null ? who(show, look) : told;
            byLook.put(look, who);
            if (!who.isEmpty()) {
                tell(show, look, who, found);
            }
        }
        known.byRule().put(name(), new Worked(by, byLook));
    }

    /** Who of a look it is about, by number. @param what behind how many they are */
    static void about(Show show, Look look, List<UnitId> who, String what, Found found) {
        found.look(
                look.id().value(),
                PaletteRules.upper(LookHolders.words(show, look)) + ": " + Numbers.count(who.size(), "unit") + what,
                numbers(show, who),
                who,
                Spot.of(show, look));
    }

    static List<UnitId> units(Look look, BiPredicate<UnitId, UnitValues> which) {
        List<UnitId> found = new ArrayList<>();
        look.values().forEach((unit, values) -> {
            if (which.test(unit, values)) {
                found.add(unit);
            }
        });
        return found;
    }
}
