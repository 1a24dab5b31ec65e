package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Choosing by number, by place, by group and by what is the case, through the line. */
class ChoosingTest {

    /** Four washes over two rows, a batten, pars that hang nowhere. */
    private static final Show RIG = Rig.after(
            Rig.everyKind(),
            "place 11 at -3, 2, 6",
            "place 12 at 3, 2, 6",
            "place 13 at -1, 5, 7",
            "place 14 at 1, 5.2, 5",
            "hang 11 + 12 on \"Bridge 1\"",
            "hang 13 + 14 on \"Bridge 2\"",
            "purpose 21 thru 22 \"key\"",
            "mark 23 dead",
            "unpatch 31",
            "12 + 14 at 40",
            "clear",
            "51.2 + 51 at 60",
            "clear",
            "21 colour xy 0.2, 0.3",
            "record colour 4 \"Verdigris\"",
            "clear all",
            "12 + 14 at 40",
            "21 colour 4",
            "13 at 41",
            "13 + 12",
            "record group 3 \"Two\"",
            "clear");

    private static String held(Show show, String line) {
        Outcome outcome = Rig.say(show, line);
        return outcome.refused()
                ? outcome.problems().get(0).words()
                : outcome.show().hand().selection().steps().stream()
                        .map(s -> s.units().stream().map(show::label).collect(Collectors.joining("+")))
                        .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\'',
            value = {
                "11 thru 14 every 2 from 2|12 14",
                "14 thru 11|14 13 12 11",
                "51 + 51.1|51",
                "51 - 51.1|51.2+51.3+51.4",
                "51.1 thru 51.3 - 51.2|51.1 51.3",
                "51 cells|51.1 51.2 51.3 51.4",
                "51.3 thru 51.1|51.3 51.2 51.1",
                "11 thru 14 sort by across|11 13 14 12",
                "11 thru 14 sort by along|11 12 13 14",
                "11 thru 14 sort by up|14 11 12 13",
                "11 thru 14 sort by outward|13 14 11 12",
                "11 thru 14 sort by outward from 3, 2|12 14 13 11",
                "14 + 11 + 13 sort by number|11 13 14",
                "11-13|11 12 13",
                "11 thru 14-12|11 13 14",
                "11 - 12|11",
                "23 + 11 + 12 sort by across|11 12 23",
                "11 thru 14 rows|11+12 13+14",
                "11 thru 14 rows within 0.1|11+12 13 14",
                "11 thru 14 columns|11 13 14 12",
                "11 thru 14 columns of 2|11+13 12+14",
                "11 thru 14 diagonal of 2|11 12+13 14",
                "type \"Wash\" & position \"Bridge 2\"|13 14",
                "purpose \"key\"|21 22",
                "universe 1 & type \"Beam\"|41",
                "(11 thru 14 every 2) + 12|11 13 12",
                "11 thru 14 - (position \"Bridge 1\")|13 14",
                "all where lit|12 13 14",
                "11 thru 14 where dark|11",
                "14 thru 11 where at 40|14 12",
                "all where at 40 thru 50|12 13 14",
                "all where active|12 13 14 21",
                "all where dark and active|21",
                "all where uses colour 4|21",
                "all where uses colour \"Verdigris\" or dead|21 23",
                "14 thru 11 where in group 3|13 12",
                "all where unpatched|31",
                "all where dead|23",
                "11 thru 14 where not in \"Two\" and lit|14",
                "11 thru 14 where not (in \"Two\" or lit)|11",
                "all where position \"Bridge 1\" or purpose \"key\"|11 12 21 22",
                "group 3 where lit reverse|12 13",
                "11 thru 14 step 3|13",
                "group 3 + 13|13 12",
                "11 thru 14 part 1 of 2 reverse|12 11",
                "11 thru 14 shuffle seed 7 sort by number|11 12 13 14",
                "11 thru 14 step 9|“step 9” takes nothing: 4 steps are selected.",
                "purpose \"nobody\"|No fixture is for “nobody”.",
                "universe 9|No fixture is in universe 9.",
                "all where at 140|A level is from 0 to 100 percent.",
                "all where in group 9|There is no group 9."
            })
    void a_line_takes_these_in_hand(String line, String units) {
        assertThat(held(RIG, line)).isEqualTo(units);
    }

    /** Palettes of palettes cannot be recorded yet; a file may hold them. */
    @Test
    void who_follows_a_palette_that_follows_another_uses_both() {
        Palette verdigris = RIG.palettes().get(0);
        Attribute red = new Attribute("ColorAdd_R");
        Palette through = new Palette(
                RIG.next(PartKinds.PALETTES),
                verdigris.kind(),
                9,
                "Through",
                Optional.empty(),
                List.of(
                        new Entry(new ScopeKey.Global(), red, AttributeValue.level(0.5), false),
                        new Entry(
                                new ScopeKey.Global(),
                                new Attribute("ColorAdd_G"),
                                new AttributeValue.Reference(verdigris.id()),
                                false)));
        UnitId par = UnitId.whole(RIG.patch().number(22).id());
        ShowEdit follow = draft -> {
            draft.put(through);
            draft.setAll(Map.of(
                    par, new UnitValues(Map.of(red, Touched.byHand(new AttributeValue.Reference(through.id()))))));
        };
        Show show = follow.apply(RIG).show();
        assertThat(held(show, "all where uses colour 9")).isEqualTo("22");
        assertThat(held(show, "all where uses colour 4")).isEqualTo("21 22");
    }

    @Test
    void the_others_are_taken_of_all_or_at_the_same_positions_or_of_the_same_types() {
        assertThat(held(Rig.after(RIG, "12"), "invert within position")).isEqualTo("11");
        assertThat(held(Rig.after(RIG, "12 + 21"), "invert within type")).isEqualTo("11 13 14 22 23");
        assertThat(held(Rig.after(RIG, "51.2 + 1"), "invert within type")).isEqualTo("51.1+51.3+51.4");
        assertThat(held(Rig.after(RIG, "all - 61"), "invert")).isEqualTo("61");
        assertThat(held(RIG, "invert")).startsWith("Nothing is selected");
    }

    @Test
    void a_range_of_cells_runs_backwards_through_every_fixture() {
        Show two = Rig.after(RIG, "patch 52 as \"Batten / cells\" at 3.1");
        assertThat(held(two, "52.2 thru 51.3")).isEqualTo("52.2 52.1 51.4 51.3");
        assertThat(held(two, "51.3 thru 52.2")).isEqualTo("51.3 51.4 52.1 52.2");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\'',
            value = {
                "type \"Wash\" & position \"Bridge 2\" every 2",
                "all where lit and not (dead or unpatched)",
                "(11 thru 14 sort by outward) - 12",
                "group \"Two\" where uses colour \"Verdigris\" or at 40 thru 50",
                "51.1 + 51.3 + 11 thru 12"
            })
    void how_it_was_asked_for_is_written_so_that_it_can_be_read_again(String line) {
        Show asked = Rig.after(RIG, line);
        String words = asked.words(asked.hand().asking());
        assertThat(words).isEqualTo(line);
        assertThat(Rig.after(RIG, words).hand()).isEqualTo(asked.hand());
    }

    @Test
    void the_layer_that_holds_the_light_is_known() {
        var lit = Rig.after(RIG, "11", "highlight on");
        var lights = lit.lights();
        assertThat(held(lit, "all where lit")).startsWith("11 12");
        assertThat(Rig.say(lit, "all where lit").words())
                .containsExactly("Selects 4 units", "Lit by highlight (1), programmer (3)");
        assertThat(held(Rig.after(RIG, "14 thru 11"), "hand where at 30 thru 50"))
                .isEqualTo("14 13 12");
        assertThat(lights.holder(lit.hand().selection().units().get(0))).isEqualTo("highlight");
        assertThat(lights.holder(Rig.after(RIG, "12").hand().selection().units().get(0)))
                .isEqualTo("programmer");
        assertThat(lights.holder(Rig.after(RIG, "22").hand().selection().units().get(0)))
                .isEqualTo("home");
    }

    @Test
    void a_cell_is_as_bright_as_all_dimmers_around_it_let_it_be() {
        Show dimmed = Rig.after(RIG, "51 dimmer at 50", "51.2 dimmer at 80", "clear");
        assertThat(held(dimmed, "51 cells")).isNotEmpty();
        assertThat(held(dimmed, "51.1 thru 51.4 where at 40")).isEqualTo("51.2");
        assertThat(held(dimmed, "51 where at 50")).isEqualTo("51");
    }
}
