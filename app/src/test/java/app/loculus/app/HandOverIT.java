package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.formats.parcel.Parcel;
import app.loculus.formats.showfile.ShowArchive;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** The demo show from what is open to what goes out: looked over, mended, set aside, signed, packed. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class HandOverIT extends InBrowser {

    @BeforeAll
    static void theDemoShow() {
        app.close();
        app.start("--loculus.demo=true");
        page.navigate(app.url() + "/check");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Check")))
                .isVisible();
    }

    private static Locator open() {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Open")));
    }

    private static int openNow() {
        return Integer.parseInt(open().innerText().replaceAll("\\D", ""));
    }

    private static Locator findings() {
        return page.getByLabel("Findings", new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.LISTITEM);
    }

    private static Locator mends() {
        return findings()
                .filter(new Locator.FilterOptions().setHasNotText("shared on purpose"))
                .filter(new Locator.FilterOptions().setHasNotText("plain values"))
                .locator("span > button");
    }

    /** What mends a finding comes when it is in sight. */
    private static boolean offered() {
        try {
            mends().first().waitFor(new Locator.WaitForOptions().setTimeout(2_000));
            return true;
        } catch (TimeoutError nothing) {
            return false;
        }
    }

    @Test
    @Order(1)
    void a_finding_says_who_it_is_about_what_a_press_would_do_and_leads_there() {
        Locator seen = findings()
                .filter(new Locator.FilterOptions().setHasText("swing while they come in"))
                .first();
        seen.hover();
        Locator card = page.getByLabel("The finding looked at");
        assertThat(card).containsText("swing while they come in");
        assertThat(card.getByLabel("Who it is about").getByRole(AriaRole.LISTITEM))
                .not()
                .hasCount(0);
        seen.locator("span > button").first().hover();
        assertThat(card).containsText("Prepares cue");
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go there"))
                .click();
        until(() -> page.url().endsWith("/looks"));
        go("Check");
        page.getByLabel("Find among the findings").fill("strobe");
        assertThat(findings()).hasCount(1);
        page.getByLabel("Find among the findings").fill("");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("by fixture"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("703")))
                .isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("by chapter"))
                .click();
    }

    @Test
    @Order(2)
    void everything_is_mended_or_set_aside_in_fewer_presses_than_twice_the_findings() {
        int before = openNow();
        assertThat(before).isBetween(12, 25);
        count();
        // What one press mends is mended; what is left is looked at and set aside.
        while (offered()) {
            String line = mends().first().getAttribute("title");
            mends().first().click();
            assertThat(page.locator("button[title='" + line + "']")).hasCount(0);
        }
        while (openNow() > 0) {
            // A section of several is set aside as a whole.
            Locator all = button("^Set all \\d+ of ");
            (all.count() > 0 ? all : button("^Set aside: ")).first().click();
            page.keyboard().type("looked at");
            int left = openNow();
            page.keyboard().press("Enter");
            until(() -> openNow() < left);
        }
        assertThat(presses()).as("of " + before + " findings").isLessThan(30);
        assertThat(page.getByText("Nothing is open.")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Mended today")))
                .click();
        assertThat(page.getByLabel("Mended today").getByRole(AriaRole.LISTITEM))
                .not()
                .hasCount(0);
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Set aside")))
                .click();
        int aside = findings().count();
        assertThat(aside).isPositive();
        button("Open again").first().click();
        assertThat(findings()).hasCount(aside - 1);
        page.keyboard().press("Control+z");
        assertThat(findings()).hasCount(aside);
        open().click();
        // The rail counts the very same.
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Check"))))
                .containsText("nothing open");
    }

    @Test
    @Order(3)
    void chapters_are_signed_and_a_change_says_so() {
        go("Hand over");
        Locator signed = page.getByLabel("Signed off");
        page.getByLabel("Who signs").fill("R. Ohm");
        for (String chapter : new String[] {"Profiles", "Patch", "Groups", "Palettes", "Looks"}) {
            button("^Sign " + chapter).click();
            assertThat(button("Take the name off " + chapter)).isVisible();
        }
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Hand over"))))
                .containsText("5 of 5 signed");
        line("rename group 1 \"Profiles, all\"");
        assertThat(signed).containsText("changed since");
        button("^Sign Groups").click();
        assertThat(signed).not().containsText("changed since");
    }

    @Test
    @Order(4)
    void paper_is_looked_at_as_it_is_printed() {
        Locator paper = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Paper").setExact(true));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Hookup by output"))
                .click();
        Locator picture = paper.locator("img");
        assertThat(paper).containsText("page 1 of");
        until(() -> (Boolean) picture.evaluate("i => i.complete && i.naturalWidth > 800"));
        button("The next page").click();
        assertThat(paper).containsText("page 2 of");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Across"))
                .click();
        until(() -> (Boolean) picture.evaluate("i => i.complete && i.naturalWidth > i.naturalHeight"));
        Download pdf = page.waitForDownload(() -> page.getByLabel("How it is printed")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("PDF"))
                .click());
        assertThat(pdf.suggestedFilename()).isEqualTo("The Glass Tide hookup-by-output.pdf");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("As fits"))
                .click();
    }

    @Test
    @Order(5)
    void the_parcel_holds_what_was_chosen_and_opens_as_the_show() throws IOException {
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Cues as text"))
                .click();
        Download made = page.waitForDownload(() -> button("Make the parcel").click());
        assertThat(made.suggestedFilename()).isEqualTo("The Glass Tide" + Parcel.SUFFIX);
        byte[] parcel = Files.readAllBytes(made.path());
        assertThat(ShowArchive.read(Parcel.showFile(parcel)).name()).isEqualTo("The Glass Tide");
        assertThat(page.getByText("nothing changed since")).isVisible();
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Cues as text"))
                .click();
    }
}
