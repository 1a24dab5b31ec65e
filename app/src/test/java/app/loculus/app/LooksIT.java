package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** The chapter Looks: recording, playing, timing, ordering; what it takes in presses. */
class LooksIT extends InLooks {

    @Test
    void four_groups_become_four_steps_a_chase_and_a_list_again() {
        fourSteps();
        button("^Go$").click();
        lit(1, 1);
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks"))
                .click();
        page.keyboard().press("Space");
        lit(3, 1);
        assertThat(chip("Main")).containsText("2 Port");
        page.keyboard().press("Shift+Space");
        lit(3, 0);
        // One press, and the same steps go round.
        count();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("chase"))
                .click();
        assertThat(presses()).isEqualTo(1);
        choose("How its cues join", "each cue complete");
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("as a ring"))))
                .isVisible();
        // The strip says where it is, though nobody presses anything.
        assertThat(chip("Main")).containsText("3 Stern");
        lit(7, 1);
        assertThat(chip("Main")).containsText("1 Bow");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Pause: Main"))
                .click();
        assertThat(chip("Main")).containsText("paused");
        page.getByRole(
                        AriaRole.RADIO,
                        new Page.GetByRoleOptions().setName("list").setExact(true))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release Main"))
                .click();
        assertThat(chip("Main")).hasCount(0);
        for (int number : new int[] {1, 3, 5, 7}) {
            lit(number, 0);
        }
    }

    @Test
    void times_are_typed_for_several_dragged_and_pasted_and_cues_are_moved() {
        fourSteps();
        count();
        row("1").click();
        row("3").click(new Locator.ClickOptions()
                .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        Locator in = page.getByLabel("in of 3 cues");
        in.click();
        page.keyboard().press("Control+A");
        page.keyboard().type("4");
        page.keyboard().press("Enter");
        assertThat(row("2").getByRole(AriaRole.IMG))
                .hasAttribute("aria-label", Pattern.compile("in 4, out 4, the rest 4"));
        assertThat(presses()).as("a time for three cues").isLessThanOrEqualTo(6);
        assertThat(row("4").getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("in 0,"));
        row("4").click();
        BoundingBox slopes = box(row("4").getByRole(AriaRole.IMG));
        page.mouse().move(slopes.x, slopes.y + 5);
        page.mouse().down();
        page.mouse().move(slopes.x + slopes.width / 2, slopes.y + 5, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        assertThat(row("4").getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("in 2\\.[45]"));
        // As it comes from a sheet, into the rows from the held one on.
        row("1").click();
        page.evaluate(
                "() => { const d = new DataTransfer(); d.setData('text', 'cue\\tin\\tout\\twait\\n1\\t6\\t2\\t1\\n2\\t0:07\\t\\t');"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: d, bubbles: true })); }");
        assertThat(row("1").getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("Wait 1, in 6, out 2"));
        assertThat(row("2").getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("in 7"));
        count();
        row("4").dragTo(
                        row("2"),
                        new Locator.DragToOptions().setSourcePosition(40, 14).setTargetPosition(40, 14));
        assertThat(row("1.5")).containsText("Starboard");
        assertThat(presses()).as("reordered").isEqualTo(1);
        page.keyboard().press("Control+z");
        assertThat(row("4")).containsText("Starboard");
    }

    @Test
    void the_list_that_is_chosen_is_meant_by_keys_the_page_and_the_line() {
        fourSteps();
        button("^New list").click();
        assertThat(page.getByText("No cue yet")).isVisible();
        button("^Go$").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("has no cues yet");
        cue("1 at 30", "Alone");
        assertThat(row("1")).containsText("Alone");
        line("go");
        lit(1, .3);
        assertThat(chip("List 2")).isVisible();
        line("list 1");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(4);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks"))
                .click();
        page.keyboard().press("Space");
        assertThat(chip("Main")).containsText("1 Bow");
    }

    @Test
    void a_cue_is_dropped_behind_the_last_and_the_keys_stay_where_they_were() {
        fourSteps();
        row("1").dragTo(page.getByTestId("behind the last cue"), new Locator.DragToOptions().setSourcePosition(40, 14));
        assertThat(row("5")).containsText("Bow");
        row("3").focus();
        page.keyboard().press("F2");
        assertThat(page.getByLabel("Name of cue 3")).isFocused();
        page.keyboard().type("Aft");
        page.keyboard().press("Enter");
        assertThat(row("3")).containsText("Aft");
        assertThat(row("3")).isFocused();
        button("^Delete$").last().click();
        assertThat(row("3")).hasCount(0);
        until(() -> (Boolean) page.evaluate("() => document.activeElement !== document.body"));
    }

    @Test
    void one_change_is_made_blind_and_one_palette_changes_every_cue_that_uses_it() {
        fourSteps();
        button("^Go$").click();
        lit(1, 1);
        count();
        button("^Live$").click();
        assertThat(page.locator("[data-blind=true]")).isVisible();
        row("1").click();
        button("^Open$").click();
        assertThat(page.getByText("Open: cue 1")).isVisible();
        line("1 + 2 at 40");
        page.waitForTimeout(200);
        lit(1, 1);
        button("^Save changes$").click();
        lit(1, .4);
        assertThat(presses())
                .as("one blind change, the line with its Escapes among it")
                .isLessThanOrEqualTo(9);
        button("^Blind$").click();
        assertThat(page.locator("[data-blind=true]")).hasCount(0);
        String before = srgb(1);
        line("1 thru 8 colour xy 0.6, 0.35");
        line("record colour 12 replace");
        line("clear all");
        until(() -> !srgb(1).equals(before));
        // Nothing of it was recorded anew: the cue follows.
        row("2").click();
        assertThat(page.getByText("colour 12 “Verdigris”").first()).isVisible();
    }

    @Test
    void a_submaster_is_dragged_and_flashed_and_strips_are_there_in_every_chapter() {
        line("1 thru 8 at 80");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Submaster"))
                .click();
        name().fill("Gallery");
        name().press("Enter");
        line("clear all");
        Locator niche = page.getByLabel(Pattern.compile("^1 Gallery"));
        BoundingBox b = box(niche);
        page.mouse().move(b.x + 30, b.y + 50);
        page.mouse().down();
        page.mouse().move(b.x + 30, b.y + 10, new Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
        until(() -> Math.abs(rig(1, "intensity") - .4) < .05);
        // A group's light is under a fader of its own: dragged, and gone again.
        Locator fader = page.getByLabel(Pattern.compile("^4 D\\."));
        fader.scrollIntoViewIfNeeded();
        BoundingBox group = box(fader);
        page.mouse().move(group.x + 30, group.y + 60);
        page.mouse().down();
        page.mouse().move(group.x + 30, group.y - 20, new Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
        lit(7, 1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release D"))
                .click();
        lit(7, rig(1, "intensity"));
        page.navigate(app.url() + "/patch");
        assertThat(chip("Gallery")).isVisible();
        page.getByLabel("Level of Gallery").fill("100");
        lit(1, .8);
        page.getByLabel("Grand master").fill("50");
        lit(1, .4);
        page.getByLabel("Grand master").fill("100");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Release Gallery"))
                .click();
        lit(1, 0);
        assertThat(rig(1, "intensity")).isCloseTo(0, within(.001));
    }

    private static Locator stage() {
        return page.getByTestId("stage");
    }

    private static Locator onThePlan(String what) {
        return page.getByRole(
                AriaRole.RADIO, new Page.GetByRoleOptions().setName(what).setExact(true));
    }

    @Test
    void two_cues_are_compared_in_words_and_on_the_plan_while_the_lights_do_something_else() {
        fourSteps();
        line("8 at 50");
        lit(8, .5);
        page.keyboard().press("Escape");
        row("1").click();
        count();
        row("3").click(new Locator.ClickOptions().setModifiers(java.util.List.of(KeyboardModifier.CONTROL)));
        // The list carries on: in the third cue six are lit, and four of them are not in the first.
        assertThat(stage()).hasAttribute("data-lit", "6");
        assertThat(presses()).as("beside the first, the other one").isEqualTo(1);
        assertThat(page.getByText("as it would be by itself")).containsText("cue 3");
        assertThat(page.getByText("What is otherwise in cue 3 than in cue 1")).isVisible();
        onThePlan("cue 1").click();
        assertThat(stage()).hasAttribute("data-lit", "2");
        onThePlan("the lights now").click();
        assertThat(stage()).hasAttribute("data-lit", "1");
        assertThat(page.getByText("as it would be by itself")).hasCount(0);
        // What is drawn follows the cue: a change is seen at once.
        onThePlan("cue 3").click();
        line("open cue 1");
        line("1 at 0");
        line("update cue 1");
        assertThat(stage()).hasAttribute("data-lit", "5");
        // Elsewhere the plan shows the lights again.
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Groups")))
                .click();
        assertThat(page.getByText("as it would be by itself")).hasCount(0);
    }

    @Test
    void looks_and_groups_go_out_on_paper() {
        fourSteps();
        Download looks = page.waitForDownload(() -> menu("Files", "Print"));
        Assertions.assertThat(looks.suggestedFilename()).isEqualTo("Looks cues.pdf");
        Assertions.assertThat(looks.path())
                .content(java.nio.charset.StandardCharsets.ISO_8859_1)
                .startsWith("%PDF-");
        page.navigate(app.url() + "/groups");
        Download groups = page.waitForDownload(() -> menu("Files", "Print"));
        Assertions.assertThat(groups.suggestedFilename()).isEqualTo("Looks groups.pdf");
    }

    @Test
    void the_hand_held_page_goes_on_and_says_whether_it_is_live() {
        fourSteps();
        page.navigate(app.url() + "/handheld");
        assertThat(page.getByText("Main · does not run")).isVisible();
        button("^Go$").click();
        lit(1, 1);
        assertThat(page.getByText("Main · 1 Bow")).isVisible();
        button("^Go$").click();
        lit(3, 1);
        button("^Back$").click();
        lit(3, 0);
        assertThat(page.getByText("Live")).isVisible();
        blind(true);
        assertThat(page.getByText("Blind")).isVisible();
        blind(false);
        assertThat(page.getByText("Live")).isVisible();
    }

    /** Pressed elsewhere. */
    private static void blind(boolean on) {
        page.evaluate(
                "async (on) => { const live = (await (await fetch('/api/shows')).json()).find((s) => s.live).id;"
                        + " await fetch(`/api/shows/${live}/play`, { method: 'POST', headers: { 'Content-Type': 'application/json' },"
                        + " body: JSON.stringify({ press: 'blind', on }) }); }",
                on);
    }
}
