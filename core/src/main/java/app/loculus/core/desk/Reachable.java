package app.loculus.core.desk;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.ColourSystems;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The colours that a type selected can make.
 *
 * @param type name of the profile
 * @param outlines corners of each way to mix them, counter-clockwise in u′v′
 * @param slots what its wheels have
 */
public record Reachable(String type, List<List<Chromaticity>> outlines, List<Chromaticity> slots) {

    /** By name: a mode itself is long to tell from others. */
    private record Made(ProfileId profile, String mode, int cell) {}

    /** A type once, however many of it are selected; types without colour are left out. */
    public static List<Reachable> all(Show show) {
        Map<Made, Reachable> types = new LinkedHashMap<>();
        for (UnitId held : show.hand().selection().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                types.computeIfAbsent(
                        new Made(fixture.profile(), fixture.mode(), unit.cell()),
                        made -> of(
                                show.patch().profileOf(fixture).name(),
                                show.patch().modeOf(fixture).colours(made.cell())));
            }
        }
        return types.values().stream()
                .filter(r -> !r.outlines().isEmpty() || !r.slots().isEmpty())
                .distinct()
                .toList();
    }

    private static Reachable of(String type, ColourSystems systems) {
        List<List<Chromaticity>> outlines = new ArrayList<>();
        systems.additive().forEach(a -> outlines.add(a.mixer().outline()));
        systems.subtractive().ifPresent(s -> outlines.add(s.outline()));
        List<Chromaticity> slots = systems.wheels().stream()
                .flatMap(w -> w.slots().stream())
                .flatMap(s -> s.light().chromaticity().stream())
                .distinct()
                .toList();
        return new Reachable(type, outlines, slots);
    }
}
