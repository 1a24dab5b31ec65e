package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;

/** The packaged application in a headless browser, with the few things a person does again and again. */
abstract class InBrowser {

    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-gpu",
            "--in-process-gpu",
            "--js-flags=--no-opt");

    private static final int LOOK_MS = 60;

    /** Seconds that something may take on a slow machine. */
    private static final int PATIENCE = Integer.getInteger("loculus.patience", 60);

    @TempDir
    static Path data;

    /** One browser for all classes of a run; it takes longer to come up than most tests take. */
    private static final class Shared {
        static final Playwright PLAYWRIGHT = Playwright.create();
        static final Browser BROWSER = PLAYWRIGHT
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(FLAGS));

        static {
            Runtime.getRuntime().addShutdownHook(new Thread(PLAYWRIGHT::close));
        }
    }

    static BrowsedApplication app;
    static Browser browser;
    static Page page;

    @BeforeAll
    static void start() {
        app = new BrowsedApplication(data);
        app.start();
        browser = Shared.BROWSER;
        // Machines may be slow; what does not come at all still fails.
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE * 1000);
        page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.setDefaultTimeout(PATIENCE * 1000);
    }

    @AfterAll
    static void stop() {
        page.close();
        app.close();
    }

    /** A page in a browser that has never seen the application. */
    static Page cold() {
        return Shared.BROWSER
                .newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
                .newPage();
    }

    /** On some page of the application, so that what is fetched is its own; the one that is there does. */
    static void besideTheApplication() {
        if (!page.url().startsWith(app.url())) {
            page.navigate(app.url() + "/show");
        }
    }

    /**
     * A show of its own for a test, made beside the page, which is loaded anew at a path of it.
     *
     * @param lines what makes it
     */
    static void freshShow(String name, String lines, String path) {
        besideTheApplication();
        page.evaluate(
                "async ([name, text]) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name })).json();"
                        + " await post(`/api/shows/${show.id}/line`, { text }); }",
                List.of(name, lines));
        page.navigate(app.url() + path);
    }

    /** Goes to a path within the application, as a press on its rail would. */
    static void open(String path) {
        page.evaluate(
                "(path) => { history.pushState(null, '', path); dispatchEvent(new PopStateEvent('popstate')); }", path);
        page.waitForFunction(
                "(chapter) => { const rail = document.querySelector('nav[aria-label=Chapters]');"
                        + " return rail ? rail.querySelector(`[href='${chapter}']`)?.ariaCurrent === 'page' : chapter === '/handheld'; }",
                path.replaceAll("\\?.*", ""));
    }

    static Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    static Locator lineInput() {
        return page.locator("#line");
    }

    static Locator reading() {
        return page.locator("#line-reading");
    }

    /** Puts a line in at once, as if it were pasted, waits for what it would do, and does it. */
    static void line(String text) {
        page.keyboard().press("Escape");
        page.keyboard().press("/");
        lineInput().fill(text);
        assertThat(reading()).not().isEmpty();
        page.keyboard().press("Enter");
        assertThat(lineInput()).hasValue("");
        page.keyboard().press("Escape");
    }

    /** As an expression that means just these letters, to browsers too. */
    private static String plain(String text) {
        return text.replaceAll("[.*+?^${}()|\\[\\]\\\\/]", "\\\\$0");
    }

    /** Opens a choice by its name and takes one of it. */
    static void choose(String label, String option) {
        button("^" + plain(label) + ": ").first().click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^" + plain(option))))
                .first()
                .click();
    }

    /** Takes an entry of a menu. */
    static void menu(String button, String entry) {
        button("^" + plain(button)).first().click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + plain(entry))))
                .click();
    }

    /** Types words into a choice of very many and takes the first that has them. */
    static void find(String label, String words) {
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(label))
                .fill(words);
        String last = words.substring(words.lastIndexOf(' ') + 1);
        assertThat(page.getByRole(AriaRole.OPTION).first())
                .containsText(last, new LocatorAssertions.ContainsTextOptions().setIgnoreCase(true));
        page.keyboard().press("Enter");
    }

    static void go(String chapter) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(chapter)))
                .click();
    }

    static Locator row(int number) {
        return page.locator("[data-number='" + number + "']");
    }

    /** Where something is on the page; what is just being drawn anew is asked again. */
    static BoundingBox box(Locator locator) {
        locator.waitFor();
        for (int tries = 0; tries < 50; tries++) {
            BoundingBox box = locator.boundingBox();
            if (box != null) {
                return box;
            }
            page.waitForTimeout(100);
        }
        throw new AssertionError("It is nowhere on the page: " + locator);
    }

    /** Waits until something holds, and looks again only after a moment: each look is a request. */
    static void until(BooleanSupplier holds) {
        long deadline = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE);
        while (!holds.getAsBoolean()) {
            if (System.nanoTime() > deadline) {
                throw new AssertionError("It does not come within " + PATIENCE + " s.");
            }
            page.waitForTimeout(LOOK_MS);
        }
    }

    static double rig(int number, String part) {
        Object value = page.evaluate(
                "async ([n, p]) => { const r = await (await fetch('/api/rig/' + n)).json(); return p.split('.').reduce((o, k) => o[k], r) }",
                List.of(number, part));
        return ((Number) value).doubleValue();
    }

    static Object get(String path) {
        return page.evaluate("async (p) => (await fetch(p)).text()", path);
    }

    /** Counts what a hand does from now on: pointer presses and keys, a name that is typed as one. */
    static void count() {
        page.evaluate(
                "() => { const again = window.presses !== undefined; window.presses = 0; if (again) return; let typing = null;"
                        + " const add = () => { window.presses++; typing = null; };"
                        + " document.addEventListener('pointerdown', add, true);"
                        + " document.addEventListener('keydown', (e) => {"
                        + "  if (['Shift', 'Control', 'Alt'].includes(e.key)) return;"
                        + "  if (/^\\d$/.test(e.key) && !e.target.matches('input, textarea')) { window.presses++; typing = document.getElementById('line'); return; }"
                        + "  if (e.target.matches('input, textarea') && e.key.length === 1) {"
                        + "   if (typing !== e.target) { window.presses++; typing = e.target; } return; }"
                        + "  add(); }, true); }");
    }

    static int presses() {
        return ((Number) page.evaluate("() => window.presses")).intValue();
    }
}
