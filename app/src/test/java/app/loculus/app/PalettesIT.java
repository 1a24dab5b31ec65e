package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

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
        besideTheApplication();
        page.evaluate(
                "async (text) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name: 'Palettes' })).json(); await post(`/api/shows/${show.id}/line`, { text }); }",
                PATCH);
        page.navigate(app.url() + "/palettes");
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

    @Test
    void recording_onto_a_palette_offers_merge_and_replace_with_what_they_change() {
        line("11 colour xy 0.5, 0.4");
        page.getByLabel("Palette number").fill("1");
        assertThat(page.getByText("colour 1 “Verdigris” exists already")).isVisible();
        scope("Type").click();
        Locator merge = button("^Merge: .*Fathom Profile 4 added");
        assertThat(merge).isVisible();
        assertThat(button("^Replace: .*global 4 removed")).isVisible();
        merge.click();
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

    @Test
    void a_scope_that_the_values_do_not_support_is_refused_in_words() {
        line("1 thru 4 red at 10 thru 90");
        scope("Global").click();
        assertThat(page.getByText("ColorAdd_R differs between 1, 2, 3, 4, so it cannot be recorded global."))
                .isVisible();
        scope("Auto").click();
        assertThat(page.getByText(Pattern.compile("Records colour 2 “Colour 2”, per fixture, from 4 units")))
                .isVisible();
    }

    @Test
    void a_wheel_left_out_is_said_and_closed_on_request() {
        line("11 cyan at 60");
        assertThat(page.getByText("The colour wheel of Fathom Profile is left out and would stack on the mix."))
                .isVisible();
        page.getByLabel("close untouched colour wheels").check();
        assertThat(page.getByText("would stack on the mix")).hasCount(0);
        assertThat(page.getByText(Pattern.compile("global 4 added"))).isVisible();
    }

    @Test
    void values_show_where_they_come_from_and_in_which_form() {
        line("1 thru 4 colour 1");
        kind("Colour").click();
        assertThat(page.getByText("1 Verdigris").first()).isVisible();
        line("red at 40");
        assertThat(page.getByText("40 %", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.getByLabel("Numbers as").selectOption("dmx");
        assertThat(page.getByText("26214", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        kind("Position").click();
        page.getByLabel("Numbers as").selectOption("physical");
        line("pan at -40 thru 40");
        assertThat(page.getByText("-40 … 40°")).isVisible();
        button("Send position home").click();
        assertThat(page.getByText("-40 … 40°")).hasCount(0);
    }

    @Test
    void wheels_are_chosen_from_their_slots() {
        line("12 at full");
        kind("Colour").click();
        page.getByLabel("Colour wheel", new Page.GetByLabelOptions().setExact(true))
                .selectOption("Ember");
        page.waitForCondition(() -> rig(12, "colour.x") > 0.6);
        kind("Beam").click();
        page.getByLabel("Gobo 1", new Page.GetByLabelOptions().setExact(true)).selectOption("Bars");
        page.waitForCondition(() -> get("/api/rig/12").toString().contains("\"gobo\":\"Bars\""));
    }

    @Test
    void a_mode_channel_comes_along_without_being_asked() {
        line("14 at full colour 1");
        page.waitForCondition(() -> Math.abs(rig(14, "colour.y") - 0.39) < 0.004);
        line("14 white at 3200 k");
        page.waitForCondition(() -> rig(14, "colour.x") > 0.41);
        assertThat(rig(14, "intensity")).isGreaterThan(0.99);
    }

    @Test
    void a_palette_follows_when_it_is_changed_and_undo_brings_it_back() {
        line("2 at full colour 1");
        line("1 colour xy 0.60, 0.34");
        line("record colour 1 replace");
        page.waitForCondition(() -> rig(2, "colour.x") > 0.58);
        page.keyboard().press("Control+z");
        page.waitForCondition(() -> rig(2, "colour.x") < 0.26);
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
        assertThat(page.getByLabel("Units in hand, in order").getByRole(AriaRole.BUTTON))
                .hasCount(4);
        page.waitForCondition(() -> rig(4, "pan") > 29.9);
    }
}
