package app.loculus.core.carry;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.carry.BringParts;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of any parts that come from another show. */
class BringPartsLawsTest {

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 10));
    }

    private static BringParts everything(Show from) {
        return new BringParts(
                from,
                new BringParts.Wanted(
                        from.all(PartKinds.PALETTES).keySet(),
                        from.effects().stream().map(e -> e.id()).collect(Collectors.toSet()),
                        from.all(PartKinds.LOOKS).keySet(),
                        from.all(PartKinds.MARKS).keySet(),
                        from.all(PartKinds.NICHE_PAGES).keySet()),
                false,
                Map.of(),
                PictureLikeness.NONE);
    }

    /** A look here by what it was called, or by where it came from: each brings one of its own unless it is equal. */
    private static Map<String, Look> looks(Show show) {
        Map<String, Look> found = new LinkedHashMap<>();
        show.looks().forEach(l -> found.put(l.name(), l));
        return found;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void onto_the_same_rig_they_send_the_same_and_come_once(long seed) {
        Show from = RigLaws.show(seed, 70);
        Show here = RigLaws.sameRig(from);
        Outcome outcome = everything(from).apply(here);
        boolean nothing = from.all(PartKinds.PALETTES).isEmpty()
                && from.all(PartKinds.LOOKS).isEmpty();
        if (nothing) {
            return;
        }
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        Show there = outcome.show();
        for (Palette palette : from.palettes()) {
            Optional<Palette> now = there.palette(palette.kind(), palette.number());
            assertThat(now).as("%s", palette).isPresent();
            for (Fixture f : from.patch().fixtures()) {
                UnitId was = UnitId.whole(f.id());
                UnitId is = UnitId.whole(there.patch().number(f.number()).id());
                var given = from.resolver().giver().give(palette, was);
                var gives = there.resolver().giver().give(now.get(), is);
                assertThat(gives.values()).as("%s on %s", palette, f.number()).isEqualTo(given.values());
            }
        }
        for (Look look : from.looks()) {
            boolean moves = look.moves();
            Look now = looks(there).get(look.name());
            if (!moves
                    && now != null
                    && from.looks().stream()
                                    .filter(l -> l.name().equals(look.name()))
                                    .count()
                            == 1) {
                Frames before = RigLaws.frames(from, look.values());
                Frames after = RigLaws.frames(there, now.values());
                before.universes()
                        .forEach(u -> assertThat(after.slots(u)).as("%s", look).isEqualTo(before.slots(u)));
            }
        }
        Outcome again = everything(from).apply(there);
        assertThat(again.refused()).as("%s", again.words()).isTrue();
        assertThat(again.problems().toString()).contains("has all of that already");
    }

    /** Of this seed two looks have effects of their own that are equal. */
    @Test
    void with_two_effects_that_are_equal_nothing_comes_twice_either() {
        onto_the_same_rig_they_send_the_same_and_come_once(175);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void what_is_there_already_stays_as_it_is(long seed) {
        Show from = RigLaws.show(seed, 70);
        Show here = RigLaws.show(seed + 5000, 70);
        Outcome outcome = everything(from).apply(here);
        if (outcome.refused()) {
            return;
        }
        Set.of(
                        PartKinds.PALETTES,
                        PartKinds.LOOKS,
                        PartKinds.EFFECTS,
                        PartKinds.MARKS,
                        PartKinds.GROUPS,
                        PartKinds.CUES,
                        PartKinds.FIXTURES,
                        PartKinds.VALUES,
                        PartKinds.NICHE_PAGES)
                .forEach(kind -> here.all(kind)
                        .forEach((key, part) ->
                                assertThat(outcome.show().all(kind).get(key)).isEqualTo(part)));
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(here);
    }

    @Test
    void what_a_look_refers_to_comes_along_under_free_numbers() {
        Show from = Rig.show(
                "patch 1 + 2 as \"Wash / extended\" at 1.1",
                "place 1 thru 2 at -3,2,6 thru 3,2,6",
                "mark \"Chair\" at 0, 3, 0",
                "1 + 2 at 50",
                "record position 1 \"Seat\" at mark \"Chair\"",
                "1 + 2 position 1",
                "1 + 2 colour xy 0.4, 0.35",
                "record colour 1 \"Ember\"",
                "1 + 2 colour 1",
                "record look 1 \"Sitting\"");
        Show here = Rig.show(
                "patch 1 + 2 as \"Wash / extended\" at 1.1",
                "place 1 thru 2 at -3,2,6 thru 3,2,6",
                "mark \"Chair\" at 1, 3, 0",
                "1 + 2 colour xy 0.2, 0.3",
                "record colour 1 \"Sea\"",
                "record look 1 \"Sea\"");
        Look look = from.looks().get(0);
        Outcome outcome = new BringParts(
                        from,
                        new BringParts.Wanted(Set.of(), Set.of(), Set.of(look.id()), Set.of(), Set.of()),
                        false,
                        Map.of(),
                        PictureLikeness.NONE)
                .apply(here);
        assertThat(outcome.words().get(0))
                .isEqualTo("Imports 4 parts of “Test”: mark “Chair 2”, position 1 “Seat”, colour 2 “Ember”,"
                        + " look 2 “Sitting”");
        Show there = outcome.show();
        Look now = there.looks().get(1);
        assertThat(now.followed())
                .containsExactlyInAnyOrder(
                        there.palette(app.loculus.core.profile.Kind.POSITION, 1)
                                .orElseThrow()
                                .id(),
                        there.palette(app.loculus.core.profile.Kind.COLOUR, 2)
                                .orElseThrow()
                                .id());
        assertThat(RigLaws.frames(there, now.values()).slots(1))
                .isEqualTo(RigLaws.frames(from, look.values()).slots(1));
    }
}
