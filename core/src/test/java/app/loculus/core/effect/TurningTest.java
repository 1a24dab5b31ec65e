package app.loculus.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** How far an effect has turned, however often its rate becomes another one. */
class TurningTest {

    private static final EffectId ID = new EffectId(1);

    private static Effect effect(double rate) {
        return new Effect(ID, Optional.of(1), "Swell", List.of(), rate, Along.ALIKE);
    }

    private static Use use(Optional<Double> rate) {
        return new Use(ID, 0, 1, rate, Optional.empty());
    }

    @Test
    void thousands_of_changes_make_no_jump_and_add_up() {
        Random random = new Random(41);
        Map<EffectId, Turning> turnings = Beats.following(Map.of(), Map.of(ID, effect(30)), 0);
        double rate = 30;
        double turned = 0;
        long now = 0;
        for (int i = 0; i < 2000; i++) {
            long later = now + random.nextInt(400_000);
            turned += rate * (later - now) / 60_000_000;
            now = later;
            double before = new Beats(now, turnings).turns(effect(rate), use(Optional.empty()), 0);
            assertThat(before).as("what it has turned, change " + i).isCloseTo(turned, within(1e-6));
            rate = random.nextInt(600);
            turnings = Beats.following(turnings, Map.of(ID, effect(rate)), now);
            assertThat(new Beats(now, turnings).turns(effect(rate), use(Optional.empty()), 0))
                    .as("no jump, change " + i)
                    .isCloseTo(before, within(1e-9));
        }
    }

    @Test
    void a_rate_of_its_own_counts_from_when_it_was_started() {
        Beats beats = new Beats(90_000_000, Map.of(ID, Turning.of(600)));
        assertThat(beats.turns(effect(600), use(Optional.of(60.0)), 60_000_000)).isEqualTo(30);
        assertThat(beats.turns(effect(600), use(Optional.empty()), 60_000_000)).isEqualTo(300);
    }

    @Test
    void nothing_new_is_the_same_again() {
        Map<EffectId, Turning> first = Beats.following(Map.of(), Map.of(ID, effect(30)), 5);
        assertThat(Beats.following(first, Map.of(ID, effect(30)), 9)).isSameAs(first);
        assertThat(Beats.following(first, Map.of(), 9)).isEmpty();
    }
}
