package app.loculus.app;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.stream.Stream;

/** Selecting, values, groups and palettes. */
class ChoosingTasksIT extends InTasks {

    private static final String SELECTED = "v.steps.flat().join(' ')";
    private static final String WASHES_AT_ODDS = "1 thru 3 at 40";

    @Override
    List<Task> tasks() {
        return Stream.of(choosing(), setting(), groups(), palettes())
                .flatMap(List::stream)
                .toList();
    }

    private static void toNiche(String begins) {
        part("[data-niche]");
        arrow("ArrowRight", "^" + begins);
    }

    /** From the end of the page: what is recorded, then the values. */
    private static void values() {
        keys("Shift+F6", "Shift+F6");
    }

    /** Looks at a group without taking it. */
    private static void lookAt(String begins) {
        page.locator("[data-niche][aria-label^='" + begins + "']")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    }

    private static void selectFound() {
        press("^Find…");
        press("^Select$");
    }

    private static List<Task> choosing() {
        return List.of(
                Task.of("those that are lit", "/palettes")
                        .given(WASHES_AT_ODDS, "clear")
                        .pointer(ChoosingTasksIT::selectFound)
                        .keys(() -> keys("f", "Enter"))
                        .line("all where lit")
                        .ends("/desk", SELECTED, "1 2 3"),
                Task.of("those that are lit, given another colour", "/palettes")
                        .given(WASHES_AT_ODDS, "clear")
                        .pointer(() -> {
                            selectFound();
                            niche("2 Ember");
                        })
                        .keys(() -> {
                            keys("f", "Enter");
                            toNiche("2 Ember");
                            keys("Enter");
                        })
                        .line("all where lit colour 2")
                        .ends("/api/rig/2", "v.colour.x > 0.5", "true"),
                Task.of("those between 50 and 70 %", "/palettes")
                        .given("1 thru 8 at 45 thru 80", "clear")
                        .pointer(() -> {
                            press("^Find…");
                            choose("Condition 1", "at level");
                            page.getByLabel("Word of condition 1").click();
                            type("50-70");
                            press("^Select$");
                        })
                        .keys(() -> {
                            keys("f");
                            tab("-^Condition 1:");
                            pick("at l");
                            tab("^Word of condition 1");
                            type("50-70");
                            keys("Enter");
                        })
                        .line("all where at 50 thru 70")
                        .ends("/desk", SELECTED, "2 3 4 5 6"),
                Task.of("those of a group that use a palette, given another", "/palettes")
                        .given("1 + 3 at 50 colour 1", "clear")
                        .pointer(() -> {
                            press("^Find…");
                            choose("Condition 1", "using palette");
                            choose("Word of condition 1", "colour 1");
                            press("A further condition");
                            choose("Word of condition 2", "1 A");
                            press("^Select$");
                            niche("2 Ember");
                        })
                        .keys(() -> {
                            keys("f");
                            tab("-^Condition 1:");
                            pick("u");
                            tab("^Word of condition 1");
                            pick("");
                            tab("A further condition");
                            keys("Enter");
                            tab("-^Word of condition 2");
                            pick("");
                            tab("^Select$");
                            keys("Enter");
                            toNiche("2 Ember");
                            keys("Enter");
                        })
                        .line("group 1 where uses colour 1 colour 2")
                        .ends("/api/rig/1", "v.colour.x > 0.5", "true"),
                Task.of("a group recalled and its next share", "/groups")
                        .given("type \"Skiff Wash\" every 2", "record group 9 \"Odd\" as recipe", "clear")
                        .pointer(() -> {
                            niche("9 Odd");
                            press("^Next share");
                        })
                        .keys(() -> {
                            toNiche("9 Odd");
                            keys("Enter", "]");
                        })
                        .line("group 9", "next")
                        .ends("/desk", SELECTED, "2 4 6 8"),
                Task.of("every second of the selection", "/groups")
                        .given("1 thru 8")
                        .pointer(() -> press("^Every 2"))
                        .keys(() -> {
                            part("[aria-label=Bench]");
                            tab("^Every 2");
                            keys("Enter");
                        })
                        .line("every 2")
                        .ends("/desk", SELECTED, "1 3 5 7"));
    }

    private static List<Task> setting() {
        return List.of(
                Task.of("one to full", "/palettes")
                        .given("1")
                        .pointer(() -> press("^full$"))
                        .keys(() -> {
                            values();
                            tab("^out$");
                            arrow("ArrowRight", "^full$");
                            keys("Enter");
                        })
                        .line("at full")
                        .ends("/api/rig/1", "v.intensity", "1"),
                Task.of("a ramp over the selection", "/palettes")
                        .given("1 thru 4")
                        .pointer(() -> press("^20 thru 80$"))
                        .keys(() -> {
                            values();
                            tab("^out$");
                            keys("End", "ArrowLeft", "Enter");
                        })
                        .line("at 20 thru 80")
                        .ends("/api/rig/2", "Math.round(v.intensity * 100)", "40"),
                Task.of("a gobo wheel to its next slot", "/palettes")
                        .given("11 thru 14 at 50")
                        .pointer(() -> {
                            radio("^Beam$");
                            press("^Next Gobo");
                        })
                        .keys(() -> {
                            values();
                            arrow("ArrowRight", "^Beam");
                            tab("^Next Gobo");
                            keys("Enter");
                        })
                        .line("gobo next")
                        .ends("/api/rig/11", "v.gobo !== ''", "true"),
                Task.of("pan fanned over the selection", "/palettes")
                        .given("11 thru 14 at 50")
                        .pointer(() -> {
                            radio("^Position$");
                            press("^Pan: ");
                            type("-30 thru 30");
                            keys("Enter");
                        })
                        .keys(() -> {
                            values();
                            arrow("ArrowRight", "^Position");
                            tab("^Pan: ");
                            keys("Enter");
                            type("-30 thru 30");
                            keys("Enter");
                        })
                        .line("pan at -30 thru 30")
                        .ends("/api/rig/14", "Math.round(v.pan)", "30"),
                Task.of("colour sent home", "/palettes")
                        .given("1 thru 8 at 50 colour 2")
                        .pointer(() -> {
                            radio("^Colour$");
                            press("^Send colour home");
                        })
                        .keys(() -> {
                            values();
                            arrow("ArrowRight", "^Colour");
                            tab("^Send colour home");
                            keys("Enter");
                        })
                        .line("home colour")
                        .ends("/api/rig/1", "v.colour.x < 0.45", "true"));
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
