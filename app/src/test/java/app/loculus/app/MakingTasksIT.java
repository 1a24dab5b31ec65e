package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.stream.Stream;

/** Shows, the patch, profiles. */
class MakingTasksIT extends InTasks {

    @Override
    List<Task> tasks() {
        return Stream.of(patch(), show()).flatMap(List::stream).toList();
    }

    private static void cell(int number) {
        row(number).click();
    }

    private static List<Task> patch() {
        return List.of(
                Task.of("nine heads patched", "/patch")
                        .pointer(() -> {
                            page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Profile and mode"))
                                    .click();
                            profile();
                        })
                        .keys(() -> {
                            part("[aria-label='Add fixtures']");
                            profile();
                        })
                        .line("patch 300 thru 308 as \"Fathom Profile / standard\" at 5.1")
                        .ends("/patch", "v.fixtures.filter((f) => f.address.startsWith('5.')).length", "9"),
                Task.of("one unpatched", "/patch")
                        .pointer(() -> {
                            cell(1);
                            press("^Unpatch$");
                        })
                        .keys(() -> {
                            part("[role=grid]");
                            keys("ArrowDown", "Enter");
                            part("[aria-label='Add fixtures']");
                            tab("^Unpatch$");
                            keys("Enter");
                        })
                        .line("unpatch 1")
                        .ends("/patch", "v.fixtures.find((f) => f.number === 1).address === ''", "true"),
                Task.of("one moved to another address", "/patch")
                        .pointer(() -> {
                            cell(1);
                            page.getByLabel("Move to address").click();
                            type("6.1");
                            keys("Enter");
                        })
                        .keys(() -> {
                            part("[role=grid]");
                            keys("ArrowDown", "Enter");
                            part("[aria-label='Add fixtures']");
                            tab("^Move to address");
                            type("6.1");
                            keys("Enter");
                        })
                        .line("patch 1 at 6.1")
                        .ends("/patch", "v.fixtures.find((f) => f.number === 1).address", "6.1"),
                Task.of("a name written into the table", "/patch")
                        .pointer(() -> {
                            row(1).locator("[aria-label^='Name ']").dblclick();
                            type("Bow");
                            keys("Enter");
                        })
                        .keys(() -> {
                            part("[role=grid]");
                            keys("ArrowDown", "ArrowRight", "F2");
                            type("Bow");
                            keys("Enter");
                        })
                        .line("name 1 \"Bow\"")
                        .ends("/patch", "v.fixtures.find((f) => f.number === 1).name", "Bow"),
                Task.of("the type of one changed", "/patch")
                        .pointer(() -> {
                            cell(32);
                            press("^Change type");
                            find("Becomes", "ember 6-slot");
                            press("^Change$");
                        })
                        .keys(() -> {
                            part("[role=grid]");
                            keys(25, "ArrowDown");
                            keys("Enter");
                            part("[aria-label='Add fixtures']");
                            tab("^Change type");
                            keys("Enter");
                            shown("^Becomes$");
                            type("ember 6-slot");
                            assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("6-slot");
                            keys("Enter");
                            tab("^Change$");
                            keys("Enter");
                        })
                        .line("change 32 to \"Ember Par / 6-slot\"")
                        .ends("/patch", "v.fixtures.find((f) => f.number === 32).mode", "6-slot"));
    }

    /** What is typed once the keys are in the finder of profiles. */
    private static void profile() {
        type("fathom standard");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Fathom Profile · standard");
        keys("Enter");
        assertThat(page.getByLabel("First number")).isFocused();
        type("300 thru 308");
        keys("Tab");
        type("5.1");
        assertThat(button("^Patch 9 fixtures")).isEnabled();
        keys("Enter");
    }

    /** The show that has just been started is the one that is asked about. */
    private static void ferry() {
        until(
                () -> (Boolean)
                        page.evaluate(
                                "async () => { const live = (await (await fetch('/api/shows')).json()).find((s) => s.live); window.task = live.id; return live.name === 'Ferry'; }"));
    }

    private static List<Task> show() {
        return List.of(
                Task.of("a new show of 48 dimmers", "/show")
                        .pointer(() -> {
                            press("^New show…");
                            type("Ferry");
                            radio("^Dimmers");
                            page.getByLabel("How many dimmers").click();
                            keys("Control+A");
                            type("48");
                            press("^Start the show$");
                            press("^Take the output over$");
                            ferry();
                        })
                        .keys(() -> {
                            tab("^New show…");
                            keys("Enter");
                            type("Ferry");
                            keys("Tab", "ArrowDown", "ArrowDown", "ArrowDown", "Tab", "Control+A");
                            type("48");
                            keys("Enter");
                            button("^Take the output over$").waitFor();
                            arrow("Tab", "^Take the output over$");
                            keys("Enter");
                            ferry();
                        })
                        .line("patch 501 thru 548 as \"House Dimmer\" at 9.1")
                        .ends("/patch", "v.fixtures.length >= 48", "true"),
                Task.of("a version kept", "/show")
                        .pointer(() -> {
                            page.getByLabel("Name of a version").click();
                            type("Noon");
                            press("^Keep this version$");
                        })
                        .keys(() -> {
                            part("[aria-label=Versions]");
                            type("Noon");
                            keys("Enter");
                        })
                        .line("save version \"Noon\"")
                        .ends("/versions", "v.map((x) => x.name).join()", "Noon"),
                Task.of("what was done last taken back", "/groups")
                        .given("delete group 1")
                        .pointer(() -> press("^Undo"))
                        .keys(() -> keys("Control+z"))
                        .line("undo")
                        .ends("/groups", "v.length", "4"));
    }
}
