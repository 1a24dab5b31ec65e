package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From an empty folder to a rig of eighteen that is patched, read aloud and brought up, by keyboard alone; the application dies twice in between. */
class KeyboardOnlyIT extends InBrowser {

    private static final int RIG = 18;
    private static final int SLOTS = 9;
    private static final int MOST_TABS = 80;

    private static void press(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    /** Goes from part to part until the wanted one has the focus. */
    private static void tabTo(Locator wanted) {
        for (int i = 0; i < MOST_TABS; i++) {
            if (wanted.count() == 1 && Boolean.TRUE.equals(wanted.evaluate("e => e === document.activeElement"))) {
                return;
            }
            press("Tab");
        }
        assertThat(wanted).isFocused();
    }

    private static Locator radio(String name) {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    /** Arrow keys go through the ways to look at the patch. */
    private static void look(String from, String to) {
        press("Escape");
        tabTo(radio(from));
        for (int i = 0; i < 5 && !"true".equals(radio(to).getAttribute("aria-checked")); i++) {
            String before = page.url();
            press("ArrowRight");
            page.waitForURL(url -> !url.equals(before));
            page.waitForTimeout(250);
        }
        assertThat(radio(to)).hasAttribute("aria-checked", "true");
    }

    private static void newShow(String name) {
        Locator start = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New show…"));
        assertThat(start).isVisible();
        tabTo(start);
        press("Enter");
        assertThat(page.getByLabel("Name of a new show")).isFocused();
        page.keyboard().type(name);
        press("Enter");
        assertThat(page.getByText("Nothing is patched yet.")).isVisible();
    }

    private static void patch() {
        press("/");
        page.keyboard().type("patch 1 thru " + RIG + " as \"skiff wash / b");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Skiff Wash / basic");
        assertThat(lineInput()).hasAttribute("aria-invalid", "false");
        press("ArrowDown", "Enter");
        assertThat(lineInput()).hasValue("patch 1 thru " + RIG + " as \"Skiff Wash / basic\" ");
        page.keyboard().type("at 1.1");
        assertThat(reading()).containsText("18 × 9 slots");
        press("Enter");
        assertThat(lineInput()).hasValue("");
        assertThat(row(1)).isVisible();
    }

    private static Locator spoken() {
        return page.getByLabel("Number and address as they are read");
    }

    private static String address(int number) {
        return "2." + (1 + (number - 1) * SLOTS);
    }

    private static void read(int number) {
        page.keyboard().type(number + " " + address(number));
        press("Enter");
    }

    private static Locator said(int count) {
        return page.getByText(Pattern.compile("^Read: " + count + "$"));
    }

    private static String patched() {
        return (String) page.evaluate(
                "async () => { const shows = await (await fetch('/api/shows')).json(); const id = shows.find((s) => s.live).id;"
                        + " const p = await (await fetch(`/api/shows/${id}/patch`)).json();"
                        + " const on = p.fixtures.filter((f) => f.address.startsWith('2.')).length;"
                        + " const of = (a) => p.fixtures.filter((f) => f.answer === a).length;"
                        + " return `${on} read, ${of('answered')} answered, ${of('wrong')} wrong`; }");
    }

    private static void bringUp(int from, int to) {
        for (int n = from; n <= to; n++) {
            assertThat(page.getByTestId("bring-up-number")).hasText(String.valueOf(n));
            press("a");
        }
    }

    @Test
    void a_rig_of_eighteen_from_an_empty_folder_with_the_application_away_twice() {
        page.navigate(app.url());
        newShow("By keys");
        patch();
        look("By fixture", "Read aloud");
        tabTo(spoken());
        for (int n = 1; n <= 6; n++) {
            read(n);
        }
        assertThat(said(6)).isVisible();
        app.kill();
        assertThat(reading()).hasText("The application is away");
        press("Escape", "/");
        page.keyboard().type("all at 50");
        press("Enter");
        assertThat(page.getByText("nothing was done")).isVisible();
        assertThat(lineInput()).hasValue("all at 50");
        press("Control+A", "Backspace", "Escape");
        tabTo(spoken());
        read(7);
        assertThat(page.getByText("The application does not answer.")).isVisible();
        assertThat(spoken()).hasValue("7 " + address(7));
        app.start();
        assertThat(reading()).not().hasText("The application is away");
        press("Enter");
        assertThat(said(7)).isVisible();
        for (int n = 8; n <= RIG; n++) {
            read(n);
        }
        assertThat(said(RIG)).isVisible();
        press("Backspace");
        assertThat(said(RIG - 1)).isVisible();
        read(RIG);
        assertThat(said(RIG)).isVisible();
        look("Read aloud", "Bring up");
        press("Tab");
        bringUp(1, 6);
        assertThat(page.getByTestId("bring-up-number")).hasText("7");
        press("n");
        page.keyboard().type("8 lights instead");
        press("Enter", "w");
        bringUp(8, 11);
        assertThat(page.getByTestId("bring-up-number")).hasText("12");
        app.kill();
        assertThat(reading()).hasText("The application is away");
        press("a");
        page.waitForTimeout(1500);
        assertThat(page.getByTestId("bring-up-number")).hasText("12");
        app.start();
        assertThat(reading()).not().hasText("The application is away");
        bringUp(12, RIG);
        assertThat(page.getByText(RIG + " of " + RIG + " tried")).isVisible();
        assertTrue(patched().equals("18 read, 17 answered, 1 wrong"), patched());
    }
}
