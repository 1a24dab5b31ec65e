package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import app.loculus.core.profile.Profile;
import app.loculus.formats.gdtf.ArchiveReader;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.showfile.ShowArchive;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** Profiles in and out of the library, versions, templates and files of shows, as a person handles them. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class LibraryIT extends InBrowser {

    private static Profile par() {
        return ShippedProfiles.all().all().stream()
                .filter(p -> p.name().equals("Ember Par"))
                .findFirst()
                .orElseThrow();
    }

    private static FilePayload file(String name, byte[] octets) {
        return new FilePayload(name, "application/octet-stream", octets);
    }

    private static Locator sheet(String show) {
        return page.locator("[data-show='" + show + "']");
    }

    /** Does something with a show from the menu of its sheet. */
    private static void with(String show, String what) {
        sheet(show).getByLabel("What to do with " + show).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + what)))
                .click();
    }

    private static Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    @Order(1)
    void a_show_begins_with_dimmers_one_to_one() {
        page.navigate(app.url() + "/show");
        button("New show…").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Dimmers"))
                .click();
        page.getByLabel("How many dimmers").fill("24");
        page.getByLabel("Name of a new show").fill("House");
        page.keyboard().press("Enter");
        assertThat(row(1).locator("[data-column=address]")).hasText("1.1");
        page.getByLabel("Find fixtures").fill("24");
        assertThat(row(24).locator("[data-column=address]")).hasText("1.24");
    }

    @Test
    @Order(2)
    void files_come_in_with_what_was_odd_and_what_was_refused() {
        go("Profiles");
        byte[] good = ArchiveWriter.write(DescriptionReader.read(par().source().replace("Ember Par", "Cinder Par")));
        page.getByLabel("Profile files").setInputFiles(new FilePayload[] {
            file("cinder.gdtf", good), file("broken.gdtf", "no archive".getBytes(StandardCharsets.UTF_8))
        });
        assertThat(page.getByText("Corvid Optics Cinder Par is in the library")).isVisible();
        assertThat(page.getByText("This is no ZIP archive that can be read")).isVisible();
        button("^Done$").click();
        assertThat(heading("Cinder Par")).isVisible();
        page.getByLabel("Find profiles").fill("corvid 8");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("By maker"))
                .click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Cinder Par"))))
                .isVisible();
        page.getByLabel("Find profiles").fill("nothing like it");
        assertThat(button("Build it from its slot chart")).isVisible();
        page.getByLabel("Find profiles").fill("");
    }

    @Test
    @Order(3)
    void a_profile_goes_out_as_a_file_that_is_read_back_the_same() throws IOException {
        Download download = page.waitForDownload(
                () -> page.getByText("Save as file").first().click());
        byte[] octets = Files.readAllBytes(download.path());
        assertTrue(download.suggestedFilename().endsWith(".gdtf"));
        assertEquals("Cinder Par", ArchiveReader.read(octets).profile().name());
    }

    @Test
    @Order(4)
    void a_copy_is_adapted_and_saved_under_its_own_name() {
        button("Adapt a copy").click();
        assertThat(page.getByLabel("Model")).hasValue("Cinder Par copy");
        page.getByLabel("Model").fill("Cinder Par short");
        page.getByLabel("Home of slot 8").fill("0");
        page.keyboard().press("Tab");
        button("Save to the library").click();
        assertThat(heading("Cinder Par short")).isVisible();
        button("Take out of the library").click();
        assertThat(heading("Cinder Par short")).hasCount(0);
    }

    @Test
    @Order(5)
    void what_the_library_has_by_now_is_offered_with_what_it_would_change() {
        go("Patch");
        line("patch 101 + 102 as \"Cinder Par / 8-slot\" at 3.1 gap 8");
        byte[] newer = ArchiveWriter.write(DescriptionReader.read(
                par().source().replace("Ember Par", "Cinder Par").replaceFirst("Offset=\"1\"", "Offset=\"9\"")));
        go("Profiles");
        page.getByLabel("Profile files").setInputFiles(new FilePayload[] {file("cinder.gdtf", newer)});
        button("^Done$").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("In use first"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("library differs")))
                .click();
        assertThat(page.getByText("8 slots became 9").first()).isVisible();
        button("See what taking it would do").click();
        assertThat(page.getByText("Changes 2 fixtures to Cinder Par / 8-slot: 8 → 9 slots"))
                .isVisible();
        button("Take the library").click();
        assertThat(page.getByText("library differs")).hasCount(0);
    }

    @Test
    @Order(6)
    void versions_are_kept_compared_in_words_and_restored() {
        go("Show");
        page.getByLabel("Name of a version").fill("After patch");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Versions").getByText("After patch")).isVisible();
        line("delete 1 thru 3");
        button("^After patch").click();
        assertThat(page.getByText("3 fixtures gone: 1 thru 3")).isVisible();
        button("^Restore “After patch”").click();
        assertThat(page.getByText("Nothing differs.")).isVisible();
        button("^ ?Undo$").click();
        assertThat(page.getByText("3 fixtures gone: 1 thru 3")).isVisible();
        button("^ ?Redo$").click();
    }

    @Test
    @Order(7)
    void a_show_is_duplicated_made_a_template_and_put_away() {
        with("House", "Save as template");
        page.getByLabel("Name of the copy").fill("House rig");
        page.keyboard().press("Enter");
        assertThat(sheet("House rig")).containsText("template");
        button("New show…").click();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Template"))
                .click();
        page.getByLabel("Name of a new show").fill("Tonight");
        button("^Start the show$").click();
        button("Take the output over").click();
        assertThat(row(1)).isVisible();
        go("Show");
        with("House", "Archive");
        assertThat(button("Show 1 archived")).isVisible();
        button("Show 1 archived").click();
        with("House", "Take out of the archive");
        assertThat(button("archived$")).hasCount(0);
    }

    @Test
    @Order(8)
    void a_whole_show_goes_out_and_comes_in_again_and_a_damaged_file_changes_nothing() throws IOException {
        Download download = page.waitForDownload(() -> with("Tonight", "Save as file"));
        byte[] octets = Files.readAllBytes(download.path());
        assertEquals(26, ShowArchive.read(octets).patch().size());
        page.getByLabel("Show file").setInputFiles(file("tonight.loculus", octets));
        button("Take the output over").click();
        assertThat(sheet("Tonight")).hasCount(2);
        Object before = get("/api/shows");
        octets[octets.length / 2] ^= 5;
        page.getByLabel("Show file").setInputFiles(file("damaged.loculus", octets));
        button("Take the output over").click();
        assertThat(page.getByText(Pattern.compile("damaged|checksum|cut short")).first())
                .isVisible();
        assertEquals(before, get("/api/shows"));
    }
}
