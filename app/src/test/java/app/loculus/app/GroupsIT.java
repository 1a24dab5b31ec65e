package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Choosing, ordering and keeping groups, by pointer and by keys. */
class GroupsIT extends InBrowser {

    private static final String PATCH = """
            patch 1 thru 8 as "Skiff Wash / extended" at 1.1
            patch 11 thru 16 as "Ember Par / 8-slot" at 2.1
            patch 21 thru 24 as "House Dimmer" at 3.1
            place 1 thru 8 at -7,6,6 thru 7,6,6
            place 11 thru 16 at -5,2,5 thru 5,2,5
            place 21 thru 24 at -6,-1,3 thru 6,-1,3
            hang 1 thru 8 on "Bridge 1"
            hang 11 thru 16 on "Bridge 2"
            hang 21 thru 24 on "Rail\"""";

    @BeforeEach
    void newShow() {
        freshShow("Grouping", PATCH, "/groups");
        assertThat(page.getByText("No group yet.")).isVisible();
    }

    private static Locator chips() {
        return page.getByLabel("Units selected, in order").locator("[data-step] button");
    }

    /** The units selected as the chips have them. */
    private static List<String> held() {
        return chips().allTextContents().stream()
                .map(t -> t.replaceFirst("\\d$", ""))
                .toList();
    }

    private static void assertHeld(String... units) {
        until(() -> held().equals(List.of(units)));
    }

    private static Locator niche(String begins) {
        return page.getByLabel(Pattern.compile("^" + begins));
    }

    private static Locator stage() {
        return page.locator("[data-testid=stage]");
    }

    private static void record(String name) {
        page.keyboard().press("r");
        page.keyboard().type(name);
        page.keyboard().press("Enter");
        assertThat(niche("\\d+ " + name + "\\.")).isVisible();
    }

    @Test
    void the_obvious_groups_of_a_rig_are_there_after_two_presses() {
        button("Starter groups").click();
        button("^Record 6 groups").click();
        assertThat(page.locator("[data-niche][aria-pressed]")).hasCount(6);
        assertThat(niche("4 Bridge 1"))
                .hasAttribute("aria-label", Pattern.compile("8 units.*follows position \"Bridge 1\""));
        button("Starter groups").click();
        assertThat(page.getByLabel(Pattern.compile("^Skiff Wash, 8 units, there already")))
                .isDisabled();
        button("^odd$").click();
        button("^Record 6 groups").click();
        assertThat(page.locator("[data-niche][aria-pressed]")).hasCount(12);
    }

    @Test
    void an_order_is_dragged_keyed_shuffled_and_kept_over_a_restart() {
        line("1 thru 4");
        assertHeld("1", "2", "3", "4");
        chips().nth(3).focus();
        page.keyboard().press("Alt+ArrowLeft");
        assertThat(chips().nth(2)).hasText("43");
        BoundingBox from = box(chips().nth(0));
        BoundingBox to = box(chips().nth(3));
        page.mouse().move(from.x + 8, from.y + 8);
        page.mouse().down();
        page.mouse().move(to.x + 12, to.y + 8, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        assertThat(chips().nth(3)).hasText("14");
        assertHeld("2", "4", "3", "1");
        line("1 thru 8");
        button("^shuffle$").click();
        button("^shuffle$").click();
        assertThat(page.getByLabel("Seed of the shuffle")).hasValue("2");
        List<String> shuffled = held();
        record("Chance");
        app.kill();
        app.start();
        page.navigate(app.url() + "/groups");
        assertThat(niche("1 Chance")).isVisible();
        line("clear");
        niche("1 Chance").click();
        assertHeld(shuffled.toArray(String[]::new));
    }

    @Test
    void highlight_goes_through_a_mirrored_selection_share_by_share_and_leaves_no_light() {
        line("1 thru 8");
        button("^Mirror$").click();
        page.keyboard().press("h");
        page.keyboard().press("]");
        assertHeld("1", "8");
        page.keyboard().press("]");
        assertHeld("2", "7");
        until(() -> rig(2, "intensity") == 1 && rig(7, "intensity") == 1 && rig(1, "intensity") == 0);
        page.keyboard().press("[");
        page.keyboard().press("[");
        assertHeld("4", "5");
        page.keyboard().press("\\");
        assertThat(chips()).hasCount(8);
        page.keyboard().press("h");
        until(() -> rig(4, "intensity") == 0);
        assertThat(get("/api/shows")).isNotNull();
    }

    @Test
    void a_recipe_follows_the_patch_is_changed_in_words_and_frozen() {
        line("position \"Bridge 1\" every 2");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("As recipe"))
                .click();
        record("Odd");
        assertThat(niche("1 Odd")).hasAttribute("aria-label", Pattern.compile("4 units"));
        page.keyboard().press("/");
        page.keyboard().type("hang 11 on \"Bridge 1\"");
        assertThat(reading()).containsText("Group 1 “Odd” follows: 4 → 5 units");
        page.keyboard().press("Enter");
        assertThat(niche("1 Odd")).hasAttribute("aria-label", Pattern.compile("5 units"));
        page.keyboard().press("Escape");
        niche("1 Odd").click();
        Locator follows = page.getByLabel("What it follows");
        assertThat(follows).hasValue("position \"Bridge 1\" every 2");
        follows.fill("type \"House Dimmer\"");
        assertThat(page.getByText("Group 1 “Odd” follows type \"House Dimmer\": 5 → 4 units")
                        .first())
                .isVisible();
        follows.press("Enter");
        assertThat(niche("1 Odd")).hasAttribute("aria-label", Pattern.compile("4 units.*House Dimmer"));
        button("^Freeze$").click();
        assertThat(page.getByLabel("What it follows")).hasValue("");
    }

    @Test
    void those_who_are_lit_are_found_counted_and_taken() {
        line("1 thru 3 at 40");
        line("11 + 12 at 60");
        line("clear");
        page.keyboard().press("f");
        assertThat(page.getByText("5 units · Lit by programmer (5)")).isVisible();
        page.getByLabel("A further condition").click();
        choose("Condition 2", "at position");
        choose("Word of condition 2", "Bridge 1");
        assertThat(page.getByText("3 units · Lit by programmer (3)")).isVisible();
        choose("Whether condition 2 holds", "that are not");
        assertThat(page.getByText("2 units · Lit by programmer (2)")).isVisible();
        page.getByLabel("Find…")
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Select"))
                .click();
        assertHeld("11", "12");
        page.keyboard().press("f");
        assertThat(page.getByLabel("Condition 1", new Page.GetByLabelOptions().setExact(true)))
                .hasCount(0);
    }

    @Test
    void niches_are_levelled_moved_combined_and_deleted_with_what_is_made_from_them_named() {
        line("1 thru 4");
        record("Left");
        line("3 thru 6");
        record("Middle");
        line("group 1 reverse");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("As recipe"))
                .click();
        record("Back");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Fixed"))
                .click();
        niche("1 Left").click();
        assertHeld("1", "2", "3", "4");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Both"))
                .click();
        niche("2 Middle").click();
        assertHeld("3", "4");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Select"))
                .click();
        BoundingBox at = box(niche("1 Left"));
        page.mouse().move(at.x + 30, at.y + 60);
        page.mouse().down();
        page.mouse().move(at.x + 30, at.y + 12, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(12));
        page.mouse().up();
        until(() -> Math.abs(rig(1, "intensity") - 0.4) < 0.02);
        assertHeld("3", "4");
        button("^Undo").click();
        until(() -> rig(1, "intensity") == 0);
        BoundingBox left = box(niche("1 Left"));
        BoundingBox middle = box(niche("2 Middle"));
        page.mouse().move(left.x + 30, left.y + 30);
        page.mouse().down();
        page.mouse().move(middle.x + 36, middle.y + 36, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(12));
        page.mouse().up();
        assertThat(niche("2 Left")).isVisible();
        assertThat(niche("1 Middle")).isVisible();
        niche("2 Left").click();
        button("Delete…").click();
        assertThat(page.getByText("Made from it, and now of the units there are: 3 “Back”"))
                .isVisible();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Delete").setExact(true))
                .click();
        assertThat(niche("2 Left")).hasCount(0);
    }

    @Test
    void lights_are_taken_by_lasso_from_the_front_and_outward_from_a_point() {
        BoundingBox at = box(stage());
        button("^Lasso$").click();
        page.mouse().move(at.x + 4, at.y + 40);
        page.mouse().down();
        for (double[] p :
                new double[][] {{at.width - 4, 40}, {at.width - 4, at.height / 2 - 10}, {4, at.height / 2 - 10}}) {
            page.mouse().move(at.x + p[0], at.y + p[1], new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        }
        page.mouse().up();
        assertHeld("1", "2", "3", "4", "5", "6", "7", "8");
        button("from a point").click();
        page.mouse().click(at.x + at.width - 20, at.y + 60);
        assertThat(page.getByLabel(Pattern.compile("^Take sort by outward from")))
                .isVisible();
        assertThat(chips().first()).hasText("81");
        button("^Front$").click();
        button("^Pick$").click();
        page.mouse().move(at.x + 4, at.y + 34);
        page.mouse().down();
        page.mouse()
                .move(
                        at.x + at.width - 4,
                        at.y + at.height - 10,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(chips()).hasCount(18);
        assertThat(chips().first()).hasText("11");
    }

    @Test
    void rows_are_found_by_place_and_a_spread_runs_over_them() {
        line("all rows at 20 thru 60");
        Locator grid = page.getByLabel("Units by row and column with their levels");
        assertThat(grid.getByTitle("11: step 2, 40 %")).isVisible();
        assertThat(grid.getByTitle("1: step 3, 60 %")).isVisible();
        Locator within = page.getByLabel("What hangs that near is in one row, in metres");
        within.fill("9");
        within.press("Enter");
        assertThat(grid.getByTitle(Pattern.compile("^1: step 1"))).isVisible();
    }

    @Test
    void a_small_window_in_the_hand_follows_the_same_show() {
        line("1 thru 8");
        try (Page hand = browser.newPage(new Browser.NewPageOptions().setViewportSize(390, 780))) {
            hand.navigate(app.url() + "/handheld");
            assertThat(hand.getByText("8 steps")).isVisible();
            hand.getByText("Next ›").click();
            assertThat(hand.getByText("share 1 of 8").first()).isVisible();
            hand.getByText("Next ›").click();
            assertHeld("2");
            hand.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Highlight"))
                    .click();
            until(() -> rig(2, "intensity") == 1);
            hand.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Wrong"))
                    .click();
            assertThat(hand.getByText(Pattern.compile("Skiff Wash 2 .* wrong"))).isVisible();
            hand.getByLabel("What to select").fill("all where wrong");
            hand.getByLabel("What to select").press("Enter");
            assertHeld("2");
            Object sideways = hand.evaluate("() => document.documentElement.scrollWidth > window.innerWidth");
            assertThat(sideways).isEqualTo(false);
            hand.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Highlight"))
                    .click();
            until(() -> rig(2, "intensity") == 0);
        }
    }

    @Test
    void an_empty_niche_is_recorded_into_and_groups_of_another_show_come_along() {
        line("1 thru 4");
        niche("3, empty").click();
        page.keyboard().type("Third");
        page.keyboard().press("Enter");
        assertThat(niche("3 Third")).isVisible();
        page.evaluate(
                "async () => { const shows = await (await fetch('/api/shows')).json(); const id = shows.find((s) => s.live).id;"
                        + " await fetch(`/api/shows/${id}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ edit: { type: 'rename-show', name: 'Source' } }) }); }");
        newShow();
        menu("Files", "Import");
        choose("The other show", "Source");
        assertThat(page.getByText(Pattern.compile("^Imports 1 group: 3 “Third” \\(4 of 4\\)")))
                .isVisible();
        button("^Import 1 group").click();
        assertThat(niche("3 Third")).hasAttribute("aria-label", Pattern.compile("4 units"));
    }

    @Test
    void the_others_are_taken_and_shift_takes_one_out_again() {
        line("1 thru 3");
        button("^Recent selections").click();
        button("^there$").click();
        assertHeld("4", "5", "6", "7", "8");
        page.keyboard().press("Escape");
        BoundingBox at = box(stage());
        stage().focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Shift+Enter");
        assertHeld("4", "5", "6", "7", "8", "1");
        assertThat(at.width).isPositive();
    }
}
