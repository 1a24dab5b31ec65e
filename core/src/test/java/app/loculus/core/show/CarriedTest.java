package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.value.ColourAnswers;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is carried from show to show equals what is worked out anew, after any edits. */
class CarriedTest {

    private static List<Coverage.Crossing> crossings(Show show, Coverage coverage) {
        return show.palettes().stream().flatMap(p -> coverage.of(p).stream()).toList();
    }

    private static Given given(Giver giver, Palette palette, Fixture fixture, int cell) {
        return giver.give(palette, new UnitId(fixture.id(), cell));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void coverage_and_what_palettes_give(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.after(
                Rig.everyKind(),
                "place 11 thru 14 at -4,2,6 thru 4,2,6",
                "11 thru 14 colour xy 0.25, 0.39",
                "record colour 1",
                "mark \"Spot\" at 0, 3, 0",
                "11",
                "record position 1 at mark \"Spot\"");
        for (int i = 0; i < 90; i++) {
            show = lines.step(show);
            Coverage carried = show.coverage();
            if (i % 9 == 0) {
                Giver anew = new Giver(show.patch(), show.shelf(), new ColourAnswers());
                Coverage fresh = Coverage.of(show.patch(), show.shelf(), anew, Optional.empty());
                assertThat(crossings(show, carried)).as("%s", lines.said()).isEqualTo(crossings(show, fresh));
                assertThat(carried.gaps()).isEqualTo(fresh.gaps());
                Giver known = show.resolver().giver();
                for (Palette palette : show.palettes()) {
                    for (Fixture fixture : show.patch().fixtures()) {
                        Mode mode = show.patch().modeOf(fixture);
                        for (int cell = 0; cell <= mode.cells(); cell++) {
                            assertThat(given(known, palette, fixture, cell))
                                    .as("%s of %s", palette, fixture.number())
                                    .isEqualTo(given(anew, palette, fixture, cell));
                        }
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void what_fixtures_are_resolved_to(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        for (int i = 0; i < 90; i++) {
            show = lines.step(show);
            show.resolver();
        }
        Resolver anew = new Resolver(show.scene());
        for (Fixture fixture : show.patch().fixtures()) {
            assertThat(show.resolver().resolve(fixture)).as("%s", lines.said()).isEqualTo(anew.resolve(fixture));
        }
    }
}
