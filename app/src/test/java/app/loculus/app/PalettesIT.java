package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Palettes and values on the bench, from the pages. */
class PalettesIT extends InBrowser {

    private static final String PATCH = "patch 1 thru 4 as \"Skiff Wash / extended\" at 1.1\n"
            + "patch 11 as \"Fathom Profile / standard\" at 1.101\npatch 12 as \"Lantern Beam / 16-slot\" at 1.201\n"
            + "patch 13 as \"House Dimmer\" at 1.301\npatch 14 as \"Gull Panel / 8-slot\" at 1.311\n"
            + "1 thru 4 at full colour xy 0.25, 0.39\nrecord colour 1 \"Verdigris\" global\nclear all";

    @BeforeEach
    void aShowWithOneColour() {
        freshShow("Palettes", PATCH, "/palettes");
        assertThat(niche("1 Verdigris")).isVisible();
    }

    private static Locator niche(String start) {
        return page.getByLabel(Pattern.compile("^" + start));
    }

    private static Locator kind(String name) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Kind of value"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator scope(String name) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Scope"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(name));
    }

    @Test
    void the_ledge_tells_who_in_hand_follows() {
        Locator ledge = page.locator(".ledge[data-follow]").first();
        line("1 thru 4");
        assertThat(ledge).hasAttribute("data-follow", "all");
        line("1 + 13");
        assertThat(ledge).hasAttribute("data-follow", "some");
        line("13");
        assertThat(ledge).hasAttribute("data-follow", "none");
        niche("1 Verdigris").click();
        assertThat(page.getByText("House Dimmer has neither mix nor wheel").first())
                .isVisible();
    }

    private static Locator changes(String kindAndNumber) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What becomes of " + kindAndNumber));
    }

    @Test
    void the_target_and_all_that_changes_are_seen_before_it_is_pressed() {
        line("11 colour xy 0.5, 0.4");
        assertThat(changes("colour 2").getByRole(AriaRole.IMG, img("not there yet")))
                .isVisible();
        page.getByLabel("Palette number").fill("1");
        assertThat(page.getByLabel("Palette name")).hasAttribute("placeholder", "Verdigris");
        assertThat(changes("colour 1").getByRole(AriaRole.IMG, img("Verdigris")))
                .hasCount(2);
        onto("Replace").click();
        assertThat(changes("colour 1").getByText("removed")).isHidden();
        assertThat(changes("colour 1").getByLabel("removed")).hasCount(4);
        page.getByLabel("Palette number").fill("3");
        assertThat(changes("colour 3").getByLabel("removed")).hasCount(0);
        page.getByLabel("Palette number").fill("1");
        onto("Merge").click();
        scope("Type").click();
        assertThat(changes("colour 1").getByLabel("added")).hasCount(4);
        assertThat(page.getByText(Pattern.compile("Still stands for x 0.25 y 0.39")))
                .isVisible();
        button("^Merge$").click();
        line("1 + 11");
        niche("1 Verdigris").hover();
        assertThat(page.getByRole(
                        AriaRole.ROW,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Fathom Profile its type's values"))))
                .isVisible();
        assertThat(page.getByRole(
                        AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Skiff Wash global values"))))
                .isVisible();
    }

    private static Locator.GetByRoleOptions img(String name) {
        return new Locator.GetByRoleOptions().setName(name);
    }

    private static Locator onto(String name) {
        return page.getByRole(
                        AriaRole.RADIOGROUP,
                        new Page.GetByRoleOptions().setName("What becomes of the palette that is there"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(name));
    }

    /** Five ways to make a colour: RGBW, flags, a wheel, whites or colours by a mode, and RGB with a virtual dimmer. */
    @Test
    void one_colour_over_five_systems_corrected_by_eye_and_right_after_a_restart() {
        line("patch 15 as \"Ember Par / 6-slot\" at 1.401");
        line("1 + 11 thru 15 at full colour 1");
        kind("Colour").click();
        line("14");
        button("Match by eye").click();
        page.getByLabel("Number of the reference fixture").fill("1");
        assertThat(page.getByRole(
                        AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Gull Panel 1 Δ 0"))))
                .isVisible();
        button("redder").click();
        assertThat(page.getByRole(
                        AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Gull Panel 1 Δ 0.00[12]"))))
                .isVisible();
        line("record colour 1 merge");
        line("clear all");
        until(() -> rig(14, "intensity") == 0);
        app.kill();
        app.start();
        page.navigate(app.url() + "/palettes");
        assertThat(niche("1 Verdigris")).isVisible();
        line("1 + 11 + 12 + 14 + 15 at full colour 1");
        for (int number : new int[] {1, 11, 14, 15}) {
            until(() -> rig(number, "intensity") > 0.99);
            assertThat(Math.abs(rig(number, "colour.y") - 0.39))
                    .as("fixture %d", number)
                    .isLessThan(0.012);
        }
        assertThat(rig(14, "colour.x")).as("the panel, redder by a step").isGreaterThan(0.25);
        assertThat(rig(12, "intensity"))
                .as("the wheel shows what comes nearest")
                .isGreaterThan(0.99);
    }

    @Test
    void a_mark_moves_and_three_positions_that_stand_on_it_follow() {
        line("place 1 thru 4 at -3,2,6 thru 3,2,6");
        line("mark \"Slip foot\" at 0, 3, 0");
        line("1 thru 4");
        for (int n = 1; n <= 3; n++) {
            line("record position at mark \"Slip foot\"");
        }
        line("position 2");
        until(() -> rig(1, "tilt") > 20);
        double before = rig(1, "pan");
        line("move mark \"Slip foot\" by 2, 0, 0");
        until(() -> Math.abs(rig(1, "pan") - before) > 1);
        double tilt = Math.toRadians(rig(1, "tilt"));
        double pan = Math.toRadians(rig(1, "pan"));
        double down = 6 / Math.cos(tilt);
        assertThat(-3 - Math.sin(pan) * Math.sin(tilt) * down)
                .as("it lands at x")
                .isCloseTo(2, within(0.02));
        assertThat(2 + Math.cos(pan) * Math.sin(tilt) * down).as("and y").isCloseTo(3, within(0.02));
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Position ?3")))
                .click();
        niche("3 Slip foot").hover();
        assertThat(page.getByText("aimed at “Slip foot”").first()).isVisible();
    }

    @Test
    void gaps_are_found_and_filled_until_there_is_none() {
        line("patch 16 as \"Skiff Wash / basic\" at 1.421");
        line("11 Color1 at \"Jade\"");
        line("record combined 1 \"Jade wheel\" per type");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Coverage"))
                .click();
        assertThat(page.getByText("1 misses a type · 1 gap")).isVisible();
        button("Next gap").first().click();
        assertThat(page.getByText("nothing recorded fits Lantern Beam")).isVisible();
        button("Select").click();
        line("Color1 at \"Jade\"");
        button("Merge what is set").click();
        assertThat(page.getByText("No gap")).isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByText("1 misses a type · 1 gap")).isVisible();
    }

    @Test
    void starter_palettes_are_ticked_and_a_second_run_adds_only_what_is_new() {
        button("Starter palettes").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("Colours", new Locator.GetByLabelOptions().setExact(true))
                .uncheck();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Record \\d+")))
                .click();
        assertThat(niche("2 White 1900 K")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Intensity ?6")))
                .click();
        assertThat(niche("6 Full")).isVisible();
        button("Starter palettes").click();
        assertThat(dialog.getByText("0 of 6")).isVisible();
        assertThat(dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record 25 palettes")))
                .isVisible();
    }

    @Test
    void values_are_changed_spread_let_go_of_and_left_out_in_their_table() {
        line("1 thru 4");
        button("^Table$").click();
        Locator dialog = page.getByLabel("Bench");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Zoom"))
                .click();
        page.keyboard().type("10 deg");
        page.keyboard().press("Enter");
        assertThat(dialog.getByLabel("Release Zoom of 4")).isVisible();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Dimmer"))
                .click();
        page.keyboard().type("20 thru 80");
        page.keyboard().press("Enter");
        until(() -> Math.abs(rig(4, "intensity") - 0.8) < 0.01);
        dialog.getByLabel("Release Zoom of 4").click();
        assertThat(dialog.getByLabel("Release Zoom of 4")).hasCount(0);
        dialog.getByLabel("Record Zoom").click();
        button("^Values$").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Combined")))
                .click();
        assertThat(page.getByText("leaves Zoom out")).isVisible();
        assertThat(changes("combined 1").getByText("Zoom")).hasCount(0);
        button("leaves Zoom out").click();
        assertThat(changes("combined 1").getByText("Zoom").first()).isVisible();
    }

    @Test
    void a_scope_that_the_values_do_not_support_is_refused_in_words() {
        line("1 thru 4 red at 10 thru 90");
        scope("Global").click();
        assertThat(page.getByText("ColorAdd_R differs between 1, 2, 3, 4, so it cannot be recorded global."))
                .isVisible();
        scope("Auto").click();
        assertThat(page.getByText(Pattern.compile("Records colour 2 “Colour 2”, per fixture \\(.*, from 4 units")))
                .isVisible();
    }

    @Test
    void a_wheel_left_out_is_said_and_closed_on_request() {
        line("11 cyan at 60");
        assertThat(page.getByText("The colour wheel of Fathom Profile is left out and would stack on the mix."))
                .isVisible();
        page.getByLabel("close untouched colour wheels").check();
        assertThat(page.getByText("would stack on the mix")).hasCount(0);
        assertThat(changes("colour 2").getByLabel("added")).hasCount(4);
    }

    @Test
    void values_show_where_they_come_from_and_in_which_form() {
        line("1 thru 4 colour 1");
        kind("Colour").click();
        assertThat(page.getByText("1 Verdigris").first()).isVisible();
        line("red at 40");
        // What would be recorded tells it too.
        assertThat(page.getByText("40 %", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        choose("Numbers as", "DMX");
        assertThat(page.getByText("26214", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        kind("Position").click();
        choose("Numbers as", "unit");
        line("pan at -40 thru 40");
        assertThat(page.getByText("-40 … 40°")).isVisible();
        button("Send position home").click();
        assertThat(page.getByText("-40 … 40°")).hasCount(0);
    }

    @Test
    void wheels_are_chosen_from_their_slots() {
        line("12 at full");
        kind("Colour").click();
        choose("Colour wheel", "Ember");
        until(() -> rig(12, "colour.x") > 0.6);
        kind("Beam").click();
        choose("Gobo 1", "Bars");
        until(() -> get("/api/rig/12").toString().contains("\"gobo\":\"Bars\""));
    }

    @Test
    void a_mode_channel_comes_along_without_being_asked() {
        line("14 at full colour 1");
        until(() -> Math.abs(rig(14, "colour.y") - 0.39) < 0.004);
        line("14 white at 3200 k");
        until(() -> rig(14, "colour.x") > 0.41);
        assertThat(rig(14, "intensity")).isGreaterThan(0.99);
    }

    @Test
    void a_palette_follows_when_it_is_changed_and_undo_brings_it_back() {
        line("2 at full colour 1");
        line("1 colour xy 0.60, 0.34");
        line("record colour 1 replace");
        until(() -> rig(2, "colour.x") > 0.58);
        page.keyboard().press("Control+z");
        until(() -> rig(2, "colour.x") < 0.26);
        assertThat(reading()).containsText("Undoes: Replaces colour 1");
    }

    @Test
    void positions_are_recorded_per_fixture_and_pick_their_fixtures_up() {
        line("1 thru 4 pan at -30 thru 30");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Position ?0")))
                .click();
        page.keyboard().press("r");
        page.keyboard().type("Fan");
        page.keyboard().press("Enter");
        Locator fan = niche("1 Fan");
        assertThat(fan).isVisible();
        line("clear all");
        fan.click();
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(4);
        until(() -> rig(4, "pan") > 29.9);
    }
}
