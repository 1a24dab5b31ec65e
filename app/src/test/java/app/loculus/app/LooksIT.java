package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The chapter Looks: recording, playing, timing, ordering; what it takes in presses. */
class LooksIT extends InBrowser {

    private static final String SHOW = "patch 1 thru 8 as \"Skiff Wash / extended\" at 1.1\n"
            + "place 1 thru 8 at -3,2,6 thru 3,2,6\n1 + 2\nrecord group 1 \"A\"\n3 + 4\nrecord group 2 \"B\"\n"
            + "5 + 6\nrecord group 3 \"C\"\n7 + 8\nrecord group 4 \"D\"\n"
            + "1 thru 8 colour xy 0.25, 0.39\nrecord colour 12 \"Verdigris\" global\nclear all";

    @BeforeEach
    void aSmallRig() {
        besideTheApplication();
        page.evaluate(
                "async (text) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name: 'Looks' })).json(); await post(`/api/shows/${show.id}/line`, { text }); }",
                SHOW);
        page.navigate(app.url() + "/looks");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks")))
                .isVisible();
    }

    private static Locator row(String number) {
        return page.getByRole(
                AriaRole.OPTION,
                new Page.GetByRoleOptions().setName(Pattern.compile("^" + number.replace(".", "\\.") + "\\D")));
    }

    private static Locator name() {
        return page.getByLabel("Name of what is recorded");
    }

    private static Locator chip(String name) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(name + " runs"));
    }

    /** Sets values by the line and records them as the next cue: name and Enter. */
    private static void cue(String values, String name) {
        line(values);
        count();
        page.keyboard().press("r");
        page.keyboard().type(name);
        page.keyboard().press("Enter");
        assertThat(name()).hasValue("");
        assertThat(presses()).as("R, a name, Enter").isEqualTo(3);
        line("clear all");
    }

    private static void fourSteps() {
        cue("group 1 at full colour 12", "Bow");
        cue("group 2 at full colour 12", "Port");
        cue("group 3 at full colour 12", "Stern");
        cue("group 4 at full colour 12", "Starboard");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(4);
    }

    private static String srgb(int number) {
        return (String) page.evaluate("async (n) => (await (await fetch(`/api/rig/${n}`)).json()).srgb", number);
    }

    private static void lit(int number, double level) {
        page.waitForCondition(() -> Math.abs(rig(number, "intensity") - level) < 0.02);
    }

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
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("standing alone"))
                .click();
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
        button("^Put back$").click();
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
        page.waitForCondition(() -> !srgb(1).equals(before));
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
        page.waitForCondition(() -> Math.abs(rig(1, "intensity") - .4) < .05);
        // A group's light is under a fader of its own: dragged, and gone again.
        BoundingBox group = box(page.getByLabel(Pattern.compile("^4 D\\.")));
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

    private static Locator niche(String name) {
        return page.locator("[data-niche]")
                .filter(new Locator.FilterOptions().setHasText(""))
                .and(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name))));
    }

    private static double percent(int number) {
        return rig(number, "intensity") * 100;
    }

    @Test
    void an_effect_is_spread_over_a_group_recorded_used_changed_and_taken_out_again() {
        line("group 1 + group 2 + group 3 + group 4 reverse");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Effects"))
                .click();
        count();
        button("^Level$").click();
        assertThat(page.getByText("It moves 8 units in 8 steps.")).isVisible();
        assertThat(presses()).as("spread over a group").isEqualTo(1);
        // Eight dots, an eighth of a round from each other, and the light goes by them.
        page.waitForCondition(() -> percent(1) > 70);
        page.waitForCondition(() -> percent(1) < 30);
        assertThat(percent(5)).isGreaterThan(50);
        count();
        page.keyboard().press("r");
        page.keyboard().type("Swell");
        page.keyboard().press("Enter");
        assertThat(niche("^1 Swell")).isVisible();
        assertThat(presses()).as("R, a name, Enter").isEqualTo(3);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("1 Swell")))
                .isVisible();
        // Its higher end is dragged down to its lower one: 20 at most everywhere, and one undo takes it back.
        Locator high = page.getByLabel("Its higher end");
        BoundingBox from = box(high);
        BoundingBox to = box(page.getByLabel("Its lower end"));
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(from.x + from.width / 2, to.y + to.height / 2, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        page.waitForCondition(() -> java.util.stream.IntStream.rangeClosed(1, 8).allMatch(n -> percent(n) < 24));
        page.keyboard().press("Control+z");
        page.waitForCondition(() -> percent(1) > 60 || percent(5) > 60);
        // In a cue it is referred to: what is changed here changes there.
        line("record cue 1 \"Waves\"");
        line("clear all");
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks"))
                .click();
        page.keyboard().press("Space");
        page.waitForCondition(() -> percent(1) > 60);
        assertThat(page.getByText("what is changed here changes there")).containsText("cue 1 “Waves”");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("square"))
                .click();
        page.waitForCondition(() -> percent(3) > 79 || Math.abs(percent(3) - 20) < 1);
        // Taken out of the cue again, lights stand where the look does not say anything.
        line("1 thru 8");
        line("take out 1 thru 8 from cue 1");
        page.waitForCondition(() -> java.util.stream.IntStream.rangeClosed(1, 8).allMatch(n -> percent(n) < 1));
        assertThat(page.getByText("what is changed here changes there")).hasCount(0);
    }

    @Test
    void starter_effects_are_seen_before_they_are_kept_and_dark_ones_say_so() {
        line("1 thru 4");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Effects"))
                .click();
        button("Starter effects").click();
        Locator circle = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Circle"));
        circle.hover();
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName("Circle on 8 lights, seen from above")))
                .isVisible();
        button("Record \\d+ effects").click();
        niche("Circle").click();
        button("^Use$").click();
        assertThat(page.getByText("It moves 4 units in 4 steps.")).isVisible();
        assertThat(page.getByText("4 of them dark: it carries no light")).isVisible();
        line("at 60");
        assertThat(page.getByText("4 of them dark: it carries no light")).hasCount(0);
        double pan = rig(1, "pan");
        page.waitForCondition(() -> Math.abs(rig(1, "pan") - pan) > 3);
        button("^End$").click();
        assertThat(page.getByText("It would move 4 units in 4 steps in hand.")).isVisible();
    }
}
