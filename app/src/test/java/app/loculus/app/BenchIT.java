package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is drawn on the bench and dragged there, re-aiming, and what the daily work takes in presses. */
class BenchIT extends InBrowser {

    private static final String SHOW = "patch 1 thru 4 as \"Skiff Wash / extended\" at 1.1\n"
            + "patch 11 + 12 as \"Fathom Profile / standard\" at 1.101\npatch 21 as \"Lantern Beam / 16-slot\" at 1.201\n"
            + "patch 14 as \"Gull Panel / 8-slot\" at 1.311\npatch 15 as \"Ember Par / 6-slot\" at 1.401\n"
            + "place 1 thru 4 at -3,2,6 thru 3,2,6\nplace 11 + 12 at -2,0,6 thru 2,0,6\n"
            + "place 14 + 15 + 21 at -2,5,6 thru 2,5,6";

    @BeforeEach
    void aSmallRig() {
        freshShow("Bench", SHOW, "/palettes");
        assertThat(button("Starter palettes")).isVisible();
    }

    private static Locator kind(String name) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Kind of value"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator shelf(String name) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Kind of palette"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    private static Locator niche(String start) {
        return page.getByLabel(Pattern.compile("^" + start));
    }

    private static Locator slider(String name) {
        return page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName(name));
    }

    private static void drag(Locator from, double dx, double dy) {
        BoundingBox b = box(from);
        page.mouse().move(b.x + b.width / 2, b.y + b.height / 2);
        page.mouse().down();
        page.mouse().move(b.x + b.width / 2 + dx, b.y + b.height / 2 + dy, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
    }

    @Test
    void heads_are_moved_from_where_each_is_by_the_pad_and_its_keys() {
        line("1 thru 4 pan at -30 thru 30");
        kind("Position").click();
        Locator pad = page.getByLabel(Pattern.compile("^Pan and tilt"));
        drag(pad, 20, -10);
        until(() -> Math.abs(rig(1, "pan") + 10) < 0.1 && Math.abs(rig(4, "pan") - 50) < 0.1);
        assertThat(rig(1, "tilt")).isCloseTo(10, within(0.1));
        pad.press("ArrowLeft");
        until(() -> Math.abs(rig(4, "pan") - 49) < 0.1);
        button("^fine$").click();
        pad.press("ArrowUp");
        until(() -> Math.abs(rig(4, "tilt") - 10.1) < 0.02);
        button("^flip$").click();
        until(() -> Math.abs(rig(4, "pan") + 131) < 0.1);
        assertThat(rig(4, "tilt")).isCloseTo(-10.1, within(0.02));
        button("^−pan$").click();
        until(() -> Math.abs(rig(4, "pan") - 131) < 0.1);
        page.keyboard().press("Control+z");
        page.keyboard().press("Control+z");
        until(() -> Math.abs(rig(4, "pan") - 49) < 0.1);
    }

    @Test
    void a_spread_is_dragged_by_its_handles_and_an_end_has_a_word() {
        line("1 thru 4");
        kind("Beam").click();
        page.getByLabel("Spread Zoom").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("wide"))
                .click();
        until(() -> rig(1, "beam") > 49);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("narrow"))
                .click();
        until(() -> rig(4, "beam") < 9.1);
        // The rig shows it before the page does; a handle is taken where it stands then.
        assertThat(slider("Zoom, handle 2 of 2")).hasAttribute("aria-valuenow", "0");
        drag(slider("Zoom, handle 2 of 2"), 0, -200);
        until(() -> rig(4, "beam") > 49 && rig(1, "beam") < 9.1);
        assertThat(rig(2, "beam")).isBetween(20.0, 25.0);
        slider("Zoom, handle 1 of 2").press("PageUp");
        until(() -> rig(1, "beam") > 11);
    }

    @Test
    void blades_are_dragged_into_the_picture_of_the_beam() {
        line("11 + 12");
        kind("Shape").click();
        drag(slider("Blade 1 A in the picture"), 0, 30);
        assertThat(page.getByLabel(Pattern.compile("^Blade 1 A: \\d+ %$"))).isVisible();
        assertThat(page.getByText("by hand").first()).isVisible();
        slider("Blade 2 A in the picture").press("Shift+ArrowUp");
        assertThat(page.getByLabel("Blade 2 A: 10 %", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void what_is_matched_by_eye_is_kept_for_its_type_alone() {
        line("1 thru 4 at full colour xy 0.25, 0.39");
        line("record colour 1 \"Verdigris\" global");
        line("1 + 14 at full colour 1");
        kind("Colour").click();
        line("14");
        button("Match by eye").click();
        page.getByLabel("Number of the reference fixture").fill("1");
        for (int i = 0; i < 3; i++) {
            button("redder").click();
        }
        assertThat(page.getByRole(
                        AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Gull Panel 1 Δ 0.00[567]"))))
                .isVisible();
        assertThat(page.getByText(Pattern.compile("per type \\(asked for\\)"))).isVisible();
        button("Keep for its type").click();
        line("clear all");
        line("1 + 14 + 15 at full colour 1");
        until(() -> rig(14, "intensity") > 0.99 && rig(15, "intensity") > 0.99);
        assertThat(rig(14, "colour.x") - rig(1, "colour.x"))
                .as("the panel stays redder")
                .isBetween(0.004, 0.03);
        assertThat(rig(15, "colour.x")).as("others as before").isCloseTo(rig(1, "colour.x"), within(0.003));
        niche("1 Verdigris").hover();
        assertThat(page.getByRole(
                        AriaRole.ROW,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Gull Panel its type's values"))))
                .isVisible();
    }

    @Test
    void a_riser_is_moved_and_marks_and_positions_follow_as_the_plan_showed() {
        line("mark \"Riser\" at 0, 4, 0");
        line("1 thru 4 aim at mark \"Riser\"");
        line("record position 1 \"On it\"");
        line("clear all");
        shelf("Position").click();
        button("Re-aim").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("Point 1 is at z").fill("1.2");
        dialog.getByLabel("Point 1 is at x").fill("0.5");
        assertThat(dialog.getByText("Mark “Riser”: 0, 4, 0 → 0.5, 4, 1.2")).isVisible();
        assertThat(dialog.locator("line title"))
                .hasText(new String[] {"Riser", "1 On it · 1", "1 On it · 2", "1 On it · 3", "1 On it · 4"});
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Re-aim"))
                .click();
        assertThat(dialog).hasCount(0);
        line("1 at full position 1");
        until(() -> rig(1, "tilt") > 20);
        double tilt = Math.toRadians(rig(1, "tilt"));
        double pan = Math.toRadians(rig(1, "pan"));
        double down = (6 - 1.2) / Math.cos(tilt);
        assertThat(-3 - Math.sin(pan) * Math.sin(tilt) * down).isCloseTo(0.5, within(0.02));
        assertThat(2 + Math.cos(pan) * Math.sin(tilt) * down).isCloseTo(4, within(0.02));
    }

    @Test
    void two_palettes_are_compared_and_several_deleted_at_once() {
        line("1 colour xy 0.25, 0.39");
        line("record colour 1 \"Verdigris\"");
        line("1 colour xy 0.3, 0.5");
        line("record colour 2 \"Kelp\"");
        niche("1 Verdigris").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        niche("2 Kelp").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        button("Compare").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog.getByText(Pattern.compile("What they hold: \\d differ")))
                .isVisible();
        assertThat(dialog.getByText("needs a look").first()).isVisible();
        page.keyboard().press("Escape");
        button("Delete…").click();
        button("^Delete$").click();
        assertThat(niche("2 Kelp")).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(niche("2 Kelp")).isVisible();
    }

    @Test
    void a_page_has_rows_of_its_own_and_keeps_what_is_put_there() {
        line("1 colour xy 0.25, 0.39");
        line("record colour 1 \"Verdigris\"");
        button("Pages…").click();
        page.keyboard().type("Act two");
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("From").fill("201");
        dialog.getByLabel("A row").fill("3");
        dialog.getByLabel("Rows").fill("2");
        assertThat(dialog.getByText("Sets colour page “Act two”: 201 to 206, 3 by 2"))
                .isVisible();
        page.keyboard().press("Enter");
        assertThat(dialog.getByText("201–206 · 3 × 2")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.getByLabel(Pattern.compile("^20\\d, empty"))).hasCount(6);
        BoundingBox first = box(page.getByLabel("201, empty: record into it"));
        BoundingBox fourth = box(page.getByLabel("204, empty: record into it"));
        assertThat(fourth.x).as("it begins the second row").isCloseTo(first.x, within(1.0));
        page.getByLabel("205, empty: record into it").click();
        line("1 colour xy 0.3, 0.5");
        page.keyboard().press("r");
        page.keyboard().type("Kelp");
        page.keyboard().press("Enter");
        assertThat(niche("205 Kelp")).isVisible();
        assertThat(niche("1 Verdigris")).hasCount(0);
        page.reload();
        assertThat(niche("205 Kelp")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("1").setExact(true))
                .click();
        assertThat(niche("1 Verdigris")).isVisible();
    }

    @Test
    void a_crossing_is_looked_at_fixture_by_fixture_and_those_that_miss_it_are_in_hand() {
        line("1 thru 3 zoom at 20 deg");
        line("record beam 1 \"Tight\" per fixture");
        line("clear all");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Coverage"))
                .click();
        page.getByLabel(Pattern.compile("^Tight, Skiff Wash: some")).click();
        button("Each fixture").click();
        button("1 misses it: select").click();
        Locator chips = page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON);
        assertThat(chips).hasCount(1);
        assertThat(chips.first()).containsText("4");
        assertThat(button("^Highlight$")).hasAttribute("aria-pressed", "true");
    }

    @Test
    void a_frame_with_control_takes_the_cells_in_it() {
        line("patch 31 as \"Tideline Batten / 38-slot\" at 3.1");
        line("place 31 at 0, 8, 6");
        page.waitForTimeout(300);
        BoundingBox stage = box(page.locator("[data-testid=stage]"));
        Locator chips = page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON);
        page.keyboard().down("Control");
        page.mouse().move(stage.x + 3, stage.y + 3);
        page.mouse().down();
        page.mouse().move(stage.x + stage.width / 2, stage.y + stage.height - 3, new Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
        page.keyboard().up("Control");
        assertThat(chips.filter(new Locator.FilterOptions().setHasText("31.1"))).isVisible();
        assertThat(chips.filter(new Locator.FilterOptions().setHasText("31.4"))).isVisible();
        assertThat(chips.filter(new Locator.FilterOptions().setHasText("31.8"))).hasCount(0);
    }

    @Test
    void a_colour_for_five_types_takes_six_presses() {
        kind("Colour").click();
        page.keyboard().press("Escape");
        count();
        typed("1 thru 21 at full");
        page.locator("[data-testid=colour-picker]").click();
        assertThat(page.getByText("by hand").first()).isVisible();
        page.keyboard().press("r");
        page.keyboard().type("Teal");
        page.keyboard().press("Enter");
        assertThat(niche("1 Teal")).isVisible();
        assertThat(presses()).isLessThanOrEqualTo(6);
    }

    /** A number begins the line wherever one is. */
    private static void typed(String text) {
        page.keyboard().type(text);
        assertThat(reading()).not().isEmpty();
        page.keyboard().press("Enter");
        assertThat(lineInput()).hasValue("");
    }

    @Test
    void the_starter_set_takes_two_presses_and_twelve_positions_three_each() {
        count();
        button("Starter palettes").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Record \\d+")))
                .click();
        assertThat(dialog).hasCount(0);
        assertThat(presses()).as("goal 3").isEqualTo(2);
        shelf("Position").click();
        line("patch 101 thru 110 as \"Skiff Wash / extended\" at 9.1");
        line("place 101 thru 110 at -5,3,6 thru 5,3,6");
        typed("1 thru 4 + 11 + 12 + 101 thru 110");
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(16);
        button("^Aim$").click();
        count();
        BoundingBox stage = box(page.locator("[data-testid=stage]"));
        for (int i = 1; i <= 12; i++) {
            page.mouse().click(stage.x + 80 + 20 * i, stage.y + stage.height * 0.6);
            page.keyboard().press("r");
            page.keyboard().type("Spot " + i);
            page.keyboard().press("Enter");
            assertThat(page.getByLabel("Palette name")).hasValue("");
        }
        assertThat(presses()).as("for all sixteen heads").isLessThanOrEqualTo(12 * 4);
    }
}
