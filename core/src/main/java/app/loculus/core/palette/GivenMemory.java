package app.loculus.core.palette;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.value.PaletteId;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;

/**
 * What palettes were found to give, palette by palette, as long as each is the very same: one that was recorded anew or
 * deleted leaves nothing behind. Holds for one set of profiles. Safe to share between threads.
 */
final class GivenMemory {

    /** Units that are given something of their own, over all palettes: some 30 MB. Beyond it that starts afresh. */
    private static final int MOST_OWN = 40_000;

    private record Kin(String profile, String mode, int cell) {}

    /** @param fixture as it was patched when this was worked out */
    private record Own(Fixture fixture, Given given) {}

    private record Known(Palette palette, Map<Kin, Given> kin, Map<UnitId, Own> own) {
        Known(Palette palette) {
            this(palette, new ConcurrentHashMap<>(), new ConcurrentHashMap<>());
        }
    }

    private final Map<PaletteId, Known> palettes = new ConcurrentHashMap<>();
    private final AtomicInteger owned = new AtomicInteger();

    /** For another moment of the show: without the palettes that do not give the same there. */
    GivenMemory on(Shelf before, Shelf now) {
        if (before.gives(now)) {
            return this;
        }
        GivenMemory kept = new GivenMemory();
        palettes.forEach((id, known) -> {
            if (before.palettes().get(id) == known.palette() && before.givesAlike(known.palette(), now)) {
                kept.palettes.put(id, known);
                kept.owned.addAndGet(known.own().size());
            }
        });
        return kept;
    }

    private Known of(Palette palette) {
        Known known = palettes.get(palette.id());
        if (known == null || known.palette() != palette) {
            known = new Known(palette);
            palettes.put(palette.id(), known);
        }
        return known;
    }

    /** What all units of one profile, mode and cell are given that have nothing of their own. */
    Given kin(Palette palette, int cell, Fixture fixture, Supplier<Given> work) {
        Map<Kin, Given> all = of(palette).kin();
        Kin kin = new Kin(fixture.profile().value(), fixture.mode(), cell);
        Given given = all.get(kin);
        if (given == null) {
            given = work.get();
            all.put(kin, given);
        }
        return given;
    }

    /** What one unit is given, which goes by where it hangs, too. */
    Given own(Palette palette, UnitId unit, Fixture fixture, Supplier<Given> work) {
        Map<UnitId, Own> all = of(palette).own();
        Own own = all.get(unit);
        if (own == null || own.fixture() != fixture) {
            own = new Own(fixture, work.get());
            if (all.put(unit, own) == null && owned.incrementAndGet() > MOST_OWN) {
                palettes.values().forEach(k -> k.own().clear());
                owned.set(0);
            }
        }
        return own.given();
    }
}
