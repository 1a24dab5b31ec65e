package app.loculus.core.resolve;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Mode;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What units do in a scene, all layers together: how bright they are, whether anything is not at home, what they
 * follow, and which layer holds their light. Safe to share between threads.
 */
public final class Lights {

    private final Scene scene;
    private final Resolver resolver;
    private final Map<FixtureId, List<Resolved>> known = new ConcurrentHashMap<>();
    private final Map<PaletteId, Set<PaletteId>> through = new ConcurrentHashMap<>();

    public Lights(Scene scene, Resolver resolver) {
        this.scene = scene;
        this.resolver = resolver;
    }

    private List<Resolved> resolved(FixtureId id) {
        return known.computeIfAbsent(id, i -> resolver.resolve(patch().get(i)));
    }

    private Patch patch() {
        return scene.patch();
    }

    private Mode mode(UnitId unit) {
        return patch().modeOf(patch().get(unit.fixture()));
    }

    /** The light a dimmer lets through, 0 to 1; one whose physical range runs down is open at its lower end. */
    static double light(Resolved dimmer) {
        return dimmer.place().light();
    }

    /** Intensity as it shows, 0 to 1: all dimmers a cell lies under, multiplied; of several cells the brightest. */
    public double level(UnitId unit) {
        Mode mode = mode(unit);
        return sources(mode, unit.cell())
                .mapToDouble(cell -> level(mode, resolved(unit.fixture()), cell))
                .max()
                .orElse(0);
    }

    /** Cells whose light is the unit's: itself, or those in it that hold no others. */
    private static Stream<Integer> sources(Mode mode, int cell) {
        Cells cells = mode.layout();
        return cells.count() == 0 || cells.innermost(cell)
                ? Stream.of(cell)
                : IntStream.rangeClosed(1, cells.count())
                        .boxed()
                        .filter(c -> cells.innermost(c) && cells.within(c, cell));
    }

    /** 0 where nothing has a dimmer. */
    private static double level(Mode mode, List<Resolved> channels, int cell) {
        double level = 0;
        boolean dimmed = false;
        for (int outer : mode.layout().outwards(cell)) {
            var dimmer = mode.parameter(outer, Attribute.DIMMER);
            if (dimmer.isPresent()) {
                double light = light(channels.get(dimmer.get().channel()));
                level = dimmed ? level * light : light;
                dimmed = true;
            }
        }
        return level;
    }

    /** The layer that holds the unit's light: the innermost that set one of its dimmers; home where none did. */
    public String holder(UnitId unit) {
        Mode mode = mode(unit);
        List<Resolved> channels = resolved(unit.fixture());
        return sources(mode, unit.cell())
                .max(java.util.Comparator.comparingDouble(c -> level(mode, channels, c)))
                .flatMap(cell -> mode.layout().outwards(cell).stream()
                        .flatMap(outer -> mode.parameter(outer, Attribute.DIMMER).stream())
                        .map(p -> channels.get(p.channel()).layer())
                        .filter(layer -> !layer.equals(Resolved.HOME))
                        .findFirst())
                .orElse(Resolved.HOME);
    }

    /** Whether some channel of the unit is not where it is at home. */
    public boolean active(UnitId unit) {
        Mode mode = mode(unit);
        List<Resolved> channels = resolved(unit.fixture());
        return own(mode, unit)
                .anyMatch(i -> !channels.get(i).atHome(mode.channels().get(i)));
    }

    /** Channels of the unit and of the cells in it. */
    private static IntStream own(Mode mode, UnitId unit) {
        return IntStream.range(0, mode.channels().size())
                .filter(i -> mode.layout().within(mode.channels().get(i).cell(), unit.cell()));
    }

    /** Whether something of the unit follows the palette, itself or through one that follows it. */
    public boolean uses(UnitId unit, PaletteId palette) {
        List<Resolved> channels = resolved(unit.fixture());
        Set<PaletteId> counting = through.computeIfAbsent(palette, this::through);
        return own(mode(unit), unit)
                .mapToObj(channels::get)
                .map(Resolved::source)
                .anyMatch(s -> follows(s, counting));
    }

    private boolean follows(Source source, Set<PaletteId> counting) {
        return source.followed().filter(counting::contains).isPresent()
                || source.moved()
                        .map(u -> scene.shelf().effects().get(u.effect()))
                        .filter(e -> e.palettes().stream().anyMatch(counting::contains))
                        .isPresent();
    }

    /** Whether an effect moves something of the unit. */
    public boolean moved(UnitId unit, EffectId effect) {
        List<Resolved> channels = resolved(unit.fixture());
        return own(mode(unit), unit)
                .anyMatch(i -> channels.get(i)
                        .source()
                        .moved()
                        .filter(u -> u.effect().equals(effect))
                        .isPresent());
    }

    /** The palette and all that refer to it, directly or not. */
    private Set<PaletteId> through(PaletteId palette) {
        Set<PaletteId> found = new HashSet<>(Set.of(palette));
        boolean more = true;
        while (more) {
            more = false;
            for (Palette other : scene.palettes().values()) {
                more |= other.entries().stream()
                                .anyMatch(e -> e.value()
                                        .followed()
                                        .filter(found::contains)
                                        .isPresent())
                        && found.add(other.id());
            }
        }
        return found;
    }
}
