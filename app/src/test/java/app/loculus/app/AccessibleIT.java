package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.KeyboardModifier;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Every page and every dialog, in both themes, through the rules of axe; and what keys alone can reach. */
class AccessibleIT extends InBrowser {

    private static final String SHOW = "patch 1 thru 6 as \"Skiff Wash / extended\" at 1.1\n"
            + "patch 11 thru 13 as \"House Dimmer\" at 2.1\npatch 21 as \"Tideline Batten / 38-slot\" at 3.1\n"
            + "patch 31 as \"Ember Par / 8-slot\" at 2.2 share\nadd 41 as \"House Dimmer\"\n"
            + "mark 2 wrong\nmark 3 answered\nmark 11 dead\n"
            + "hang 1 thru 6 on \"Bridge 1\"\nhang 11 thru 13 on \"Gallery\"\n"
            + "place 1 thru 6 at -5,2,6 thru 5,2,6\nplace 11 thru 13 at -3,-2,4 thru 3,-2,4\n"
            + "1 thru 6\nrecord group 1 \"Bridge washes\"\nat 60\nred 100\nrecord colour 1 \"Madder\"\n"
            + "record intensity 1 \"Glow\"\nrecord cue 1 \"Glow\" in 3 wait 1\nrecord cue 2 \"Again\" next 4 after end\n"
            + "list 2 \"Watch\" as chase\nrecord cue 1 of list 2\nrecord submaster 1 \"Glow\"\nrecord look 1 \"Glow\"\n1 + 11\nsine of dimmer at 20 thru 80 offset round\nrecord effect 1 \"Swell\"\ngo\ngo list 2"
            // Nothing moves while pages are looked at: drawing it would take longer than looking.
            + "\neffects off\npause list 1\npause list 2";

    private static final String BENCH = "[aria-label=Bench]";
    private static final String LAYOUT = script("/layout.js");
    private static final String AXE = AxeBuilder.getAxeScript();

    private static final List<String> PAGES = List.of(
            "/show",
            "/show?rig",
            "/profiles",
            "/profiles?build=",
            "/patch",
            "/patch?view=output",
            "/patch?view=paper",
            "/patch?view=aloud",
            "/patch?view=bring-up",
            "/groups",
            "/palettes",
            "/looks",
            "/looks?view=effects",
            "/check",
            "/hand-over");

    @BeforeAll
    static void aShowWithEverythingInIt() {
        page.navigate(app.url());
        page.evaluate(
                "async (text) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name: 'Accessible' })).json();"
                        + " for (const line of text.split('\\n')) await post(`/api/shows/${show.id}/line`, { text: line });"
                        + " await post(`/api/shows/${show.id}/versions`, { name: 'First' }); }",
                SHOW);
    }

    /** A function of a file of ours; comments before it are left out. */
    private static String script(String file) {
        try (InputStream in = AccessibleIT.class.getResourceAsStream(file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replaceAll("(?m)^ *//.*$", "")
                    .strip()
                    .replaceAll(";$", "");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void looked(String path) {
        open(path);
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
        page.waitForTimeout(150);
    }

    /** In both themes; the second one changes colours alone, so only what depends on them is looked at again. */
    private static List<String> violations(String where) {
        return violations(where, "body");
    }

    /** @param within selects what is looked at: what lies behind a dialog is looked at without it */
    private static List<String> violations(String where, String within) {
        if (Boolean.FALSE.equals(page.evaluate("() => 'axe' in window"))) {
            page.evaluate(AXE);
        }
        Object found = page.evaluate(
                "async (within) => { const at = { include: [within], exclude: ['[id^=headlessui-focus-sentinel]'] };"
                        + " const told = (theme, r) => r.violations.flatMap((v) => v.nodes.slice(0, 6).map((n) => `${theme} ${v.id}: ${n.target} ${n.html.slice(0, 160)} ${n.any[0]?.message ?? ''}`));"
                        + " const day = told('workroom', await axe.run(at, { resultTypes: ['violations'] }));"
                        + " document.documentElement.dataset.theme = 'night';"
                        + " const night = told('night', await axe.run(at, { resultTypes: ['violations'], runOnly: { type: 'rule', values: ['color-contrast'] } }));"
                        + " document.documentElement.dataset.theme = 'workroom'; return [...day, ...night]; }",
                within);
        return ((List<?>) found).stream().map(v -> where + " — " + v).toList();
    }

    /** What lies on something else, is cut, has no name or is a choice of the browser's own. */
    private static List<String> laidOut(String where) {
        return ((List<?>) page.evaluate(LAYOUT))
                .stream().map(v -> where + " — " + v).toList();
    }

    @Test
    void no_page_breaks_a_rule() {
        List<String> found = new ArrayList<>();
        for (String path : PAGES) {
            looked(path);
            // What stands around them is the same on all.
            found.addAll(violations(path, path.equals(PAGES.get(0)) ? "body" : "main"));
            for (int width : new int[] {1024, 1280}) {
                page.setViewportSize(width, 800);
                page.waitForTimeout(150);
                found.addAll(laidOut(path + " at " + width));
            }
        }
        looked("/patch");
        page.keyboard().press("/");
        page.keyboard().type("1 at \"");
        assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
        found.addAll(violations("the line and its list", "header"));
        page.keyboard().press("Control+A");
        page.keyboard().type("1 thur 3");
        assertThat(page.getByText("Did you mean thru?")).isVisible();
        found.addAll(violations("the line with an error", "header"));
        looked("/palettes");
        for (String kind : List.of("Colour", "Position", "Beam")) {
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(kind))
                    .last()
                    .click();
            found.addAll(violations("values of " + kind, BENCH));
        }
        line("patch 51 as \"Fathom Profile / standard\" at 5.1");
        line("51");
        valueKind("Shape").click();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Blades")))
                .isVisible();
        found.addAll(violations("blades", BENCH));
        valueKind("Beam").click();
        page.getByLabel("Spread Zoom").click();
        found.addAll(violations("a spread by handles", BENCH));
        line("1 + 11");
        assertThat(found).isEmpty();
    }

    private static Locator valueKind(String name) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Kind of value"))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    private static void dialog(List<String> found, String name, Runnable opening) {
        opening.run();
        assertThat(dialog().getByRole(AriaRole.HEADING).first()).isVisible();
        found.addAll(violations(name, "[role=dialog]"));
        for (int width : new int[] {1024, 1280}) {
            page.setViewportSize(width, 800);
            page.waitForTimeout(100);
            found.addAll(laidOut(name + " at " + width));
        }
        page.keyboard().press("Escape");
        assertThat(dialog()).hasCount(0);
    }

    @Test
    void no_dialog_breaks_a_rule() {
        List<String> found = new ArrayList<>();
        looked("/patch");
        dialog(found, "keys", () -> page.keyboard().press("?"));
        dialog(found, "import", () -> button("^Import…$").click());
        dialog(found, "hookup", () -> {
            button("^Import…$").click();
            button("Try it with the paperwork").click();
            assertThat(page.getByText("columns recognised")).isVisible();
        });
        row(1).click();
        dialog(found, "change type", () -> button("Change type").first().click());
        dialog(found, "delete", () -> button("^Delete").first().click());
        page.getByText("Columns").last().click();
        found.addAll(violations("columns"));
        page.keyboard().press("Escape");
        row(2).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        page.getByText("Fill down").click();
        found.addAll(violations("fill down"));
        page.keyboard().press("Escape");
        page.locator("[role=grid]").focus();
        dialog(
                found,
                "paste",
                () -> page.evaluate(
                        "() => { const d = new DataTransfer(); d.setData('text/plain', 'A\\nB');"
                                + " document.querySelector('[role=grid]').dispatchEvent(new ClipboardEvent('paste', { clipboardData: d, bubbles: true })); }"));
        looked("/patch?view=paper");
        page.getByLabel("Hookup or scene file")
                .setInputFiles(new FilePayload(
                        "a.mvr",
                        "application/octet-stream",
                        page.request().get(app.url() + "/api/shows/1/scene.mvr").body()));
        assertThat(page.getByText("Keep the drawing with the show")).isVisible();
        found.addAll(violations("a drawing beside the show"));
        looked("/groups");
        page.keyboard().press("f");
        assertThat(page.getByLabel("Which fixtures are asked")).isVisible();
        found.addAll(violations("those who"));
        page.keyboard().press("f");
        dialog(found, "starter groups", () -> button("Starter groups").click());
        line("page group \"Act two\" from 101 of 6 by 2");
        dialog(found, "pages of niches", () -> button("Pages…").click());
        dialog(found, "groups of another show", () -> menu("Files", "Import"));
        line("all rows");
        page.locator("[data-niche]").first().click();
        line("all rows");
        found.addAll(violations("a group looked at, and rows"));
        dialog(found, "delete a group", () -> button("Delete…").click());
        looked("/palettes");
        line("all");
        dialog(found, "starter palettes", () -> button("Starter palettes").click());
        button("^Table$").click();
        assertThat(page.getByRole(AriaRole.GRID)).isVisible();
        found.addAll(violations("values table", BENCH));
        button("^Values$").click();
        line("starter palettes");
        assertThat(page.locator("[data-niche]").nth(9)).isVisible();
        // A niche that is drawn anew under the pointer is not looked at before that moves again.
        until(() -> {
            page.mouse().move(640, 700);
            page.locator("[data-niche]").first().hover();
            page.waitForTimeout(400);
            return button("Contents…").isVisible();
        });
        found.addAll(violations("palettes on the shelf, one looked at"));
        dialog(found, "contents", () -> button("Contents…").click());
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Coverage"))
                .click();
        page.locator("[id^=cross]").first().click();
        button("Each fixture").click();
        found.addAll(violations("coverage"));
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Shelf"))
                .click();
        page.locator("[data-niche]")
                .nth(1)
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        page.locator("[data-niche]")
                .nth(2)
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        dialog(found, "two palettes compared", () -> button("Compare").click());
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Position"))
                .first()
                .click();
        dialog(found, "re-aim", () -> button("Re-aim").click());
        looked("/looks?view=effects");
        dialog(found, "starter effects", () -> button("Starter effects").click());
        looked("/handheld");
        found.addAll(violations("hand-held"));
        looked("/profiles");
        found.addAll(violations("profiles, test strip"));
        button("Build one").click();
        page.getByLabel("Slot chart, one line").fill("Dimmer\nShutter 0-31 closed 32-255 open\nWhatever");
        assertThat(page.getByText("is not recognised")).isVisible();
        found.addAll(violations("builder"));
        assertThat(found).isEmpty();
    }

    @Test
    void plan_colours_and_table_are_reached_and_named_by_keyboard() {
        looked("/palettes");
        page.locator("[data-testid=stage]").focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#stage-cursor")).hasText(Pattern.compile("^Fixture 1, .*selected"));
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("#stage-cursor")).hasText(Pattern.compile("^Fixture 2,"));
        page.keyboard().press("Enter");
        assertThat(page.locator("#stage-cursor")).hasText(Pattern.compile("^Fixture 2, .*selected"));
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Colour"))
                .last()
                .click();
        Locator colours = page.locator("[data-testid=colour-picker]");
        colours.focus();
        page.keyboard().press("Shift+ArrowRight");
        assertThat(colours).hasAttribute("aria-label", Pattern.compile("at u′ 0\\.\\d{3}, v′ 0\\.\\d{3}"));
        assertThat(page.getByText("by hand").first()).isVisible();
        looked("/patch");
        Locator grid = page.locator("[role=grid]");
        grid.focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowRight");
        String at = grid.getAttribute("aria-activedescendant");
        assertThat(page.locator("#" + at)).hasAttribute("aria-label", Pattern.compile("^Name "));
    }
}
