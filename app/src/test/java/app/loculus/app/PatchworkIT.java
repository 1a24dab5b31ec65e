package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

/** The patch, whole: a fixture nobody has, clashes, paper with slips, a rig with faults. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PatchworkIT extends InBrowser {

    private static final String CHART =
            "Dimmer\nPan 16 540 deg\nTilt 16 270 deg\nRed\nGreen\nBlue\nShutter: 0-15 closed, 16-31 open, 32-255 strobe";

    @BeforeEach
    void atHome() {
        page.navigate(app.url() + "/patch");
    }

    private static void show(String name, String lines) {
        page.evaluate(
                "async ([name, text]) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " const show = await (await post('/api/shows', { name })).json(); if (text) await post(`/api/shows/${show.id}/line`, { text }); }",
                List.of(name, lines));
        page.navigate(app.url() + "/patch");
        assertThat(page.getByText(name).first()).isVisible();
    }

    private static Locator radio(String name) {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private static Locator address(int number) {
        return row(number).locator("[data-column=address]");
    }

    @Test
    @Order(1)
    void a_profile_is_built_from_its_chart_and_forty_of_it_are_patched() {
        show("Boats", "");
        go("Profiles");
        button("Build one").click();
        page.getByLabel("Maker").fill("Halden");
        page.getByLabel("Model").fill("Dory");
        page.getByLabel("Slot chart, one line per slot").fill(CHART);
        assertThat(page.getByText("Nothing is wrong with it.")).isVisible();
        page.getByLabel("Slot 1, Dimmer").fill("255");
        assertThat(page.getByTestId("virtual-fixture")).containsText("100 %");
        page.getByLabel("Home of slot 6").fill("200");
        page.keyboard().press("Tab");
        button("Save to the library").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Dory")))
                .isVisible();
        go("Patch");
        line("patch 301 thru 340 as \"Dory / 9-slot\" at 5.1 over 3 universes");
        page.getByLabel("Find fixtures").fill("314");
        assertThat(address(314)).hasText("5.118");
        page.getByLabel("Find fixtures").fill("315");
        assertThat(address(315)).hasText("6.1");
    }

    @Test
    @Order(2)
    void each_way_out_of_a_clash_is_one_press() {
        show("Clashes", "patch 1 thru 4 as \"Ember Par / 8-slot\" at 1.1");
        for (Map.Entry<String, String> way : List.of(
                Map.entry("Move to 1.33", "1.33"),
                Map.entry("Share the slots", "1.12"),
                Map.entry("Take the address over", "1.12"))) {
            page.keyboard().press("/");
            page.keyboard().type("patch 9 as \"Ember Par / 8-slot\" at 1.12");
            button(way.getKey()).first().click();
            assertThat(address(9)).containsText(way.getValue());
            button("^ ?Undo$").click();
            assertThat(row(9)).hasCount(0);
            lineInput().fill("");
            page.keyboard().press("Escape");
        }
    }

    @Test
    @Order(3)
    void blocks_are_dragged_on_the_map_with_a_ghost_and_refused_where_they_cannot_land() {
        show("Map", "patch 1 + 2 as \"Ember Par / 8-slot\" at 1.1 gap 8");
        radio("By output").click();
        Locator map = page.getByTestId("address-map");
        Locator block = map.locator("[data-block='1']").first();
        drag(block, map, 8.5 / 32, 2.5 / 16);
        assertThat(page.locator("[data-block='1']").first()).hasAttribute("title", "1 Ember Par 1: 1.73–80");
        block = map.locator("[data-block='1']").first();
        drag(block, map, 18.5 / 32, 0.5 / 16);
        assertThat(page.getByText("Fixture 1 would need").first()).isVisible();
        map.locator("[data-block='2']").first().click();
        assertThat(map.locator("[data-block='2']").first()).hasClass(Pattern.compile("text-on-petrol"));
        map.focus();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(page.locator("[data-block='2']").first()).hasAttribute("title", "2 Ember Par 2: 1.18–25");
        button("Close the gaps").click();
        button("Move them").click();
        assertThat(page.locator("[data-block='2']").first()).hasAttribute("title", "2 Ember Par 2: 1.1–8");
    }

    @Test
    @Order(3)
    void of_a_fixture_with_two_addresses_the_one_that_is_dragged_moves() {
        show("Scrollers", "patch 1 as \"Bosun Scroller\" at 1.1\nshift 1 at 1.2 to 1.100");
        radio("By output").click();
        Locator map = page.getByTestId("address-map");
        assertThat(map.locator("[data-block='1']")).hasCount(2);
        drag(map.locator("[data-block='1']").last(), map, 8.5 / 32, 5.5 / 16);
        assertThat(map.locator("[data-block='1']").last()).hasAttribute("title", Pattern.compile("1\\.169"));
        assertThat(map.locator("[data-block='1']").first()).hasAttribute("title", Pattern.compile("1\\.1\\b"));
    }

    /** From the first slot of a block to a place on the map, as shares of its width and height. */
    private static void drag(Locator block, Locator map, double x, double y) {
        var from = box(block);
        var box = box(map);
        page.mouse().move(from.x + 5, from.y + 5);
        page.mouse().down();
        page.mouse().move(box.x + box.width * x, box.y + box.height * y - 2);
        page.mouse().move(box.x + box.width * x, box.y + box.height * y);
        page.waitForTimeout(400);
        page.mouse().up();
    }

    @Test
    @Order(4)
    void a_universe_is_named_and_two_on_one_number_are_refused_in_words() {
        show("Routes", "patch 1 as \"House Dimmer\" at 1.1\npatch 2 as \"House Dimmer\" at 2.1");
        radio("By output").click();
        Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Universe 1"));
        form.getByLabel("Name").fill("Bridges");
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set"))
                .click();
        assertThat(page.getByLabel("Universes").getByText("Bridges")).isVisible();
        form.getByLabel("E1.31 number").fill("2");
        assertThat(page.getByText("would both go out as number 2")).isVisible();
        Locator set = form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set"));
        assertThat(set).isDisabled();

        radio("^Art-Net$").click();
        form.getByLabel("Called").fill("Dimmer room");
        form.getByLabel("Port address").fill("0:0:7");
        assertThat(page.getByText("port address 0:0:7 (7), Art-Net to “Dimmer room”"))
                .isVisible();
        set.click();
        Locator one = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("One universe"));
        assertThat(one.getByText("takes 0:0:7")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(12_000));
        form.getByLabel("Port address").fill("1 at full");
        assertThat(form.getByText("is no number such as 3 or 0:0:3")).isVisible();
        form.getByLabel("Port address").fill("0:0:1");
        set.click();
        assertThat(one.getByText("taken by “Virtual rig of this machine”"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(12_000));
    }

    @Test
    @Order(5)
    void paper_with_five_slips_is_compared_and_repaired() {
        show(
                "Paper",
                "patch 101 thru 112 as \"Skiff Wash / extended\" at 1.1\nhang 101 thru 112 on \"Bridge 1\"\npatch 103 at 3.41\npatch 104 at 2.70\nrenumber 109 from 190\npatch 106 at 4.101\ndelete 111");
        String paper = "Number,Profile,Mode,Address,Position\n";
        for (int i = 0; i < 12; i++) {
            paper += (101 + i) + ",Skiff Wash,extended,1." + (1 + 20 * i) + ",Bridge 1\n";
        }
        radio("Against paper").click();
        page.getByLabel("Hookup or scene file")
                .setInputFiles(new FilePayload("hookup.csv", "text/csv", paper.getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("[data-difference]")).hasCount(5);
        assertThat(page.locator("[data-difference='103 DIFFERENT ADDRESS']")).containsText("same slot, wrong universe");
        button("Take theirs in everything").click();
        assertThat(page.getByText("Revises 5 fixtures")).isVisible();
        button("Apply 5 changes").click();
        assertThat(page.getByText("The paper and the show agree in all 12 fixtures."))
                .isVisible();
        button("^ ?Undo$").click();
        assertThat(page.locator("[data-difference]")).hasCount(5);
    }

    @Test
    @Order(6)
    void numbers_are_read_aloud_and_the_last_is_taken_back_with_one_key() {
        show("Aloud", "add 14 thru 18 as \"House Dimmer\"");
        radio("Read aloud").click();
        Locator input = page.getByLabel("Number and address as they are read");
        for (String entry : List.of("14 3.207", "15 208", "18 209")) {
            input.fill(entry);
            input.press("Enter");
            assertThat(input).hasValue("");
        }
        assertThat(page.getByText("Read: 3")).isVisible();
        assertThat(page.getByText("Not read yet: 16 thru 17")).isVisible();
        input.press("Backspace");
        assertThat(page.getByText("Read: 2")).isVisible();
        radio("By fixture").click();
        assertThat(address(15)).hasText("3.208");
        assertThat(address(18)).hasText("—");
    }

    @Test
    @Order(7)
    void a_rig_with_faults_is_brought_up_and_the_faults_are_found() {
        show("Faults", "patch 1 thru 6 as \"House Dimmer\" at 1.1");
        page.evaluate(
                "async () => { await fetch('/api/rig/practice', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ seed: 11 }) }) }");
        page.navigate(app.url() + "/patch?view=bring-up");
        assertThat(page.getByText(Pattern.compile("[345] fixtures of the virtual rig are wrong")))
                .isVisible();
        Locator here = page.getByTestId("bring-up-number");
        button("^Light").click();
        for (int number = 1; number <= 6; number++) {
            assertThat(here).hasText(String.valueOf(number));
            page.waitForTimeout(350);
            boolean lit = rig(number, "intensity") > 0.1;
            boolean alone = true;
            for (int other = 1; other <= 6; other++) {
                alone &= other == number || rig(other, "intensity") < 0.1;
            }
            page.getByLabel("Note for the mark").fill(lit ? "" : alone ? "no light" : "another one lights up");
            button(lit && alone ? "^Answered" : lit || !alone ? "^Wrong" : "^Dead")
                    .click();
        }
        button("^Compare$").click();
        Locator findings = page.getByLabel("Findings");
        assertThat(findings).isVisible();
        String words = findings.innerText();
        assertTrue(words.contains("found"), words);
        assertEquals(-1, words.indexOf("missed"), words);
        go("Check");
        assertThat(page.getByText("when it was brought up").first()).isVisible();
    }

    @Test
    @Order(8)
    void cells_are_written_in_every_row_held_filled_down_and_pasted() {
        show("Cells", "add 1 thru 4 as \"House Dimmer\"");
        row(1).click();
        row(3).click(new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        assertThat(row(2)).hasAttribute("aria-selected", "true");
        row(2).locator("[data-column=purpose]").dblclick();
        page.getByLabel("Purpose of 2").fill("Gallery wash");
        page.keyboard().press("Enter");
        assertThat(row(3).locator("[data-column=purpose]")).hasText("Gallery wash");
        assertThat(row(4).locator("[data-column=purpose]")).hasText("");
        button("Fill down").click();
        page.getByLabel("From", new Page.GetByLabelOptions().setExact(true)).fill("2.11");
        page.getByLabel("Step").fill("5");
        button("Fill down").last().click();
        assertThat(address(3)).hasText("2.21");
        row(1).locator("[data-column=address]").click();
        page.evaluate(
                "() => { const data = new DataTransfer(); data.setData('text/plain', '4.1\\t\\tPit\\n4.2\\t\\tPit');"
                        + " document.querySelector('[role=grid]').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })); }");
        button("^Paste$").click();
        assertThat(address(2)).hasText("4.2");
        assertThat(row(2).locator("[data-column=position]")).hasText("Pit");
        button("^ ?Undo$").click();
        assertThat(address(1)).hasText("2.11");
        row(1).click();
        button("Change type").click();
        find("Becomes", "corvid ember 8-slot");
        assertThat(page.getByText("would need 2.11–2.18")).isVisible();
        button("Take the addresses over").click();
        assertThat(row(1).locator("[data-column=mode]")).hasText("8-slot");
    }
}
