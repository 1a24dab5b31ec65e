package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Touched;
import app.loculus.core.value.AttributeValue;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Nothing in a show ever points at something that is gone. */
class DeskLawsTest {

    private static void assertWhole(Show show, String after) {
        Set<UnitId> mentioned = new HashSet<>(show.programmer().values().keySet());
        mentioned.addAll(show.hand().selection().units());
        mentioned.addAll(show.hand().base().units());
        mentioned.addAll(show.hand().last().units());
        show.groups().forEach(g -> mentioned.addAll(show.units(g).units()));
        show.palettes().stream().map(Palette::units).forEach(mentioned::addAll);
        for (UnitId unit : mentioned) {
            assertThat(show.patch().find(unit.fixture()))
                    .as("%s after %s", unit, after)
                    .isPresent();
        }
        show.programmer()
                .values()
                .values()
                .forEach(values -> values.byAttribute().values().stream()
                        .map(Touched::value)
                        .filter(AttributeValue.Reference.class::isInstance)
                        .forEach(v -> assertThat(show.palette(((AttributeValue.Reference) v).palette()))
                                .as(after)
                                .isPresent()));
    }

    @ParameterizedTest
    @ValueSource(longs = {51, 52, 53, 54, 55, 56, 57, 58})
    void after_any_edit_everything_that_is_mentioned_exists(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        for (int i = 0; i < 80; i++) {
            show = lines.step(show);
            assertWhole(show, lines.said().get(i));
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {61, 62, 63, 64})
    void numbers_are_unique_after_any_edit(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        for (int i = 0; i < 80; i++) {
            show = lines.step(show);
            assertThat(show.patch().fixtures().stream().map(f -> f.number())).doesNotHaveDuplicates();
            assertThat(show.groups().stream().map(g -> g.number())).doesNotHaveDuplicates();
            assertThat(show.palettes().stream().map(p -> p.kind() + " " + p.number()))
                    .doesNotHaveDuplicates();
        }
    }
}
