package app.loculus.core.carry;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.carry.MoveToRig;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of any show that is moved to another rig. */
class MoveToRigLawsTest {

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 10));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void to_an_identical_rig_everything_carries_and_no_octet_differs(long seed) {
        Show show = RigLaws.show(seed, 70);
        MoveToRig.Moved moved = RigLaws.moved(show, RigLaws.sameRig(show));
        Show there = moved.show();
        RigLaws.states(show).forEach((called, values) -> {
            Frames before = RigLaws.frames(show, values);
            Frames after = RigLaws.frames(there, RigLaws.states(there).get(called));
            before.universes()
                    .forEach(u -> assertThat(after.slots(u))
                            .as("%s, universe %s", called, u)
                            .isEqualTo(before.slots(u)));
        });
        for (Palette palette : show.palettes()) {
            Palette now = there.palette(palette.id()).orElseThrow();
            for (Fixture f : show.patch().fixtures()) {
                for (int cell = 0; cell <= show.patch().modeOf(f).cells(); cell++) {
                    Given before = show.resolver().giver().give(palette, new UnitId(f.id(), cell));
                    Given after = there.resolver().giver().give(now, new UnitId(f.id(), cell));
                    assertThat(after)
                            .as("%s on %s.%s", palette, f.number(), cell)
                            .isEqualTo(before);
                }
            }
        }
        for (Group group : show.groups()) {
            if (!group.content().choice().changesWithLight()) {
                assertThat(there.units(there.group(group.id()).orElseThrow()).units())
                        .as("%s", group)
                        .containsExactlyElementsOf(show.units(group).units());
            }
        }
        assertThat(moved.report().fates().stream().filter(f -> f.worst() != Verdict.CARRIES))
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void on_a_rig_of_which_half_is_of_other_types_every_look_is_lit(long seed) {
        Show show = RigLaws.show(seed, 70);
        List<Profile> types =
                List.of(Rig.WASH, Rig.SPOT, RigLaws.DARK, Rig.BATTEN, Rig.BEAM, Rig.PANEL, Rig.DIMMER, Rig.TWIN);
        Show rig = RigLaws.otherRig(show, types.subList((int) (seed % 6), types.size()));
        Pairing pairing = Pairer.of(show.patch(), rig.patch(), List.of());
        Show there = RigLaws.moved(show, rig).show();
        RigLaws.states(show).forEach((called, values) -> {
            Map<UnitId, UnitValues> now = RigLaws.states(there).get(called);
            Frames before = RigLaws.frames(show, values);
            Frames after = RigLaws.frames(there, now);
            for (Fixture f : show.patch().fixtures()) {
                boolean set = values.keySet().stream().anyMatch(u -> u.fixture().equals(f.id()));
                boolean own = show.patch().clashes().stream()
                        .noneMatch(c -> c.numbers().contains(f.number()));
                // Of a curtain only the cells are simulated, its own white is not.
                boolean curtain = show.patch().profileOf(f).equals(Rig.CURTAIN);
                if (f.patched() && own && set && !curtain && RigLaws.lit(RigLaws.light(show, f, before))) {
                    List<Fixture> standing = pairing.inPlaceOf(f.id()).stream()
                            .map(id -> there.patch().number(rig.patch().get(id).number()))
                            .toList();
                    boolean moving = standing.stream().anyMatch(s -> moved(now, s.id())) || moved(values, f.id());
                    boolean black = standing.stream().anyMatch(s -> recordedBlack(show, now, s));
                    assertThat(moving
                                    || black
                                    || standing.stream().anyMatch(s -> RigLaws.lit(RigLaws.light(there, s, after))))
                            .as(
                                    "%s, %s %s: %s; there %s",
                                    called,
                                    show.patch().profileOf(f),
                                    f.number(),
                                    own(values, f.id()),
                                    standing.stream()
                                            .map(s -> there.patch().profileOf(s) + " " + own(now, s.id()))
                                            .toList())
                            .isTrue();
                }
            }
        });
    }

    /** An effect may be dark at any moment. */
    private static boolean moved(Map<UnitId, UnitValues> values, FixtureId id) {
        return values.entrySet().stream()
                .anyMatch(e -> e.getKey().fixture().equals(id) && e.getValue().moves());
    }

    /** A palette that it now follows held black for its type before, because somebody recorded that. */
    private static boolean recordedBlack(Show before, Map<UnitId, UnitValues> now, Fixture standing) {
        return now.entrySet().stream()
                .filter(e -> e.getKey().fixture().equals(standing.id()))
                .flatMap(e -> e.getValue().byAttribute().values().stream())
                .flatMap(t -> t.value() instanceof AttributeValue.Reference r ? Stream.of(r.palette()) : Stream.empty())
                .distinct()
                .map(id -> before.palette(id).orElseThrow())
                .map(p -> p.entries().stream()
                        .filter(e -> e.scope().equals(new ScopeKey.Type(standing.profile())))
                        .filter(e -> e.attribute().name().startsWith("ColorAdd_"))
                        .toList())
                .anyMatch(mix -> !mix.isEmpty()
                        && mix.stream().allMatch(e -> e.value().equals(new AttributeValue.Level(Fraction.ZERO))));
    }

    private static String own(Map<UnitId, UnitValues> values, FixtureId id) {
        StringBuilder text = new StringBuilder();
        values.forEach((u, v) -> {
            if (u.fixture().equals(id)) {
                text.append(u).append(' ');
                v.byAttribute()
                        .forEach((a, t) ->
                                text.append(a).append('=').append(t.value()).append(' '));
            }
        });
        return text.toString();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void heads_that_stand_for_others_are_on_their_marks(long seed) {
        Show show = RigLaws.show(seed, 70);
        Show rig = RigLaws.otherRig(show, List.of(Rig.WASH, Rig.BEAM));
        Show there = RigLaws.moved(show, rig).show();
        there.palettes().stream().filter(p -> p.aim().isPresent()).forEach(p -> {
            var mark = there.mark(p.aim().get()).orElseThrow();
            for (Fixture f : there.patch().fixtures()) {
                Given given = there.resolver().giver().give(p, UnitId.whole(f.id()));
                // What was pointed elsewhere by hand stays so.
                boolean byHand = show.patch()
                        .numbered(f.number())
                        .map(o -> show.resolver()
                                .giver()
                                .give(show.palette(p.id()).orElseThrow(), UnitId.whole(o.id())))
                        .filter(g -> g.words().equals("own values"))
                        .isPresent();
                if (given.follow() && !byHand && !given.outOfReach() && f.pose().isPresent()) {
                    Show set = Rig.after(
                            there, "clear all", f.number() + " " + p.kind().word() + " " + p.number());
                    Frames frames = new FrameRenderer().render(set.scene().withoutHighlight());
                    CellLight light = RigLaws.light(there, f, frames).get(0);
                    var pose = f.pose().get();
                    var beam = pose.beam(light.panDegrees(), light.tiltDegrees());
                    var to = mark.at().minus(pose.place());
                    double miss = to.minus(beam.times(to.dot(beam))).length();
                    assertThat(miss)
                            .as("%s by %s: %s, %s", p, f.number(), given, light)
                            .isLessThan(0.05);
                }
            }
        });
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void colours_that_a_mix_reaches_are_matched(long seed) {
        Show show = RigLaws.show(seed, 70);
        Show rig = RigLaws.otherRig(show, List.of(Rig.WASH, RigLaws.DARK));
        Pairing pairing = Pairer.of(show.patch(), rig.patch(), List.of());
        Show there = RigLaws.moved(show, rig).show();
        show.palettes().stream().filter(p -> p.kind() == Kind.COLOUR).forEach(p -> {
            for (Pair pair : pairing.pairs()) {
                Fixture was = show.patch().get(pair.was());
                Fixture is = there.patch().number(rig.patch().get(pair.is()).number());
                boolean alone = pairing.partsOf(pair.is()).size() == 1;
                if (alone
                        && !is.profile().equals(was.profile())
                        && show.patch().modeOf(was).cells() == 0
                        && was.patched()) {
                    matches(show, was, there, is, p);
                }
            }
        });
    }

    private static void matches(Show show, Fixture was, Show there, Fixture is, Palette palette) {
        Optional<Chromaticity> before = hue(show, was, palette);
        Optional<Chromaticity> after = hue(there, is, palette);
        Optional<Chromaticity> wanted = palette.intent().or(() -> before);
        // A type that the palette knew already keeps what was made for it.
        boolean known = palette.scopes().stream()
                .anyMatch(s -> s.ownProfile().filter(is.profile()::equals).isPresent());
        if (!known
                && before.isPresent()
                && wanted.filter(MoveToRigLawsTest::reached).isPresent()) {
            assertThat(after).as("%s on %s: it follows", palette, is.number()).isPresent();
            // What it was recorded as for a type may be another colour than it stands for.
            double off = Math.min(
                    after.get().differenceTo(wanted.get()).deltaUv(),
                    after.get().differenceTo(before.get()).deltaUv());
            assertThat(off).as("%s on %s", palette, is.number()).isLessThan(0.006);
        }
    }

    /** What is seen of a palette, by what goes out; empty where it is dark or nothing follows. */
    private static Optional<Chromaticity> hue(Show show, Fixture fixture, Palette palette) {
        Palette own = show.palette(palette.id()).orElseThrow();
        if (!show.resolver().giver().give(own, UnitId.whole(fixture.id())).follow()) {
            return Optional.empty();
        }
        Show set = Rig.after(show, "clear all", fixture.number() + " colour " + palette.number());
        Frames frames = new FrameRenderer().render(set.scene().withoutHighlight());
        return RigLaws.light(set, fixture, frames).get(0).hue().chromaticity();
    }

    /** Well inside the triangle of red, green and blue, where eight bits are fine enough. */
    private static boolean reached(Chromaticity c) {
        List<Chromaticity> corners = Rig.RGBW.subList(0, 3).stream()
                .map(e -> e.full().chromaticity().orElseThrow())
                .toList();
        for (int i = 0; i < 3; i++) {
            Chromaticity a = corners.get(i);
            Chromaticity b = corners.get((i + 1) % 3);
            double side = (b.u() - a.u()) * (c.v() - a.v()) - (b.v() - a.v()) * (c.u() - a.u());
            double third = (b.u() - a.u()) * (corners.get((i + 2) % 3).v() - a.v())
                    - (b.v() - a.v()) * (corners.get((i + 2) % 3).u() - a.u());
            if (side / third < 0.05) {
                return false;
            }
        }
        return true;
    }
}
