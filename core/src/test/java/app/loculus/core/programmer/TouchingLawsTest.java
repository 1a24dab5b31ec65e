package app.loculus.core.programmer;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.palette.Shelf;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds for any attribute of any fixture, set to anything. */
class TouchingLawsTest {

    private record Setting(UnitId unit, Attribute attribute, double level) {}

    private static List<Setting> settings(Show show, Random random) {
        List<Setting> all = new ArrayList<>();
        for (Fixture fixture : show.patch().fixtures()) {
            Mode mode = show.patch().modeOf(fixture);
            for (int cell = 0; cell <= mode.cells(); cell++) {
                for (Attribute attribute : mode.parameters(cell).keySet()) {
                    all.add(new Setting(new UnitId(fixture.id(), cell), attribute, random.nextInt(101) / 100.0));
                }
            }
        }
        java.util.Collections.shuffle(all, random);
        return all;
    }

    private static Programmer set(Show show, Programmer programmer, Setting s) {
        Touching touching = new Touching(show.patch(), programmer, now(show, programmer));
        assertThat(touching.set(s.unit, s.attribute, AttributeValue.level(s.level)))
                .isTrue();
        return programmer.with(touching.changed());
    }

    private static Touching.Now now(Show show, Programmer programmer) {
        Resolver resolver =
                new Resolver(Scene.of(show.patch(), Shelf.EMPTY, programmer, HighlightLook.PROFILES, show.answers()));
        return new Touching.Now() {
            @Override
            public FunctionValue at(Fixture fixture, int channel) {
                return resolver.resolve(fixture).get(channel).place();
            }

            @Override
            public Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value) {
                return Optional.of(value);
            }
        };
    }

    private static Mode mode(Show show, UnitId unit) {
        return show.patch().modeOf(show.patch().get(unit.fixture()));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void what_was_set_last_is_what_is_held_and_touched(long seed) {
        Show show = Rig.everyKind();
        Programmer programmer = Programmer.EMPTY;
        for (Setting s : settings(show, new Random(seed))) {
            programmer = set(show, programmer, s);
            Touched held = programmer.of(s.unit).get(s.attribute).orElseThrow();
            assertThat(held.value()).isEqualTo(AttributeValue.level(s.level));
            assertThat(held.touched()).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {4, 5, 6})
    void a_touched_mix_is_always_whole(long seed) {
        Show show = Rig.everyKind();
        Programmer programmer = Programmer.EMPTY;
        for (Setting s : settings(show, new Random(seed))) {
            programmer = set(show, programmer, s);
            Map<Attribute, Touched> held = programmer.of(s.unit).byAttribute();
            long additive = mode(show, s.unit).parameters(s.unit.cell()).keySet().stream()
                    .filter(Attribute::isVisibleAdditive)
                    .count();
            long touched =
                    held.keySet().stream().filter(Attribute::isVisibleAdditive).count();
            assertThat(touched).as("%s", s).isIn(0L, additive);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 8, 9})
    void what_needs_a_mode_works_right_after_it_was_set(long seed) {
        Show show = Rig.everyKind();
        Programmer programmer = Programmer.EMPTY;
        for (Setting s : settings(show, new Random(seed))) {
            programmer = set(show, programmer, s);
            Parameter parameter =
                    mode(show, s.unit).parameter(s.unit.cell(), s.attribute).orElseThrow();
            Programmer now = programmer;
            parameter.function().master().ifPresent(master -> {
                int channel = mode(show, s.unit).masterOf(s.unit.cell(), master);
                long sent = now(show, now)
                        .at(show.patch().get(s.unit.fixture()), channel)
                        .dmx();
                assertThat(sent).isBetween(master.from(), master.to());
                UnitId home = new UnitId(
                        s.unit.fixture(),
                        mode(show, s.unit).channels().get(channel).cell());
                assertThat(now.of(home).get(mode(show, home).calledBy(channel, sent)))
                        .isPresent();
            });
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "colour", "position", "intensity"})
    void home_brings_every_channel_of_the_kind_back_to_where_the_profile_has_it(String kind) {
        Show set = Rig.after(
                Rig.everyKind(),
                "all at 37 colour xy 0.3, 0.3",
                "11 thru 14 pan at 50 tilt at -20 zoom at 9 deg",
                "all");
        Show home = Rig.after(set, "home " + kind);
        for (Fixture fixture : home.patch().fixtures()) {
            List<Resolved> channels = home.resolver().resolve(fixture);
            List<Resolved> untouched = Rig.everyKind().resolver().resolve(fixture);
            for (int i = 0; i < channels.size(); i++) {
                String of = home.patch()
                        .profileOf(fixture)
                        .kindOf(channels.get(i).function().attribute())
                        .word();
                if (kind.isEmpty() || of.equals(kind)) {
                    assertThat(channels.get(i).fraction())
                            .as("%s of %s", channels.get(i).function().name(), fixture.name())
                            .isEqualTo(untouched.get(i).fraction());
                }
            }
        }
    }
}
