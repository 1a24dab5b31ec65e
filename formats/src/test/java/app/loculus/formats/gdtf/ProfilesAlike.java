package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import java.util.Comparator;

/** Holds two profiles against each other by everything the core knows of them. */
final class ProfilesAlike {

    private ProfilesAlike() {}

    static void check(Profile one, Profile other) {
        assertThat(other.maker()).isEqualTo(one.maker());
        assertThat(other.name()).isEqualTo(one.name());
        assertThat(other.facts().weightKg()).isEqualTo(one.facts().weightKg());
        assertThat(other.attributes())
                .usingElementComparator(Comparator.comparing(AttributeDefinition::toString))
                .containsAll(one.attributes());
        assertThat(other.wheels()).hasSameSizeAs(one.wheels());
        for (int i = 0; i < one.wheels().size(); i++) {
            wheels(one.wheels().get(i), other.wheels().get(i));
        }
        assertThat(other.modes())
                .extracting(Mode::name)
                .isEqualTo(one.modes().stream().map(Mode::name).toList());
        one.modes().forEach(m -> modes(m, other.mode(m.name())));
    }

    private static void wheels(Wheel one, Wheel other) {
        assertThat(other.slots()).hasSameSizeAs(one.slots());
        for (int i = 0; i < one.slots().size(); i++) {
            WheelSlot a = one.slots().get(i);
            WheelSlot b = other.slots().get(i);
            assertThat(b.name()).isEqualTo(a.name());
            assertThat(b.picture()).isEqualTo(a.picture());
            assertThat(b.facets()).isEqualTo(a.facets());
            assertThat(b.colour().isPresent()).isEqualTo(a.colour().isPresent());
            a.colour().ifPresent(c -> assertThat(b.colour().get().x()).isCloseTo(c.x(), within(2e-4)));
        }
    }

    private static void modes(Mode one, Mode other) {
        assertThat(other.channels()).containsExactlyInAnyOrderElementsOf(one.channels());
        assertThat(other.cells()).isEqualTo(one.cells());
        assertThat(other.footprint()).isEqualTo(one.footprint());
        assertThat(other.beam()).isEqualTo(one.beam());
        assertThat(other.relations()).isEqualTo(one.relations());
        one.emitters()
                .forEach((a, light) -> assertThat(other.emitters().get(a).y()).isCloseTo(light.y(), within(2e-4)));
    }
}
