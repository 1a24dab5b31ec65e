package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * What is done again and again on a day before rehearsals, by pointer and keys, from what the pages say themselves, with
 * the presses that it takes at most: a press of the pointer, a key, a text typed in one go. {@code docs/tasks.md} has them
 * as a table.
 */
class TasksIT extends InBrowser {

    private static final String SHOW =
            "patch 1 thru 8 as \"Skiff Wash / extended\" at 1.1\nhang 1 thru 8 on \"Bridge 1\"\n"
                    + "patch 11 thru 14 as \"Fathom Profile / standard\" at 2.1\nhang 11 thru 14 on \"Bridge 2\"\n"
                    + "place 1 thru 8 at -3,2,6 thru 3,2,6\nplace 11 thru 14 at -3,4,6 thru 3,4,6\n"
                    + "1 + 2\nrecord group 1 \"A\"\n3 + 4\nrecord group 2 \"B\"\n5 + 6\nrecord group 3 \"C\"\n7 + 8\nrecord group 4 \"D\"\n"
                    + "1 thru 8 colour xy 0.25, 0.39\nrecord colour 1 \"Verdigris\" global\n"
                    + "1 thru 8 colour xy 0.6, 0.32\nrecord colour 2 \"Ember\" global\nclear all";

    @BeforeEach
    void aRig() {
        besideTheApplication();
        page.evaluate(
                "async (text) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name: 'Tasks' })).json(); await post(`/api/shows/${show.id}/line`, { text }); }",
                SHOW);
    }

    private static void in(String chapter) {
        page.navigate(app.url() + chapter);
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
        page.waitForTimeout(200);
        count();
    }

    /** What is there before a task, typed into a page that has the show of this test and not the one before. */
    private static void given(String... lines) {
        page.navigate(app.url() + "/show");
        for (String line : lines) {
            line(line);
        }
    }

    private static void took(String task, int atMost) {
        assertThat(presses()).as(task).isLessThanOrEqualTo(atMost);
    }

    private static Locator niche(String begins) {
        return page.locator("[data-niche][aria-label^='" + begins + "']");
    }

    @Test
    void nine_heads_are_patched() {
        in("/patch");
        Locator finder = page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Profile and mode"));
        finder.click();
        page.keyboard().type("fathom standard");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Fathom Profile · standard");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("First number")).isFocused();
        page.keyboard().type("300 thru 308");
        page.keyboard().press("Tab");
        page.keyboard().type("5.1");
        assertThat(button("^Patch 9 fixtures")).isEnabled();
        page.keyboard().press("Enter");
        assertThat(row(308)).isVisible();
        took("patch nine heads", 7);
    }

    @Test
    void groups_for_each_position() {
        in("/groups");
        button("^Starter groups").click();
        button("^position$").click();
        button("^Record 2 groups").click();
        assertThat(niche("5 BRIDGE 1")).isVisible();
        assertThat(niche("6 BRIDGE 2")).isVisible();
        took("groups per position", 3);
    }

    @Test
    void four_cues_from_nothing() {
        page.evaluate("() => localStorage.clear()");
        in("/looks");
        button("^Bench").click();
        for (String group : new String[] {"1 A", "2 B", "3 C", "4 D"}) {
            niche(group).last().click();
            button("^full$").click();
            button("^Record$").click();
            assertThat(page.getByRole(AriaRole.OPTION)).hasCount(Integer.parseInt(group.substring(0, 1)));
            button("^Clear$").click();
        }
        took("four cues from nothing", 20);
    }

    @Test
    void a_look_goes_on_a_fader() {
        given("1 thru 4 at 60");
        in("/looks");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Submaster"))
                .click();
        button("^Record$").click();
        assertThat(niche("1 ").nth(1)).isVisible();
        took("a look on a fader", 3);
    }

    @Test
    void lights_are_found_by_what_they_do_and_given_another_colour() {
        given("1 thru 3 at 40 colour 1", "clear");
        in("/palettes");
        page.keyboard().press("f");
        page.getByLabel("Find…")
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Select"))
                .click();
        assertThat(page.getByText("3 Skiff Wash").first()).isVisible();
        took("those that are lit", 2);
        niche("2 Ember").click();
        until(() -> rig(2, "colour.x") > 0.5);
        took("those that are lit, given another colour", 3);
    }

    @Test
    void an_effect_is_started_on_any_attribute() {
        given("1 thru 8 at 60");
        in("/looks?view=effects");
        button("^Any effect").click();
        choose("What moves", "Zoom");
        choose("Form", "ramp");
        button("^Start$").click();
        assertThat(page.getByText("Running, not stored").first()).isVisible();
        took("an effect on any attribute with any waveform", 6);
    }

    @Test
    void an_effect_goes_from_palette_to_palette() {
        given("1 thru 8 at 60");
        in("/looks?view=effects");
        button("^Any effect").click();
        choose("What moves", "between two palettes");
        choose("Palette 1", "colour 1 Verdigris");
        choose("Palette 2", "colour 2 Ember");
        button("^Start$").click();
        assertThat(page.getByText("Running, not stored").first()).isVisible();
        took("an effect between two palettes", 8);
    }

    @Test
    void a_version_is_kept_and_gone_back_to() {
        in("/show");
        page.getByLabel("Name of a version").click();
        page.keyboard().type("Before");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Versions").getByText("Before").first()).isVisible();
        took("a version is kept", 3);
        line("delete group 1");
        count();
        button("^Before").click();
        // A page that is left takes with it what it has not sent yet.
        page.waitForResponse("**/restore", () -> button("^Restore “Before”").click());
        in("/groups");
        assertThat(niche("1 A")).isVisible();
    }

    @Test
    void a_group_is_recalled_stepped_and_said_to_be_partly_selected() {
        given("type \"Skiff Wash\" every 2", "record group 9 \"Odd\" as recipe", "clear");
        in("/groups");
        niche("9 Odd").click();
        assertThat(niche("9 Odd")).hasAttribute("aria-pressed", "true");
        page.keyboard().press("]");
        assertThat(page.getByText("share 2 of 2")).isVisible();
        took("a group and its next share", 2);
        assertThat(niche("1 A")).hasAttribute("aria-pressed", "mixed");
        assertThat(niche("1 A")).hasAttribute("aria-label", Pattern.compile("A part of it is selected"));
    }

    @Test
    void the_round_goes_on_by_what_is_done() {
        in("/show");
        button("^Guided round$").click();
        Locator round = page.getByLabel("Guided round").first();
        assertThat(round).containsText("1 of 7 · Patch");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go there"))
                .click();
        line("patch 51 as \"Ember Par / 6-slot\" at next gap");
        assertThat(round).containsText("2 of 7 · Groups");
        page.getByLabel("Leave the round").click();
        assertThat(page.getByText("2 of 7 · Groups")).hasCount(0);
        page.navigate(app.url() + "/show");
        button("^Guided round$").click();
        assertThat(round).containsText("2 of 7 · Groups");
        page.getByLabel("Leave the round").click();
    }
}
