package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.stream.Stream;

/** Looks as they run, effects as they move. */
class RunningTasksIT extends InTasks {

    private static final String CUES = "v.lists.find((l) => l.number === 1)?.cues";
    private static final String TWO_CUES = "1 at 50\nrecord cue \"Bow\"\n2 at 50\nrecord cue \"Stern\"\nclear all";

    @Override
    List<Task> tasks() {
        return Stream.of(looks(), effects()).flatMap(List::stream).toList();
    }

    private static List<Task> looks() {
        return List.of(
                Task.of("a cue, named", "/looks")
                        .given("1 thru 8 at 60")
                        .pointer(() -> {
                            page.getByLabel("Name of what is recorded").click();
                            type("Storm");
                            press("^Record$");
                        })
                        .keys(() -> {
                            keys("r");
                            type("Storm");
                            keys("Enter");
                        })
                        .line("record cue \"Storm\"")
                        .ends("/looks", CUES + "?.map((c) => c.name).join()", "Storm"),
                Task.of("four cues from nothing, each another group at full", "/looks")
                        .pointer(() -> {
                            press("^Bench");
                            for (int i = 1; i <= 4; i++) {
                                niche(i + " ");
                                press("^full$");
                                press("^Record$");
                                assertThat(page.getByRole(AriaRole.OPTION)).hasCount(i);
                                press("^Clear$");
                            }
                        })
                        .line(
                                "group 1 at full",
                                "record cue",
                                "clear all",
                                "group 2 at full",
                                "record cue",
                                "clear all",
                                "group 3 at full",
                                "record cue",
                                "clear all",
                                "group 4 at full",
                                "record cue",
                                "clear all")
                        .ends("/looks", CUES + "?.length", "4"),
                Task.of("a look on a fader", "/looks")
                        .given("1 thru 4 at 60")
                        .pointer(() -> {
                            radio("^Submaster$");
                            press("^Record$");
                        })
                        .keys(() -> {
                            keys("r");
                            tab("-^Cue");
                            keys("ArrowRight", "r", "Enter");
                        })
                        .line("record submaster 1")
                        .ends("/looks", "v.submasters.length", "1"),
                Task.of("a list as a chase", "/looks")
                        .given(TWO_CUES)
                        .pointer(() -> radio("^chase$"))
                        .keys(() -> {
                            part("[role=listbox]");
                            tab("-^list");
                            keys("ArrowRight");
                        })
                        .line("list 1 as chase")
                        .ends("/looks", "v.lists[0].chase", "true"),
                Task.of("on in the list", "/looks")
                        .given(TWO_CUES)
                        .pointer(() -> press("^Go$"))
                        .keys(() -> keys("Space"))
                        .line("go")
                        .ends("/play", "v.runs.length", "1"),
                Task.of("a cue renamed", "/looks")
                        .given(TWO_CUES)
                        .pointer(() -> {
                            page.getByRole(AriaRole.OPTION).nth(1).click();
                            page.getByLabel("Name of cue 2").click();
                            keys("Control+A");
                            type("Aft");
                            keys("Enter");
                        })
                        .keys(() -> {
                            part("[role=listbox]");
                            keys("ArrowDown", "F2", "Control+A");
                            type("Aft");
                            keys("Enter");
                        })
                        .line("rename cue 2 \"Aft\"")
                        .ends("/looks", CUES + ".map((c) => c.name).join()", "Bow,Aft"));
    }

    private static List<Task> effects() {
        return List.of(
                Task.of("levels that move, on the selection", "/looks?view=effects")
                        .given("1 thru 8 at 60")
                        .pointer(() -> press("^Level$"))
                        .keys(() -> {
                            keys("F6");
                            arrow("Tab", "^Level$");
                            keys("Enter");
                        })
                        .line("sine of dimmer at 20 thru 80")
                        .ends("/effects", "v.effects.length", "1"),
                Task.of("an effect on any attribute, with any waveform", "/looks?view=effects")
                        .given("1 thru 8 at 60")
                        .pointer(() -> {
                            press("^Any effect");
                            choose("What moves", "Zoom");
                            choose("Form", "ramp");
                            press("^Start$");
                        })
                        .keys(() -> {
                            keys("F6");
                            arrow("Tab", "^Any effect");
                            keys("Enter");
                            tab("^What moves");
                            pick("zo");
                            tab("^Form");
                            pick("ra");
                            tab("^Start$");
                            keys("Enter");
                        })
                        .line("ramp of zoom at 20 thru 40 rate 20 offset round")
                        .ends(
                                "/effects",
                                "v.effects[0]?.movements[0].form + ' of ' + v.effects[0]?.movements[0].what",
                                "ramp of Zoom"),
                Task.of("an effect from palette to palette", "/looks?view=effects")
                        .given("1 thru 8 at 60")
                        .pointer(() -> {
                            press("^Any effect");
                            choose("What moves", "between two palettes");
                            choose("Palette 1", "colour 1 Verdigris");
                            choose("Palette 2", "colour 2 Ember");
                            press("^Start$");
                        })
                        .keys(() -> {
                            keys("F6");
                            arrow("Tab", "^Any effect");
                            keys("Enter");
                            tab("^What moves");
                            pick("between");
                            tab("^Palette 1:");
                            pick("");
                            tab("^Palette 2:");
                            keys("Space");
                            assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
                            keys("End", "Enter");
                            tab("^Start$");
                            keys("Enter");
                        })
                        .line("sine of colour at colour 1 thru colour 2 rate 20")
                        .ends("/effects", "v.effects[0]?.movements[0].palettes.length", "2"));
    }
}
