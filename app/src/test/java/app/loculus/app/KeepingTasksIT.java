package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.stream.Stream;

/** Groups and palettes: recorded, recalled, changed. */
class KeepingTasksIT extends InTasks {

    private static final String SELECTED = "v.steps.flat().join(' ')";

    @Override
    List<Task> tasks() {
        return Stream.of(groups(), palettes()).flatMap(List::stream).toList();
    }

    private static List<Task> groups() {
        return List.of(
                Task.of("a group of the selection", "/groups")
                        .given("1 thru 6")
                        .pointer(() -> press("^Record as 5$"))
                        .keys(() -> keys("r", "Enter"))
                        .line("record group")
                        .ends("/groups", "v.find((g) => g.number === 5)?.units.length", "6"),
                Task.of("a group of the selection, named", "/groups")
                        .given("1 thru 6")
                        .pointer(() -> {
                            page.getByLabel("Group name").click();
                            type("Front");
                            press("^Record as 5$");
                        })
                        .keys(() -> {
                            keys("r");
                            type("Front");
                            keys("Enter");
                        })
                        .line("record group \"Front\"")
                        .ends("/groups", "v.find((g) => g.number === 5)?.name", "Front"),
                Task.of("a group onto a chosen empty niche", "/groups")
                        .given("1 thru 6")
                        .pointer(() -> {
                            niche("7, empty");
                            press("^Record as 7$");
                        })
                        .keys(() -> {
                            toNiche("7, empty");
                            keys("Enter", "Enter");
                        })
                        .line("record group 7")
                        .ends("/groups", "v.find((g) => g.number === 7)?.units.length", "6"),
                Task.of("groups for each position", "/groups")
                        .pointer(() -> {
                            press("^Starter groups");
                            press("^position$");
                            press("^Record 2 groups");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            tab("-^Starter groups");
                            keys("Enter");
                            tab("^position$");
                            keys("Enter");
                            tab("-^Record 2 groups");
                            keys("Enter");
                        })
                        .line("starter groups \"Bridge 1\" + \"Bridge 2\"")
                        .ends("/groups", "v.length", "6"),
                Task.of("all obvious groups", "/groups")
                        .pointer(() -> {
                            press("^Starter groups");
                            press("^Record \\d+ groups");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            tab("-^Starter groups");
                            keys("Enter");
                            shown("^Record \\d+ groups");
                            keys("Enter");
                        })
                        .line("starter groups")
                        .ends("/groups", "v.length > 8", "true"),
                Task.of("a group out of two", "/groups")
                        .pointer(() -> {
                            niche("1 A");
                            radio("^Add$");
                            niche("2 B");
                            press("^Record as 5$");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            keys("Enter", "ArrowRight", "Shift+Enter", "r", "Enter");
                        })
                        .line("group 1 + group 2", "record group")
                        .ends("/groups", "v.find((g) => g.number === 5)?.units.join(' ')", "1 2 3 4"),
                Task.of("the level of a group", "/groups")
                        .given("1 thru 8 at 100")
                        .pointer(() -> drag(page.locator("[data-niche][aria-label^='1 A']"), 0, 72))
                        .keys(() -> {
                            part("[data-niche]");
                            keys(6, "PageDown");
                        })
                        .line("group 1", "at 40", "clear")
                        .ends("/api/rig/1", "Math.round(v.intensity * 100)", "40"),
                Task.of("a group renamed", "/groups")
                        .pointer(() -> {
                            page.getByText("A", new Page.GetByTextOptions().setExact(true))
                                    .dblclick();
                            keys("Control+A");
                            type("Left");
                            keys("Enter");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            keys("F2", "Control+A");
                            type("Left");
                            keys("Enter");
                        })
                        .line("rename group 1 \"Left\"")
                        .ends("/groups", "v[0].name", "Left"),
                Task.of("one more light into a group", "/groups")
                        .given("8")
                        .pointer(() -> {
                            lookAt("1 A");
                            press("^\\+ hand$");
                        })
                        .keys(() -> {
                            toNiche("1 A");
                            keys("Control+Enter", "F6");
                            tab("^\\+ hand$");
                            keys("Enter");
                        })
                        .line("edit group 1 + 8")
                        .ends("/groups", "v[0].units.join(' ')", "1 2 8"),
                Task.of("a group deleted", "/groups")
                        .pointer(() -> {
                            lookAt("4 D");
                            press("^Delete…");
                            page.getByRole(AriaRole.DIALOG)
                                    .getByText("Delete", new Locator.GetByTextOptions().setExact(true))
                                    .last()
                                    .click();
                        })
                        .keys(() -> {
                            toNiche("4 D");
                            keys("Control+Enter", "F6");
                            tab("^Delete…");
                            keys("Enter");
                            shown("^Delete$");
                            keys("Enter");
                        })
                        .line("delete group 4")
                        .ends("/groups", "v.length", "3"));
    }

    private static List<Task> palettes() {
        return List.of(
                Task.of("a palette recalled", "/palettes")
                        .given("1 thru 8 at 50")
                        .pointer(() -> niche("2 Ember"))
                        .keys(() -> {
                            toNiche("2 Ember");
                            keys("Enter");
                        })
                        .line("colour 2")
                        .ends("/api/rig/8", "v.colour.x > 0.5", "true"),
                Task.of("a palette recalled with nothing selected: those it knows", "/palettes")
                        .given("5 + 6 colour xy 0.3, 0.2", "record colour 3 \"Plum\" per fixture", "clear all")
                        .pointer(() -> niche("3 Plum"))
                        .keys(() -> {
                            toNiche("3 Plum");
                            keys("Enter");
                        })
                        .line("colour 3")
                        .ends("/desk", SELECTED, "5 6"),
                Task.of("a palette of the colour of the selection", "/palettes")
                        .given("1 thru 8 colour xy 0.3, 0.2")
                        .pointer(() -> press("^Record$"))
                        .keys(() -> keys("r", "Enter"))
                        .line("record colour")
                        .ends("/palettes", "v.filter((p) => p.kind === 'colour').length", "3"),
                Task.of("a palette, for each of its type", "/palettes")
                        .given("1 colour xy 0.3, 0.2")
                        .pointer(() -> {
                            radio("^Type$");
                            press("^Record$");
                        })
                        .keys(() -> {
                            keys("r");
                            tab("^Auto");
                            arrow("ArrowRight", "^Type");
                            keys("Enter");
                        })
                        .line("record colour per type")
                        .ends("/palettes", "v.find((p) => p.kind === 'colour' && p.number === 3)?.scope", "per_type"),
                Task.of("a palette with one attribute alone", "/palettes")
                        .given("11 iris at 40 zoom at 20")
                        .pointer(() -> {
                            radio("^Beam");
                            press("^More$");
                            page.getByLabel("Only these attributes").click();
                            type("Zoom");
                            press("^Record$");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            tab("-^Colour");
                            arrow("ArrowRight", "^Beam");
                            keys("r");
                            tab("^More$");
                            keys("Enter");
                            tab("^Only these attributes");
                            type("Zoom");
                            keys("Enter");
                        })
                        .line("record beam only zoom")
                        .ends("/palettes", "v.find((p) => p.kind === 'beam')?.entries", "1"),
                Task.of("a palette updated: what uses it follows", "/palettes")
                        .given("1 thru 4 at 50 colour 1", "5 at 50 colour 1", "colour xy 0.6, 0.32")
                        .pointer(() -> {
                            page.locator("[data-niche][aria-label^='1 Verdigris']")
                                    .hover();
                            press("^Update");
                        })
                        .keys(() -> {
                            toNiche("1 Verdigris");
                            shown("^Update palette");
                            keys("F6");
                            arrow("Tab", "^Update");
                            keys("Enter");
                        })
                        .line("update colour 1")
                        .ends("/api/rig/1", "v.colour.x > 0.5", "true"),
                Task.of("one type taken out of a palette", "/palettes")
                        .given("1 + 11 colour xy 0.3, 0.2", "record colour 3 \"Plum\" per type", "11")
                        .pointer(() -> {
                            page.locator("[data-niche][aria-label^='3 Plum']").hover();
                            assertThat(page.getByLabel("The palette looked at")).containsText("Plum");
                            press("^− hand$");
                        })
                        .keys(() -> {
                            toNiche("3 Plum");
                            keys("F6");
                            tab("^− hand$");
                            keys("Enter");
                        })
                        .line("take out 11 from colour 3")
                        .ends("/palettes", "v.find((p) => p.kind === 'colour' && p.number === 3)?.entries", "4"),
                Task.of("the obvious palettes", "/palettes")
                        .given("all")
                        .pointer(() -> {
                            press("^Starter palettes");
                            press("^Record \\d+ palettes");
                        })
                        .keys(() -> {
                            part("[data-niche]");
                            tab("-^Starter palettes");
                            keys("Enter");
                            shown("^Record \\d+ palettes");
                            keys("Enter");
                        })
                        .line("starter palettes")
                        .ends("/palettes", "v.length > 12", "true"));
    }
}
