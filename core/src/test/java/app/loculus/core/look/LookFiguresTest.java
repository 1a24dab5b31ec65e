package app.loculus.core.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Seconds;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LookFiguresTest {

    private static double fade(double a, double b, double elapsed, double wait, double time) {
        return Fade.between(a, b, Fade.share(elapsed, wait, time));
    }

    @Test
    void a_fade_of_four_seconds_and_one_that_interrupts_it() {
        assertThat(fade(100, 40, 1, 0, 4)).isCloseTo(85, within(1e-9));
        assertThat(fade(100, 40, 2, 0, 4)).isCloseTo(70, within(1e-9));
        assertThat(fade(70, 80, 1.5, 0, 3)).isCloseTo(75, within(1e-9));
        assertThat(fade(100, 40, .5, 1, 4)).as("it waits").isEqualTo(100);
        assertThat(fade(100, 40, 5, 1, 4)).as("its end is exact").isEqualTo(40);
        assertThat(fade(100, 40, 0, 0, 0)).as("no time is at once").isEqualTo(40);
    }

    @Test
    void of_four_steps_at_sixty_a_minute_step_three_is_half_in_over_step_two() {
        Tempo tempo = Tempo.USUAL;
        double s = tempo.rate() * 2.25 / 60;
        assertThat(new Round(4, tempo.direction(), 1).step((long) s) + 1).isEqualTo(3);
        assertThat(tempo.share(s)).isCloseTo(.5, within(1e-9));
        assertThat(tempo.crossfade(Fraction.ZERO).share(2)).as("at once").isEqualTo(1);
    }

    @Test
    void bounce_goes_to_and_fro() {
        Round round = new Round(4, Tempo.Direction.BOUNCE, 1);
        assertThat(LongStream.range(0, 8).mapToInt(round::step).map(i -> i + 1))
                .containsExactly(1, 2, 3, 4, 3, 2, 1, 2);
        assertThat(LongStream.range(0, 4).mapToInt(new Round(4, Tempo.Direction.BACKWARDS, 1)::step))
                .containsExactly(3, 2, 1, 0);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void random_visits_all_in_each_cycle_and_none_twice_running(int seed) {
        for (int steps = 2; steps < 9; steps++) {
            Round round = new Round(steps, Tempo.Direction.RANDOM, seed);
            for (int cycle = 0; cycle < 200; cycle++) {
                Set<Integer> seen = new HashSet<>();
                for (int i = 0; i < steps; i++) {
                    long k = (long) cycle * steps + i;
                    seen.add(round.step(k));
                    assertThat(k == 0 || round.step(k) != round.step(k - 1))
                            .as("%s steps, place %s", steps, k)
                            .isTrue();
                }
                assertThat(seen).hasSize(steps);
            }
        }
        assertThat(new Round(1, Tempo.Direction.RANDOM, seed).step(17)).isZero();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void every_step_is_found_again_from_any_place(int seed) {
        for (Tempo.Direction direction : Tempo.Direction.values()) {
            Round round = new Round(5, direction, seed);
            for (int step = 0; step < 5; step++) {
                long when = round.when(step, 37);
                assertThat(round.step(when)).isEqualTo(step);
                assertThat(when).isBetween(37L, 37L + 10);
            }
        }
    }

    @Test
    void taps_give_the_median_of_the_last_four_gaps() {
        assertThat(taps(0, .5, 1.02, 1.5, 2.01).rate().orElseThrow()).isCloseTo(118.8, within(.05));
        assertThat(taps(0).rate()).isEmpty();
        assertThat(taps(0, .5, 4).rate())
                .as("a gap of more than three seconds starts anew")
                .isEmpty();
        assertThat(taps(0, 10, 10.6, 11.2).rate().orElseThrow()).isCloseTo(100, within(1e-6));
    }

    private static Taps taps(double... seconds) {
        Taps taps = Taps.NONE;
        for (double s : seconds) {
            taps = taps.tapped(Math.round(s * 1_000_000));
        }
        return taps;
    }

    @ParameterizedTest
    @CsvSource({
        "1,2,1.5",
        "1,'',2",
        "'',1,0.5",
        "3.5,3.6,3.55",
        "1,1.001,''",
        "1,1.002,1.001",
        "'','',1",
        "2.5,'',3",
        "1,10,6"
    })
    void a_number_between_two_is_as_round_as_can_be(String before, String after, String expected) {
        Optional<CueNumber> low = Optional.of(before).filter(s -> !s.isEmpty()).map(CueNumber::parse);
        Optional<CueNumber> high = Optional.of(after).filter(s -> !s.isEmpty()).map(CueNumber::parse);
        assertThat(CueNumber.between(low, high).map(CueNumber::toString).orElse(""))
                .isEqualTo(expected);
    }

    @Test
    void numbers_of_cues_have_three_places_and_times_are_typed_as_people_do() {
        assertThat(CueNumber.parse("9999.999").toString()).isEqualTo("9999.999");
        for (String wrong : List.of("0", "10000", "1.2345", "-1", "x", "1e3", "9e99")) {
            assertThatThrownBy(() -> CueNumber.parse(wrong)).as(wrong).isInstanceOf(Refusal.class);
        }
        assertThat(Arrays.asList("4", "0.5 s", "1:30", "0").stream()
                        .map(t -> Seconds.parse(t).value()))
                .containsExactly(4.0, .5, 90.0, 0.0);
        for (String wrong : List.of("-1", "x", "86401", "1:75", "NaN", "Infinity")) {
            assertThatThrownBy(() -> Seconds.parse(wrong)).as(wrong).isInstanceOf(Refusal.class);
        }
    }

    @Test
    void a_time_that_is_not_given_is_that_of_the_palette_or_of_what_rises() {
        Timing timing = Timing.CUT.in(Optional.of(Seconds.of(3)));
        Optional<Seconds> own = Optional.of(Seconds.of(7));
        assertThat(timing.intensity(false, own)).as("out as in").isEqualTo(Seconds.of(3));
        assertThat(timing.other(own)).as("a palette's own time").isEqualTo(Seconds.of(7));
        assertThat(timing.rest(Optional.of(Seconds.of(1))).other(own)).isEqualTo(Seconds.of(1));
        assertThat(timing.other(Optional.empty())).isEqualTo(Seconds.of(3));
        assertThat(Timing.CUT.intensity(true, own)).isEqualTo(Seconds.of(7));
        assertThat(timing.delay(Seconds.of(2)).length()).isEqualTo(Seconds.of(5));
    }
}
