package app.loculus.core.value;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.util.Objects;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ColourAnswersTest {

    private static final Chromaticity VERDIGRIS = new Chromaticity(.25, .39);
    private static final Chromaticity DEEP_RED = new Chromaticity(.68, .31);
    private final ColourAnswers answers = new ColourAnswers();

    private ColourAnswer answer(Profile profile, Chromaticity target) {
        return answers.answer(profile.modes().get(0), 0, target).orElseThrow();
    }

    private static double level(ColourAnswer answer, String attribute) {
        return ((AttributeValue.Level) Stream.of(answer.values(), answer.closings())
                        .map(m -> m.get(new Attribute(attribute)))
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElseThrow())
                .fraction()
                .value();
    }

    @Test
    void mixing_comes_first_and_the_wheel_is_closed() {
        ColourAnswer answer = answer(Rig.SPOT, VERDIGRIS);
        assertThat(answer.way()).isEqualTo("computed mix");
        assertThat(level(answer, "Color1")).isZero();
        assertThat(level(answer, "ColorSub_C")).isGreaterThan(0.5);
    }

    @Test
    void a_slot_that_is_nearer_by_more_than_the_allowance_wins_and_opens_the_mix() {
        ColourAnswer answer = answer(Rig.SPOT, DEEP_RED);
        assertThat(answer.way()).isEqualTo("slot 2 “Red”");
        assertThat(level(answer, "ColorSub_M")).isZero();
        assertThat(answer.values().get(new Attribute("Color1"))).isEqualTo(new AttributeValue.Named("Red"));
    }

    @Test
    void a_wheel_alone_takes_its_nearest_slot_and_says_how_far_off() {
        ColourAnswer answer = answer(Rig.BEAM, VERDIGRIS);
        assertThat(answer.way()).isEqualTo("slot 3 “Jade”");
        assertThat(answer.difference().grade()).isEqualTo(ColourDifference.Grade.NEEDS_AN_EYE);
    }

    @Test
    void of_two_mixing_systems_the_nearer_one_is_used() {
        ColourAnswer coloured = answer(Rig.PANEL, VERDIGRIS);
        assertThat(coloured.values())
                .containsKey(new Attribute("ColorAdd_R"))
                .doesNotContainKey(new Attribute("ColorAdd_W"));
        ColourAnswer white = answer(Rig.PANEL, Chromaticity.D65);
        assertThat(white.difference().grade()).isEqualTo(ColourDifference.Grade.EXACT);
    }

    @Test
    void what_cannot_make_a_colour_has_no_answer() {
        assertThat(answers.answer(Rig.DIMMER.modes().get(0), 0, VERDIGRIS)).isEmpty();
        assertThat(answers.answer(Rig.BATTEN.modes().get(0), 0, VERDIGRIS)).isEmpty();
        assertThat(answers.answer(Rig.BATTEN.modes().get(0), 4, VERDIGRIS)).isPresent();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void the_levels_of_an_answer_show_the_colour_it_promises(long seed) {
        Random random = new Random(seed);
        Chromaticity target = new Chromaticity(0.2 + 0.3 * random.nextDouble(), 0.2 + 0.25 * random.nextDouble());
        for (Profile profile : new Profile[] {Rig.WASH, Rig.PAR, Rig.SPOT}) {
            ColourAnswer answer = answer(profile, target);
            Mode mode = profile.modes().get(0);
            Sent sent = Sent.overHome(mode, 0, answer.values());
            ShownColour shown = new ShownColour(mode, 0, sent::at);
            assertThat(shown.light()
                            .orElseThrow()
                            .chromaticity()
                            .orElseThrow()
                            .differenceTo(answer.shown())
                            .deltaUv())
                    .as("%s at %s", profile, target)
                    .isLessThan(1e-6);
        }
    }

    @Test
    void the_same_question_is_answered_from_memory() {
        Mode mode = Rig.WASH.modes().get(0);
        assertThat(answers.answer(mode, 0, VERDIGRIS).orElseThrow())
                .isSameAs(answers.answer(mode, 0, VERDIGRIS).orElseThrow());
    }
}
