package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Tasks that go through several chapters. */
class LongerTasksIT extends InBrowser {

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
    }

    /** What is there before a task, typed into a page that has the show of this test and not the one before. */
    private static void given(String... lines) {
        page.navigate(app.url() + "/show");
        for (String line : lines) {
            line(line);
        }
    }

    private static Locator niche(String begins) {
        return page.locator("[data-niche][aria-label^='" + begins + "']");
    }

    @Test
    void a_version_is_kept_and_gone_back_to() {
        in("/show");
        page.getByLabel("Name of a version").click();
        page.keyboard().type("Before");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Versions").getByText("Before").first()).isVisible();
        line("delete group 1");
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
