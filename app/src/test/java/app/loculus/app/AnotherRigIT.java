package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The demo goes to a house with forty lights. */
class AnotherRigIT extends InBrowser {

    @BeforeEach
    void theDemo() {
        besideTheApplication();
        page.evaluate("async () => { await fetch('/api/shows/demo', { method: 'POST' }); }");
        page.navigate(app.url() + "/show");
    }

    /** Forty fixtures of seven types on one truss in front, one in the middle, one behind, and on the floor. */
    static byte[] house() {
        StringBuilder rows = new StringBuilder("Number,Name,Profile,Mode,Address,Position,Purpose\n");
        add(rows, 11, 8, "Fathom Profile,standard", 40, 1, "Front truss,Front");
        add(rows, 31, 12, "Ember Par,8-slot", 10, 2, "Mid truss,Wash");
        add(rows, 51, 8, "Lantern Beam,16-slot", 20, 3, "Back truss,Beams");
        add(rows, 71, 4, "Gull Panel,8-slot", 10, 4, "Floor,Uplights");
        add(rows, 81, 6, "House Dimmer,1-slot", 1, 5, "Front truss,Specials");
        add(rows, 91, 1, "Brine Hazer,2-slot", 2, 6, "Floor,Haze");
        add(rows, 95, 1, "Flint Strobe,3-slot", 3, 7, "Back truss,Strobe");
        return rows.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void add(
            StringBuilder rows, int first, int count, String type, int step, int universe, String where) {
        for (int i = 0; i < count; i++) {
            rows.append(first + i).append(",,").append(type).append(',');
            rows.append(universe)
                    .append('.')
                    .append(1 + i * step)
                    .append(',')
                    .append(where)
                    .append('\n');
        }
    }

    @Test
    void the_demo_moves_to_a_rig_of_forty_in_a_few_presses() {
        count();
        button("^Another rig…$").click();
        page.getByLabel("Hookup, scene or show file of the other rig")
                .setInputFiles(new FilePayload("house.csv", "text/csv", house()));
        Locator pairs = page.getByLabel("Fixtures and what stands for them");
        assertThat(pairs.getByLabel("What stands for 1", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("81");
        Locator parts = page.getByLabel("Parts of the show");
        assertThat(parts).containsText("list 1 cue 4 “Doors open”");
        // By hand: one fixture, then several at once.
        pairs.getByLabel("What stands for 2", new Locator.GetByLabelOptions().setExact(true))
                .fill("86");
        page.keyboard().press("Enter");
        assertThat(pairs.getByLabel("What stands for 2", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("86");
        page.getByLabel("Fixtures of the show").fill("3 thru 6");
        page.getByLabel("Fixtures of the rig").fill("82 thru 85");
        page.keyboard().press("Enter");
        assertThat(pairs.getByLabel("What stands for 4", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("83");
        button("\\d+ nearest$").click();
        assertThat(parts).containsText("Zoom");
        page.getByLabel("Name of the new show").fill("Tide at the house");
        button("^Make the show$").click();
        button("^Take the output over$").click();
        assertThat(page.locator("[data-show='Tide at the house'] button[aria-current]"))
                .isVisible();
        assertThat(presses()).isLessThanOrEqualTo(25);
        assertThat((String) get("/api/shows")).contains("\"name\":\"The Glass Tide\"");
        page.navigate(app.url() + "/looks");
        assertThat(page.getByText("Storm").first()).isVisible();
    }

    @Test
    void nothing_is_made_when_one_goes_back() {
        button("^Another rig…$").click();
        assertThat(page.getByText("Choose the show that has the other patch")).isVisible();
        String before = (String) get("/api/shows");
        button("^Back$").click();
        assertThat(button("^Another rig…$")).isVisible();
        assertThat((String) get("/api/shows")).isEqualTo(before);
    }

    @Test
    void palettes_of_another_show_are_imported_by_pointer() {
        page.evaluate(
                "async () => { await fetch('/api/shows', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ name: 'Second ferry' }) }); }");
        page.navigate(app.url() + "/palettes");
        button("^Import…$").click();
        choose("The other show", "The Glass Tide");
        page.getByLabel("Find by name").fill("ember");
        page.getByLabel("colour 6 “Ember”").check();
        assertThat(page.getByText("Imports 1 part of “The Glass Tide”: colour 6 “Ember”"))
                .isVisible();
        button("^Import 1 with what they refer to$").click();
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.DIALOG))
                .hasCount(0);
        assertThat((String) get("/api/shows")).contains("Second ferry");
        assertThat(page.getByText("Ember").first()).isVisible();
    }
}
