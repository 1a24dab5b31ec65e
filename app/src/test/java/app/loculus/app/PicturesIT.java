package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Takes the pictures of {@code docs/screenshots} anew, all of one revision of the demo. No law: it is run by
 * {@code ./loculus pictures}.
 */
class PicturesIT extends InBrowser {

    private static final Path PICTURES = Path.of("../docs/screenshots");

    /** A name, and how it gets on with a drawing that says otherwise here and there. */
    private static final String DRAWN_OTHERWISE =
            "place 1 at -7.5,-5,4.5\nname 2 \"Gallery rail left\"\npatch 101 at 4.473\ndelete 203\nmark \"Lifeboat\" at -2, 4, 1.2";

    @Test
    void all_of_them() throws IOException {
        assumeTrue(Boolean.getBoolean("loculus.pictures"), "run by ./loculus pictures");
        page.navigate(app.url() + "/show");
        post("/api/shows/demo", "{}");
        chapters();
        looks();
        paper();
        handed();
        devices();
        ring();
    }

    private static String post(String path, String body) {
        return (String) page.evaluate(
                "async ([u, body]) => (await fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body })).text()",
                List.of(path, body));
    }

    private static void at(String path) {
        page.navigate(app.url() + path);
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
    }

    /** Once everything stands and nothing is being pointed at. */
    private static void taken(Page of, String name) {
        of.mouse().move(1, 799);
        of.waitForTimeout(1200);
        of.screenshot(new Page.ScreenshotOptions().setPath(PICTURES.resolve(name + ".png")));
    }

    private static void taken(String name) {
        taken(page, name);
    }

    private static void chapters() {
        at("/show");
        taken("show");
        at("/profiles");
        taken("profiles");
        at("/patch");
        taken("patch");
        at("/patch?view=output");
        taken("patch-by-output");
        at("/groups");
        taken("groups");
        at("/palettes");
        taken("palettes");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Coverage"))
                .click();
        taken("coverage");
        at("/check");
        taken("check");
        at("/hand-over");
        taken("hand-over");
    }

    private static void looks() {
        at("/looks");
        page.getByText("Lamplight on the slip").first().click();
        taken("looks");
        at("/looks?view=effects");
        taken("effects");
    }

    /** After all others, for choosing a list is an edit. */
    private static void ring() {
        post("/api/shows/1/live", "{}");
        at("/looks");
        page.locator("[data-niche][aria-label^='2 Bosun']").click();
        taken("looks-ring");
    }

    private static void paper() throws IOException {
        // The same show drawn otherwise, beside it and open for a moment.
        String copy = post("/api/shows", "{\"name\":\"Drawn\",\"from\":1}").replaceAll("(?s).*\"id\":(\\d+).*", "$1");
        post(
                "/api/shows/" + copy + "/line",
                "{\"text\":\"" + DRAWN_OTHERWISE.replace("\"", "\\\"").replace("\n", "\\n") + "\"}");
        byte[] scene = octets("/api/shows/" + copy + "/scene.mvr");
        post("/api/shows/1/live", "{}");
        at("/patch?view=paper");
        assertThat(page.getByText("The Glass Tide").first()).isVisible();
        page.getByLabel("Hookup or scene file")
                .setInputFiles(new FilePayload("theirs.mvr", "application/octet-stream", scene));
        assertThat(page.getByText("Keep the drawing with the show")).isVisible();
        taken("patch-scene");
        button("^Another file").click();
        button("paperwork").first().click();
        assertThat(page.getByText("columns recognised")).isVisible();
        taken("patch-against-paper");
        Files.write(
                PICTURES.resolve("paper-by-position.png"), octets("/api/shows/1/paper/hookup-by-position/pages/1.png"));
    }

    private static byte[] octets(String path) {
        return page.request().get(app.url() + path).body();
    }

    private static void handed() {
        try (Page hand = browser.newPage(new Browser.NewPageOptions().setViewportSize(360, 640))) {
            hand.navigate(app.url() + "/handheld");
            taken(hand, "handheld");
        }
        post("/api/shows/1/versions", "{\"name\":\"For the desk\"}");
        String version = ((String) get("/api/shows/1/versions")).replaceAll("(?s)^[^}]*?\"id\":(\\d+).*", "$1");
        String token = post("/api/shows/1/showings", "{\"version\":" + version + "}")
                .replaceAll("(?s).*\"token\":\"([^\"]+)\".*", "$1");
        at("/showing/" + token);
        taken("showing");
        at("/show");
        button("^Another rig…$").click();
        page.getByLabel("Hookup, scene or show file of the other rig")
                .setInputFiles(new FilePayload("Harbour hall.csv", "text/csv", AnotherRigIT.house()));
        assertThat(page.getByLabel("Parts of the show")).containsText("Doors open");
        taken("another-rig");
    }

    private static void devices() {
        page.evaluate("() => localStorage.setItem('loculus-theme', 'night')");
        post("/api/rig/practice", "{\"seed\":11}");
        at("/patch?view=devices");
        button("^Search$").click();
        assertThat(page.getByText("wrong mode").first()).isVisible();
        page.locator("[data-device]")
                .filter(new Locator.FilterOptions().setHasText("wrong mode"))
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Identify"))
                .click();
        page.getByText("wrong mode").first().click();
        button("^Set all").click();
        taken("patch-devices");
        button("^Stop identifying").click();
        page.evaluate(
                "async () => { await fetch('/api/rig/practice', { method: 'DELETE' }); localStorage.setItem('loculus-theme', 'workroom'); }");
    }
}
