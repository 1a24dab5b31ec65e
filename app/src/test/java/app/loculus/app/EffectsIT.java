package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

/** Effects: set, recorded, drawn, dragged, added to, taken out; what it takes in presses. */
class EffectsIT extends InLooks {

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
        until(() -> percent(1) > 70);
        until(() -> {
            double[] at = percents();
            return at[0] < 30 && at[4] > 70;
        });
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
        until(() -> Arrays.stream(percents()).allMatch(at -> at < 24));
        page.keyboard().press("Control+z");
        until(() -> percent(1) > 60 || percent(5) > 60);
        // In a cue it is referred to: what is changed here changes there.
        line("record cue 1 \"Waves\"");
        line("clear all");
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks"))
                .click();
        page.keyboard().press("Space");
        until(() -> percent(1) > 60);
        assertThat(page.getByText("what is changed here changes there")).containsText("cue 1 “Waves”");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("square"))
                .click();
        // No light is on its way from one end to the other, as each fourth of a sine is.
        until(() -> Arrays.stream(percents()).allMatch(at -> at > 79 || Math.abs(at - 20) < 1));
        // Taken out of the cue again, lights stand where the look does not say anything.
        line("1 thru 8");
        line("take out 1 thru 8 from cue 1");
        until(() -> Arrays.stream(percents()).allMatch(at -> at < 1));
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
        until(() -> Math.abs(rig(1, "pan") - pan) > 3);
        button("^End$").click();
        assertThat(page.getByText("It would move 4 units in 4 steps selected.")).isVisible();
    }

    private static void effects() {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Effects"))
                .click();
    }

    private static Locator exactly(String words) {
        return page.getByText(words, new Page.GetByTextOptions().setExact(true));
    }

    private static void drag(Locator what, double right, double down) {
        BoundingBox at = box(what);
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse()
                .move(at.x + at.width / 2 + right, at.y + at.height / 2 + down, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
    }

    @Test
    void what_it_does_at_once_is_added_changed_alone_and_taken_out() {
        line("1 thru 8");
        effects();
        button("^Level$").click();
        button("^circle$").click();
        Locator parts = page.getByRole(
                AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Which of what it does at once is drawn"));
        assertThat(parts).containsText("circle");
        assertThat(parts).containsText("sine Dimmer");
        double pan = rig(1, "pan");
        until(() -> Math.abs(rig(1, "pan") - pan) > 3);
        until(() -> percent(1) > 70);
        // What is drawn last is the circle; only this becomes an eight.
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("eight"))
                .click();
        assertThat(exactly("eight of 20° relative to the position below")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("sine Dimmer"))
                .click();
        assertThat(page.getByText("sine of Dimmer between 20 % and 80 %").first())
                .isVisible();
        button("^Take out$").click();
        until(() -> percent(1) < 1 && percent(5) < 1);
        assertThat(exactly("eight of 20° relative to the position below")).isVisible();
    }

    @Test
    void a_shape_is_carried_by_its_middle_and_its_dots_are_dragged_round() {
        line("1 thru 8 at 60");
        effects();
        button("^Circle$").click();
        assertThat(page.getByText("It moves 8 units in 8 steps.")).isVisible();
        line("effects off");
        line("circle of position size 20 rate 0 offset round");
        double pan = rig(3, "pan");
        double other = rig(7, "pan");
        // The square in the middle: what the selected stand at below it.
        drag(page.getByLabel("What the selected stand at below it"), 60, 0);
        until(() -> rig(3, "pan") > pan + 5);
        assertThat(rig(7, "pan") - other).as("all alike").isCloseTo(rig(3, "pan") - pan, within(.1));
        // The third of eight stands a quarter further than the first: dragged to the left of it, all go round with it.
        double before = rig(3, "tilt");
        Locator dot = page.locator("svg g.cursor-ew-resize").nth(2);
        BoundingBox at = box(dot);
        BoundingBox middle = box(page.getByLabel("What the selected stand at below it"));
        drag(
                dot,
                (middle.x + middle.width / 2 - at.x - at.width / 2) * 2,
                (middle.y + middle.height / 2 - at.y - at.height / 2) * 2);
        assertThat(exactly("offset round from 50")).isVisible();
        until(() -> Math.abs(rig(3, "tilt") - before) > 5 || Math.abs(rig(3, "pan") - pan) > 15);
    }

    @Test
    void by_chance_each_unit_has_a_dot_that_is_where_its_light_is() {
        line("1 thru 4");
        effects();
        line("random of dimmer at 0 thru 100 rate 0 seed 7 offset 0");
        assertThat(page.getByText("one random value a cycle for each unit")).isVisible();
        assertThat(page.locator("svg g.cursor-ew-resize")).hasCount(4);
        BoundingBox high = box(page.getByLabel("Its higher end"));
        BoundingBox low = box(page.getByLabel("Its lower end"));
        until(() -> percent(1) > 0.5);
        for (int n = 1; n <= 4; n++) {
            BoundingBox dot = box(page.locator("svg g.cursor-ew-resize").nth(n - 1));
            double drawn = (low.y + low.height / 2 - dot.y - dot.height / 2) / (low.y - high.y);
            assertThat(drawn * 100).as("unit " + n).isCloseTo(percent(n), within(4.0));
        }
    }
}
