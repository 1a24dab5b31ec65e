package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.edit.starter.RecordStarterPalettes;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Palette;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What the patch suggested misses nobody that could not follow it. */
class StarterCoverageTest {

    private static final Show STARTED = new RecordStarterPalettes(Optional.empty())
            .apply(Rig.after(Rig.everyKind(), "patch 81 as \"Blink / shutter\" at 4.1"))
            .show();

    private static List<Palette> gaps(Show show) {
        Coverage coverage =
                Coverage.of(show.patch(), show.shelf(), show.resolver().giver(), Optional.empty());
        return show.palettes().stream()
                .filter(p -> coverage.of(p).stream().anyMatch(Coverage.Crossing::gap))
                .toList();
    }

    @Test
    void starters_bury_no_gap_that_is_one() {
        assertThat(STARTED.palettes())
                .hasSizeGreaterThan(5)
                .allMatch(p -> p.label().starter());
        assertThat(gaps(STARTED)).noneMatch(p -> p.intent().isEmpty());
    }

    @Test
    void it_is_asked_of_those_that_have_what_it_holds_and_of_nobody_else() {
        Show spot = new RecordStarterPalettes(Optional.empty())
                .apply(Rig.show("patch 31 as \"Spot / cmy\" at 1.1"))
                .show();
        Show more = Rig.after(spot, "patch 41 as \"Beam / wheel\" at 1.101", "patch 51 as \"Par / rgb\" at 1.201");
        Palette slot = more.palettes().stream()
                .filter(p -> p.intent().isEmpty() && p.name().contains("Jade"))
                .findFirst()
                .orElseThrow();
        Coverage coverage =
                Coverage.of(more.patch(), more.shelf(), more.resolver().giver(), Optional.empty());
        assertThat(coverage.of(slot)).extracting(Coverage.Crossing::applies).containsExactly(true, true, false);
    }
}
