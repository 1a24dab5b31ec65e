package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Handling by keyboard and pointer, each from a small show of its own. */
class HandlingIT extends InBrowser {

    private static final String PATCH = "patch 1 thru 6 as \"Skiff Wash / extended\" at 1.1\n"
            + "patch 11 thru 13 as \"House Dimmer\" at 2.1\npatch 21 as \"Tideline Batten / 38-slot\" at 3.1\n"
            + "hang 1 thru 6 on \"Bridge 1\"\nhang 11 thru 13 on \"Gallery\"\n"
            + "place 1 thru 6 at -5,2,6 thru 5,2,6\nplace 11 thru 13 at -3,-2,4 thru 3,-2,4";

    @BeforeEach
    void aSmallShow() {
        freshShow("Handling", PATCH, "/patch");
        assertThat(row(1)).isVisible();
    }

    private static Locator chips() {
        return page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON);
    }

    private static List<String> held() {
        return chips().allTextContents();
    }

    private static Locator radio(String name) {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    @Test
    void digits_go_to_the_line_and_tab_completes_words_and_names() {
        page.keyboard().type("1 th");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("thru");
        page.keyboard().press("Tab");
        page.keyboard().type("3 a");
        assertThat(lineInput()).hasValue("1 thru 3 a");
        page.keyboard().type("t 40");
        assertThat(reading()).containsText("Dimmer 40 for 3 units");
        page.keyboard().press("Enter");
        assertThat(lineInput()).hasValue("");
        page.keyboard().type("patch 31 as \"emb");
        page.keyboard().press("Tab");
        assertThat(lineInput()).hasValue("patch 31 as \"Ember Par / 8-slot\" ");
        page.keyboard().press("ArrowUp");
        assertThat(lineInput()).hasValue("1 thru 3 at 40");
        page.keyboard().press("ArrowDown");
        assertThat(lineInput()).hasValue("");
    }

    @Test
    void an_error_marks_the_word_and_offers_what_may_have_been_meant() {
        page.keyboard().press("/");
        page.keyboard().type("1 thur 3");
        assertThat(page.getByText("Did you mean thru?")).isVisible();
        assertThat(page.locator("span.decoration-madder")).hasText("thur");
        assertThat(lineInput()).hasAttribute("aria-invalid", "true");
        page.keyboard().press("Enter");
        assertThat(lineInput()).hasValue("1 thur 3");
    }

    @Test
    void rows_are_held_by_pointer_and_by_keyboard() {
        row(2).click();
        row(4).click(new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        assertThat(row(3)).hasAttribute("aria-selected", "true");
        row(11).click(new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
        assertThat(row(11)).hasAttribute("aria-selected", "true");
        row(3).click(new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.ALT)));
        assertThat(row(3)).hasAttribute("aria-selected", "false");
        page.getByRole(AriaRole.GRID).focus();
        page.keyboard().press("PageUp");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(row(1)).hasAttribute("aria-selected", "true");
        assertThat(row(2)).hasAttribute("aria-selected", "false");
    }

    @Test
    void the_table_sorts_filters_and_groups() {
        choose("Group by", "nothing");
        button("^Address").click();
        button("^Address").click();
        assertThat(page.locator("[data-number]").first()).hasAttribute("data-number", "21");
        page.getByLabel("Find fixtures").fill("gallery");
        assertThat(page.locator("[data-number]")).hasCount(3);
        page.getByLabel("Find fixtures").fill("");
        choose("Group by", "type");
        page.getByText("Skiff Wash / extended — 6 fixtures").click();
        assertThat(row(6)).hasAttribute("aria-selected", "true");
    }

    @Test
    void a_page_that_is_loaded_again_shows_the_light_as_it_is() {
        line("1 thru 3 at 50");
        go("Groups");
        assertThat(page.getByTestId("stage")).hasAttribute("data-lit", Pattern.compile("[1-9]\\d*"));
        for (int times = 0; times < 3; times++) {
            page.reload();
            assertThat(page.getByTestId("stage")).hasAttribute("data-lit", Pattern.compile("[1-9]\\d*"));
            page.waitForTimeout(500);
            assertThat(page.getByTestId("stage")).hasAttribute("data-lit", Pattern.compile("[1-9]\\d*"));
        }
    }

    @Test
    void a_frame_on_the_plan_picks_in_reading_order_and_shift_adds() {
        go("Groups");
        BoundingBox stage = box(page.getByTestId("stage"));
        page.mouse().move(stage.x + stage.width - 5, stage.y + 5);
        page.mouse().down();
        page.mouse().move(stage.x + 5, stage.y + stage.height * 0.62);
        page.mouse().up();
        assertThat(chips()).hasCount(6);
        assertThat(held().get(0)).as("dragged leftwards, counted leftwards").startsWith("6");
        page.keyboard().down("Shift");
        page.mouse().move(stage.x + 5, stage.y + stage.height * 0.62);
        page.mouse().down();
        page.mouse().move(stage.x + stage.width - 5, stage.y + stage.height - 45);
        page.mouse().up();
        page.keyboard().up("Shift");
        until(() -> chips().count() == 9);
    }

    @Test
    void patterns_take_shares_and_keys_step_through_them() {
        go("Groups");
        line("1 thru 6");
        button("Every 2$").click();
        assertThat(page.getByText("share 1 of 2")).isVisible();
        page.keyboard().press("]");
        assertThat(page.getByText("share 2 of 2")).isVisible();
        assertThat(page.getByTitle("2: step 1. Press to take it out.")).isVisible();
        page.keyboard().press("[");
        assertThat(page.getByText("share 1 of 2")).isVisible();
        page.keyboard().press("h");
        until(() -> rig(1, "intensity") > 0.99);
        page.keyboard().press("h");
        until(() -> rig(1, "intensity") < 0.01);
        page.keyboard().type("hhh");
        until(() -> rig(1, "intensity") > 0.99);
        page.keyboard().press("h");
        until(() -> rig(1, "intensity") < 0.01);
        page.getByTitle("3: step 2. Press to take it out.").click();
        assertThat(page.getByTitle("3: step 2. Press to take it out.")).hasCount(0);
    }

    @Test
    void a_fader_moves_the_light_and_one_undo_takes_the_whole_drag_back() {
        go("Palettes");
        line("1 thru 6");
        BoundingBox fader = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Dimmer"))
                .boundingBox();
        page.mouse().move(fader.x + 4, fader.y + fader.height / 2);
        page.mouse().down();
        IntConsumer to = tenth -> page.mouse().move(fader.x + fader.width * tenth / 10 - 1, fader.y + fader.height / 2);
        IntStream.rangeClosed(1, 6).forEach(to);
        until(() -> rig(3, "intensity") > 0.5);
        // A hand that rests has not let go.
        page.waitForTimeout(800);
        IntStream.rangeClosed(7, 10).forEach(to);
        page.mouse().up();
        // Pressed while the last of it may still be under way.
        page.keyboard().press("Control+z");
        until(() -> rig(3, "intensity") < 0.01);
        page.keyboard().press("Control+Shift+z");
        until(() -> rig(3, "intensity") > 0.97);
        page.keyboard().press("Control+z");
        until(() -> rig(3, "intensity") < 0.01);
        assertThat(chips()).hasCount(6);
    }

    @Test
    void a_value_is_typed_where_it_is_read() {
        go("Palettes");
        line("1 thru 3");
        Locator dimmer =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Dimmer: ")));
        dimmer.press("Enter");
        page.keyboard().type("20 thru 80");
        page.keyboard().press("Enter");
        until(() -> rig(3, "intensity") > 0.79);
        assertThat(dimmer).containsText("20");
        dimmer.press("Enter");
        page.keyboard().type("0x80");
        page.keyboard().press("Enter");
        until(() -> Math.abs(rig(3, "intensity") - 128 / 255.0) < 0.003);
        dimmer.press("Enter");
        page.keyboard().type("0x1FFFF");
        page.keyboard().press("Enter");
        assertThat(page.getByText("more than two octets").first()).isVisible();
        page.keyboard().press("Escape");
    }

    @Test
    void a_white_by_temperature_and_tint_and_what_can_be_made_is_drawn_in() {
        go("Palettes");
        line("21 at full");
        radio("^Colour$").last().click();
        assertThat(page.getByTestId("colour-picker")).hasAttribute("title", Pattern.compile("Tideline Batten"));
        assertThat(page.getByTestId("colour-picker").locator("polygon")).not().hasCount(0);
        Locator warm = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Warm – cold"));
        warm.press("End");
        assertThat(page.getByText("10,000 K")).isVisible();
        assertThat(page.getByText(Pattern.compile("Stands for x 0\\.2788 y 0\\.292")))
                .isVisible();
        page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Tint"))
                .press("Home");
        assertThat(page.getByText("Duv -0.0300")).isVisible();
        page.getByTestId("colour-picker").click();
        assertThat(page.getByText("10,000 K")).hasCount(0);
    }

    @Test
    void groups_are_recorded_renamed_and_walked_with_arrows() {
        go("Groups");
        assertThat(page.locator("#record-name")).isVisible();
        line("1 thru 3");
        page.keyboard().press("r");
        page.keyboard().type("Left");
        page.keyboard().press("Enter");
        line("4 thru 6");
        page.keyboard().press("r");
        page.keyboard().type("Right");
        page.keyboard().press("Enter");
        page.getByText("Left", new Page.GetByTextOptions().setExact(true)).dblclick();
        page.getByLabel("Name of 1").fill("House left");
        page.keyboard().press("Enter");
        Locator first = page.getByLabel(Pattern.compile("^1 House left"));
        assertThat(first).isVisible();
        first.focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.getByLabel(Pattern.compile("^2 Right"))).isFocused();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("Enter");
        assertThat(chips()).hasCount(3);
        radio("^Add$").click();
        page.getByLabel(Pattern.compile("^2 Right")).click();
        assertThat(chips()).hasCount(6);
        radio("^Remove$").click();
        first.click();
        assertThat(chips()).hasCount(3);
    }

    @Test
    void deleting_what_others_use_names_the_losses_first() {
        line("1 thru 3");
        line("record group 1 \"Left\"");
        row(2).click();
        assertThat(row(2)).hasAttribute("aria-selected", "true");
        assertThat(row(3)).hasAttribute("aria-selected", "false");
        button("^Delete$").click();
        assertThat(page.getByText("Deletes 1 fixture; they drop out of group 1 “Left”."))
                .isVisible();
        button("^Keep$").click();
        assertThat(row(2)).isVisible();
        button("^Delete$").click();
        button("^Delete it$").click();
        assertThat(row(2)).hasCount(0);
        row(12).click();
        button("^Delete$").click();
        assertThat(row(12)).hasCount(0);
    }

    @Test
    void moving_what_is_in_hand_says_what_is_in_the_way() {
        row(11).click();
        page.getByLabel("Move to address").fill("1.30");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Fixture 11 would need 1.30, but 2 “Skiff Wash 2” holds 1.21–1.40."))
                .isVisible();
        button("^Move to 1.121").click();
        assertThat(row(11)).containsText("1.121");
    }

    @Test
    void a_press_right_after_another_acts_on_what_that_one_left() {
        line("1 thru 6");
        assertThat(row(6)).hasAttribute("aria-selected", "true");
        CDPSession network = page.context().newCDPSession(page);
        network.send("Network.enable");
        network.send("Network.emulateNetworkConditions", late());
        row(12).click();
        button("^Delete$").click();
        assertThat(row(12)).hasCount(0);
        network.detach();
        assertThat(row(1)).isVisible();
        assertThat(row(6)).isVisible();
    }

    /** Every answer takes its time. */
    private static JsonObject late() {
        JsonObject conditions = new JsonObject();
        conditions.addProperty("offline", false);
        conditions.addProperty("latency", 300);
        conditions.addProperty("downloadThroughput", -1);
        conditions.addProperty("uploadThroughput", -1);
        return conditions;
    }

    @Test
    void unknown_headers_of_a_hookup_are_mapped_by_hand() {
        button("^Import…$").click();
        page.getByLabel("Or paste rows").fill("Kreis,Gerät,Wo\n101,House Dimmer,9.1\n102,Unbekannt,9.2\n");
        assertThat(page.getByText("0 of 3 columns recognised")).isVisible();
        choose("What Kreis holds", "number");
        choose("What Gerät holds", "profile");
        choose("What Wo holds", "address");
        assertThat(page.getByText("No profile is called “Unbekannt”.")).isVisible();
        button("Import 1 fixture").click();
        assertThat(row(101)).containsText("9.1");
    }

    @Test
    void both_themes_hold_and_the_sheet_lists_the_keys() {
        page.keyboard().press("?");
        assertThat(page.getByText("Highlight the selection, on and off")).isVisible();
        page.keyboard().press("Escape");
        button("^Night$").click();
        assertThat(page.locator("html")).hasAttribute("data-theme", "night");
        page.reload();
        assertThat(page.locator("html")).hasAttribute("data-theme", "night");
        button("^Workroom$").click();
        page.keyboard().press("Alt+4");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Groups")))
                .isVisible();
    }

    @Test
    void two_windows_see_the_same_show() {
        Page other = browser.newPage();
        other.navigate(app.url() + "/patch");
        assertThat(other.locator("[data-number='1']")).isVisible();
        line("name 1 \"Seen by both\"");
        assertThat(other.locator("[data-number='1']")).containsText("Seen by both");
        other.close();
    }

    private static int revision() {
        return ((Number) page.evaluate(
                        "async () => (await (await fetch('/api/shows')).json()).find((s) => s.live).revision"))
                .intValue();
    }

    @Test
    void a_name_is_whole_however_soon_it_is_typed() {
        Locator name = page.locator("#record-name");
        open("/patch");
        page.keyboard().press("r");
        assertThat(page.getByText("Nothing is recorded in this chapter")).isVisible();
        page.keyboard().press("Escape");
        for (String chapter : List.of("Palettes", "Looks", "Groups")) {
            go(chapter);
            page.keyboard().press("r");
            page.keyboard().type("Pharos");
            assertThat(name).hasValue("Pharos");
            assertThat(name).isFocused();
            name.fill("");
            page.keyboard().press("Escape");
            open("/patch");
        }
        open("/groups");
        button("Fold the bench").click();
        assertThat(name).hasCount(0);
        page.keyboard().press("r");
        page.keyboard().type("Halyard");
        assertThat(name).hasValue("Halyard");
        name.fill("");
        page.keyboard().press("Escape");
    }

    @Test
    void enter_twice_and_a_double_press_do_a_thing_once() {
        int before = revision();
        page.keyboard().press("/");
        page.keyboard().type("patch 71 as \"House Dimmer\" at 5.1");
        assertThat(reading()).containsText("5.1");
        page.keyboard().press("Enter");
        page.keyboard().press("Enter");
        assertThat(row(71)).isVisible();
        page.keyboard().press("Escape");
        assertThat(revision()).isEqualTo(before + 1);
        row(1).click();
        assertThat(row(1)).hasAttribute("aria-selected", "true");
        int held = revision();
        button("^Unpatch").first().dblclick();
        assertThat(row(1)).containsText("—");
        assertThat(revision()).isEqualTo(held + 1);
    }

    @Test
    void what_failed_says_so_and_offers_to_try_again() {
        page.route("**/api/shows/*/groups", route -> route.fulfill(new Route.FulfillOptions().setStatus(500)));
        page.reload();
        go("Groups");
        assertThat(page.getByRole(AriaRole.ALERT)).isVisible();
        page.unroute("**/api/shows/*/groups");
        button("Try again").click();
        assertThat(page.getByText("No group yet.")).isVisible();
    }

    @Test
    void while_another_show_loads_nothing_of_the_old_one_is_shown() {
        List<Route> waiting = new ArrayList<>();
        page.route("**/api/shows/*/patch", waiting::add);
        page.evaluate(
                "async () => fetch('/api/shows', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ name: 'Another' }) })");
        assertThat(row(1)).hasCount(0);
        assertThat(page.getByText("Opening…")).isVisible();
        page.unroute("**/api/shows/*/patch");
        waiting.forEach(Route::resume);
        assertThat(page.getByText("Nothing is patched yet.")).isVisible();
    }

    @Test
    void what_was_refused_or_begun_stays_to_be_mended() {
        row(1).locator("[data-column=address]").dblclick();
        page.keyboard().type("99");
        page.keyboard().press("Enter");
        Locator again = page.getByLabel("Address of 1");
        assertThat(again).hasValue("99");
        page.keyboard().press("Escape");
        page.getByLabel("First number").fill("400");
        go("Groups");
        page.getByLabel("Group name").fill("Half typed");
        go("Patch");
        assertThat(page.getByLabel("First number")).hasValue("400");
        go("Groups");
        assertThat(page.getByLabel("Group name")).hasValue("Half typed");
        page.reload();
        assertThat(page.getByLabel("Group name")).hasValue("Half typed");
        page.getByLabel("Group name").fill("");
    }

    @Test
    void a_refusal_stands_at_the_foot_covers_nothing_and_goes_with_escape_or_the_chapter() {
        line("1 thru 3");
        go("Groups");
        recordGroup("1", "Front");
        recordGroup("1", "Again");
        Locator told = page.getByRole(AriaRole.ALERT);
        assertThat(told).containsText("Group 1 is “Front”");
        double foot = ((Number) page.evaluate("() => document.querySelector('main').getBoundingClientRect().bottom"))
                .doubleValue();
        assertThat(told.boundingBox().y).isGreaterThanOrEqualTo(foot - 1);
        page.keyboard().press("Escape");
        assertThat(told).hasCount(0);
        page.keyboard().press("Enter");
        recordGroup("1", "Again");
        assertThat(told).isVisible();
        go("Patch");
        assertThat(told).hasCount(0);
    }

    private static void recordGroup(String number, String name) {
        page.getByLabel("Group number").fill(number);
        page.getByLabel("Group name").fill(name);
        page.keyboard().press("Enter");
        page.waitForTimeout(300);
    }

    @Test
    void half_a_line_is_no_error_of_the_page() {
        List<String> errors = new ArrayList<>();
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) {
                errors.add(m.text());
            }
        });
        page.keyboard().press("/");
        for (String word : "1 thur 3 at fulll record".split(" ")) {
            page.keyboard().type(word + " ");
            page.waitForTimeout(250);
        }
        assertThat(lineInput()).hasAttribute("aria-invalid", "true");
        assertThat(errors).isEmpty();
    }

    @Test
    void a_drag_at_a_slant_is_a_level_or_a_way_and_never_both() {
        line("1 thru 3");
        go("Groups");
        recordGroup("1", "Front");
        recordGroup("2", "Other");
        line("clear all");
        drag("1 Front", 34, -60);
        // 60 pixels up are 50 percent.
        until(() -> Math.abs(rig(1, "intensity") - 0.5) < 0.02);
        assertThat(niche("1 Front")).isVisible();
        drag("1 Front", 90, -40);
        assertThat(niche("2 Front")).isVisible();
        page.waitForTimeout(400);
        assertThat(Math.abs(rig(1, "intensity") - 0.5)).isLessThan(0.02);
    }

    private static void drag(String name, double right, double down) {
        BoundingBox at = box(niche(name));
        page.mouse().move(at.x + 36, at.y + 64);
        page.mouse().down();
        page.mouse()
                .move(
                        at.x + 36 + right,
                        at.y + 64 + down,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(12));
        page.mouse().up();
    }

    private static Locator niche(String name) {
        return page.locator("[data-niche][aria-label^='" + name + "']");
    }

    @Test
    void a_pasted_cell_with_a_line_break_stays_one_cell() {
        row(2).locator("[data-column=name]").click();
        page.evaluate(
                "() => { const d = new DataTransfer(); d.setData('text/plain', '\"Wash\\nleft\"\\tX\\nSecond\\tY\\n');"
                        + " document.querySelector('[role=grid]').dispatchEvent(new ClipboardEvent('paste', { clipboardData: d, bubbles: true })); }");
        assertThat(page.getByText("Paste 2 rows")).isVisible();
        assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Wash left")))
                .isVisible();
        page.keyboard().press("Escape");
    }
}
