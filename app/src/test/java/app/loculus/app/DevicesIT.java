package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Devices that were set wrong are found and mended by hand, by pointer and by keys. */
class DevicesIT extends InBrowser {

    private static final String SHOW = "patch 1 thru 8 as \"Skiff Wash / extended\" at 1.1\n"
            + "patch 11 thru 14 as \"Fathom Profile / standard\" at 2.1\n"
            + "place 1 thru 8 at -3,2,6 thru 3,2,6\nplace 11 thru 14 at -3,4,6 thru 3,4,6";

    @BeforeEach
    void aRigWithFaults() {
        besideTheApplication();
        page.evaluate(
                "async (text) => { const send = (m, u, b) => fetch(u, { method: m, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await send('POST', '/api/shows', { name: 'Devices' })).json(); await send('POST', `/api/shows/${show.id}/line`, { text });"
                        + " await send('PUT', '/api/rig/1', { address: '1.21' }); await send('PUT', '/api/rig/2', { address: '1.1' });"
                        + " await send('PUT', '/api/rig/11', { address: '2.400' }); await send('PUT', '/api/rig/12', { dead: true });"
                        + " await send('PUT', '/api/rig/13', { address: '1.401' }); }",
                SHOW);
        page.navigate(app.url() + "/patch?view=devices");
        assertThat(button("^Search$")).isVisible();
    }

    private static Locator device(String key) {
        return page.locator("[data-device='" + key + "']");
    }

    @Test
    void faults_are_found_and_mended_by_pointer_in_six_presses() {
        count();
        button("^Search$").click();
        assertThat(page.getByText("11 devices on 2 lines, 7 as patched, 1 missing"))
                .isVisible();
        assertThat(device("1")).containsText("swapped");
        assertThat(device("1")).containsText("At 1.21, the address of 2, which is at 1.1.");
        assertThat(device("11")).containsText("It is set to 2.400, patched is 2.1.");
        assertThat(device("12")).containsText("missing");
        assertThat(device("13")).containsText("It hangs on the line of universe 1, patched is 2.");
        button("^Set all 3 devices$").click();
        button("^Change the patch of 13$").click();
        assertThat(page.getByText("Sets 3 devices")).isVisible();
        button("^Set 3, change patch of 1$").click();
        assertThat(page.getByText("11 devices on 2 lines, 11 as patched, 1 missing"))
                .isVisible();
        button("^Remember which is which$").click();
        assertThat(page.getByText("11 of 11 devices are remembered")).isVisible();
        assertThat(presses()).isLessThanOrEqualTo(6);
        assertThat((String) get("/api/rig/1")).contains("\"address\":\"1.1\"");
        assertThat((String) get("/api/rig/13")).contains("\"asPatched\":true");
    }

    @Test
    void a_row_is_shown_on_the_stage_set_and_labelled_by_keys() {
        button("^Search$").press("Enter");
        assertThat(device("1")).isVisible();
        Locator rows = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(Pattern.compile("^Rows")));
        rows.press("ArrowDown");
        assertThat(device("1")).hasAttribute("aria-current", "true");
        rows.press("i");
        assertThat(page.getByLabel("Identify 1", new Page.GetByLabelOptions().setExact(true)))
                .hasAttribute("aria-pressed", "true");
        assertThat((String) get("/api/rig/1")).contains("\"identifies\":true");
        rows.press("i");
        assertThat(page.getByLabel("Identify 1", new Page.GetByLabelOptions().setExact(true)))
                .hasAttribute("aria-pressed", "false");
        rows.press("ArrowDown");
        rows.press("ArrowDown");
        rows.press("s");
        assertThat(page.getByLabel("Set the device of 11")).hasAttribute("aria-pressed", "true");
        assertThat(page.getByText("address 2.400 → 2.1")).isVisible();
        page.getByLabel("Label").fill("11 Bridge left");
        button("^Write$").press("Enter");
        assertThat(button("^Write$")).isDisabled();
        assertThat(page.getByText(Pattern.compile("Head \\d\\d °C"))).isVisible();
        button("^Set 1$").press("Enter");
        assertThat(device("11")).hasCount(0);
    }

    @Test
    void a_fixture_that_is_brought_up_shows_itself_and_no_more_when_it_is_left() {
        page.navigate(app.url() + "/patch?view=bring-up");
        assertThat(page.getByTestId("bring-up-number")).hasText("1");
        page.keyboard().press("i");
        until(() -> ((String) get("/api/rig/1")).contains("\"identifies\":true"));
        page.keyboard().press("ArrowDown");
        until(() -> ((String) get("/api/rig/2")).contains("\"identifies\":true")
                && ((String) get("/api/rig/1")).contains("\"identifies\":false"));
        page.navigate(app.url() + "/handheld");
        page.getByLabel("What to select").fill("3");
        button("^Hold$").click();
        button("^Identify$").click();
        until(() -> ((String) get("/api/rig/3")).contains("\"identifies\":true"));
    }
}
