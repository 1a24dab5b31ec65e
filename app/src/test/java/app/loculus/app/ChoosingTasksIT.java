package app.loculus.app;

import java.util.List;
import java.util.stream.Stream;

/** Selecting and values. */
class ChoosingTasksIT extends InTasks {

    private static final String SELECTED = "v.steps.flat().join(' ')";
    private static final String WASHES_AT_ODDS = "1 thru 3 at 40";

    @Override
    List<Task> tasks() {
        return Stream.of(choosing(), setting()).flatMap(List::stream).toList();
    }

    /** From the end of the page: what is recorded, then the values. */
    private static void values() {
        keys("Shift+F6", "Shift+F6");
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
                Task.of("those that use an effect", "/palettes")
                        .given("1 + 2 at 50", "sine of dimmer at 20 thru 80", "record effect 1 \"Swell\"", "clear")
                        .pointer(() -> {
                            press("^Find…");
                            choose("Condition 1", "using effect");
                            choose("Word of condition 1", "1 Swell");
                            press("^Select$");
                        })
                        .keys(() -> {
                            keys("f");
                            tab("-^Condition 1:");
                            pick("using e");
                            tab("^Word of condition 1");
                            pick("");
                            tab("^Select$");
                            keys("Enter");
                        })
                        .line("all where uses effect 1")
                        .ends("/desk", SELECTED, "1 2"),
                Task.of("those of a group that do something while dark", "/palettes")
                        .given("1 colour 1", "clear")
                        .pointer(() -> {
                            press("^Find…");
                            choose("Condition 1", "active");
                            press("A further condition");
                            choose("Word of condition 2", "1 A");
                            press("^Select$");
                        })
                        .keys(() -> {
                            keys("f");
                            tab("-^Condition 1:");
                            pick("ac");
                            tab("A further condition");
                            keys("Enter");
                            tab("-^Word of condition 2");
                            pick("");
                            tab("^Select$");
                            keys("Enter");
                        })
                        .line("group 1 where active")
                        .ends("/desk", SELECTED, "1"),
                Task.of("highlight full and yellow", "/groups")
                        .given("1 at full colour xy 0.44, 0.5")
                        .pointer(() -> {
                            press("What highlight looks like");
                            press("^For every type$");
                        })
                        .keys(() -> {
                            part("[aria-label=Bench]");
                            tab("What highlight looks like");
                            keys("Enter");
                            tab("^For every type$");
                            keys("Enter");
                        })
                        .line("record highlight")
                        .ends("/desk", "v.look.lines.length > 0", "true"),
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
                Task.of("everything sent home", "/palettes")
                        .given("1 thru 8 at 60")
                        .pointer(() -> press("^Send everything home"))
                        .keys(() -> {
                            values();
                            tab("^Send everything home");
                            keys("Enter");
                        })
                        .line("home")
                        .ends("/api/rig/1", "v.intensity", "0"),
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
}
