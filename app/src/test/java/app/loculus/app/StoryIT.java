package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From an empty show to light, as one person tells it: the packaged application, H2 on disk, real UDP, a kill. */
class StoryIT extends InBrowser {

    @Test
    void from_an_empty_show_to_light() {
        page.navigate(app.url());
        startAnEmptyShow();
        lookAtProfiles();
        bringInPaperwork();
        patchByFormAndLine();
        resolveAClash();
        moveUnpatchDeleteUndoRedo();
        selectAndSet();
        recordAndRecallAGroup();
        recordAndApplyAColour();
        placeOnThePlan();
        aWrongPatchLooksWrong();
        nothingIsLostByAKill();
    }

    private void startAnEmptyShow() {
        button("New show…").click();
        page.getByLabel("Name of a new show").fill("Story");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Nothing is patched yet.")).isVisible();
    }

    private void lookAtProfiles() {
        go("Profiles");
        page.getByLabel("Find profiles").fill("fathom");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Fathom Profile")))
                .isVisible();
        assertThat(page.getByText("Wheel Gobos 2")).isVisible();
        assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Shaper turn")))
                .isVisible();
    }

    private void bringInPaperwork() {
        go("Patch");
        button("Import a hookup").click();
        button("Try it with the paperwork").click();
        assertThat(page.getByText("Slot 542 of 4.542 is outside 1 to 512.")).isVisible();
        assertThat(page.getByText("1 row cannot be right")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("sharing"))
                .click();
        button("Import 86 fixtures").click();
        assertThat(row(1)).isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Patch"))))
                .containsText("3 open");
    }

    private void patchByFormAndLine() {
        find("Profile and mode", "ember par 6-slot");
        page.getByLabel("First number").fill("301");
        page.getByLabel("How many").fill("4");
        page.getByLabel("Start address").fill("5.497");
        page.getByLabel("Position").last().fill("Slipway foot");
        assertThat(page.getByText("4 × 6 slots · 5.497–5.508, then 6.1–6.12")).isVisible();
        assertThat(page.getByText("about to land")).isVisible();
        button("^Patch 4 fixtures").click();
        assertThat(page.getByLabel("First number")).hasValue("");
        line("patch 311 thru 313 as \"Skiff Wash / basic\" at 6.101");
        page.getByLabel("Find fixtures").fill("Skiff Wash");
        assertThat(row(312)).containsText("6.110");
        page.getByLabel("Find fixtures").fill("");
    }

    private void resolveAClash() {
        Locator clashes = page.getByLabel("Clashes");
        assertThat(clashes.getByRole(AriaRole.LISTITEM)).hasCount(2);
        button("Move 208 to").click();
        assertThat(clashes.getByRole(AriaRole.LISTITEM)).hasCount(1);
        page.keyboard().press("Escape");
        page.keyboard().press("/");
        page.keyboard().type("patch 314 as \"House Dimmer\" at 1.3");
        button("Take the address over").click();
        assertThat(lineInput()).hasValue("");
        page.keyboard().press("Escape");
        page.getByLabel("Find fixtures").fill("Gallery 3");
        assertThat(row(3)).containsText("—");
        page.getByLabel("Find fixtures").fill("");
    }

    private void moveUnpatchDeleteUndoRedo() {
        line("patch 312 at 6.201");
        line("unpatch 313");
        line("delete 311");
        page.getByLabel("Find fixtures").fill("Skiff Wash 31");
        assertThat(row(311)).hasCount(0);
        assertThat(row(312)).containsText("6.201");
        page.keyboard().press("Escape");
        page.keyboard().press("Control+z");
        assertThat(row(311)).hasCount(1);
        page.keyboard().press("Control+Shift+z");
        assertThat(row(311)).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(row(311)).hasCount(1);
        page.getByLabel("Find fixtures").fill("");
    }

    private void selectAndSet() {
        go("Groups");
        line("201 thru 207 mirror at 0 thru 90");
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(7);
        assertThat(rig(201, "intensity")).isLessThan(0.001);
        assertThat(rig(204, "intensity")).isBetween(0.898, 0.902);
        assertThat(rig(202, "intensity")).isBetween(0.298, 0.302);
        button("^Values$").click();
        button("^full$").click();
        assertThat(page.locator("#line-reading")).not().isEmpty();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Colour"))
                .click();
        BoundingBox picker = box(page.getByTestId("colour-picker"));
        page.mouse().click(picker.x + picker.width * 0.8, picker.y + picker.height * 0.28);
        until(() -> rig(204, "colour.x") > 0.45);
        button("Send colour home").click();
        until(() -> rig(204, "colour.x") < 0.40);
        page.keyboard().press("Delete");
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(0);
        line("clear all");
        until(() -> rig(204, "intensity") < 0.001);
    }

    private void recordAndRecallAGroup() {
        line("401 thru 406");
        page.keyboard().press("r");
        page.keyboard().type("Bridge washes");
        assertThat(page.getByText("Records group 1 “Bridge washes”: 6 units in 6 steps"))
                .isVisible();
        page.keyboard().press("Enter");
        assertThat(page.getByLabel(Pattern.compile("^1 Bridge washes"))).isVisible();
        page.keyboard().press("Delete");
        page.getByLabel(Pattern.compile("^1 Bridge washes")).click();
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(6);
    }

    private void recordAndApplyAColour() {
        go("Palettes");
        line("group 1 at full colour xy 0.25, 0.39");
        page.keyboard().press("r");
        page.keyboard().type("Verdigris");
        assertThat(page.getByText(Pattern.compile("Records colour 1 “Verdigris”, global")))
                .isVisible();
        page.keyboard().press("Enter");
        Locator niche = page.getByLabel(Pattern.compile("^1 Verdigris"));
        assertThat(niche).isVisible();
        line("401 + 101 + 501 + 1 at full");
        niche.hover();
        assertThat(page.getByRole(
                        AriaRole.ROW,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Lantern Beam slot 5 “Jade”"))))
                .containsText("needs a look");
        assertThat(page.getByRole(
                        AriaRole.ROW,
                        new Page.GetByRoleOptions().setName(Pattern.compile("Fathom Profile computed mix"))))
                .isVisible();
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("House Dimmer"))))
                .containsText("none");
        niche.click();
        until(() -> Math.abs(rig(101, "colour.y") - 0.39) < 0.004);
        assertThat(Math.abs(rig(401, "colour.y") - 0.39)).isLessThan(0.001);
        assertThat(rig(501, "colour.y")).isGreaterThan(0.40);
        assertThat(rig(1, "intensity")).isEqualTo(1);
    }

    private void placeOnThePlan() {
        go("Groups");
        line("group 1");
        button("^Place$").click();
        BoundingBox stage = box(page.getByTestId("stage"));
        page.mouse().move(stage.x + 60, stage.y + 120);
        page.mouse().down();
        page.mouse().move(stage.x + 200, stage.y + 120);
        page.mouse().move(stage.x + stage.width - 60, stage.y + 120);
        page.mouse().up();
        until(() -> placed() == 6);
        button("^Pick$").click();
        page.keyboard().press("Delete");
        page.mouse().move(stage.x + 10, stage.y + 60);
        page.mouse().down();
        page.mouse().move(stage.x + stage.width - 10, stage.y + stage.height - 60);
        page.mouse().up();
        assertThat(page.getByLabel("Units selected, in order").getByRole(AriaRole.BUTTON))
                .hasCount(6);
    }

    private static int placed() {
        return ((Number)
                        page.evaluate(
                                "async () => (await (await fetch('/api/shows/1/patch')).json()).fixtures.filter(f => f.placed).length"))
                .intValue();
    }

    private void aWrongPatchLooksWrong() {
        go("Patch");
        line("402 at full");
        page.getByLabel("Address it really hangs at").fill("7.1");
        button("Set its own address").click();
        assertThat(page.getByText("not as patched")).isVisible();
        until(() -> rig(402, "intensity") < 0.001);
        button("^As patched$").click();
        assertThat(page.getByText("not as patched")).not().isVisible();
        until(() -> rig(402, "intensity") > 0.99);
        button("Make it dead").click();
        until(() -> rig(402, "intensity") < 0.001);
    }

    private void nothingIsLostByAKill() {
        List<String> parts = List.of(
                "/api/shows/1",
                "/api/shows/1/patch",
                "/api/shows/1/desk",
                "/api/shows/1/groups",
                "/api/shows/1/palettes");
        List<Object> before = parts.stream().map(InBrowser::get).toList();
        app.kill();
        app.start();
        page.navigate(app.url());
        assertThat(page.getByText("402").first()).isVisible();
        List<Object> after = parts.stream().map(InBrowser::get).toList();
        assertThat(after).isEqualTo(before);
        assertThat(rig(402, "intensity")).isLessThan(0.001);
        assertThat(rig(401, "intensity")).isGreaterThan(0.99);
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("saved");
        page.keyboard().press("Control+z");
        until(() -> !get("/api/shows/1").equals(before.get(0)));
    }
}
