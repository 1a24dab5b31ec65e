package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.stream.Stream;

/** Looks as they run, effects as they move. */
class RunningTasksIT extends InTasks {

    private static final String CUES = "v.lists.find((l) => l.number === 1)?.cues";
    private static final String TWO_CUES = "1 at 50\nrecord cue \"Bow\"\n2 at 50\nrecord cue \"Stern\"\nclear all";

    @Override
    List<Task> tasks() {
        return Stream.of(looks(), chases(), effects(), moving())
                .flatMap(List::stream)
                .toList();
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
                        .ends("/looks", CUES + ".map((c) => c.name).join()", "Bow,Aft"),
                Task.of("times of a cue: in, out, the rest", "/looks")
                        .given(TWO_CUES)
                        .pointer(() -> {
                            cue(1).click();
                            page.getByLabel("in of cue 1").click();
                            type("3");
                            keys("Tab");
                            type("5");
                            keys("Tab");
                            type("4");
                            keys("Enter");
                        })
                        .keys(() -> {
                            part("[role=listbox]");
                            keys("Space");
                            tab("-^in");
                            type("3");
                            keys("Tab");
                            type("5");
                            keys("Tab");
                            type("4");
                            keys("Enter");
                        })
                        .line("cue 1 in 3 out 5 rest 4")
                        .ends("/looks", CUES + ".slice(0, 1).map((c) => [c.in, c.out, c.rest].join()).join()", "3,5,4"),
                Task.of("a cue one place earlier", "/looks")
                        .given(TWO_CUES)
                        .pointer(() -> page.getByText("Stern")
                                .dragTo(page.getByRole(AriaRole.OPTION).first()))
                        .keys(() -> {
                            part("[role=listbox]");
                            keys("ArrowDown", "Alt+ArrowUp");
                        })
                        .line("move cue 2 before 1")
                        .ends("/looks", CUES + ".map((c) => c.name).join()", "Stern,Bow"),
                Task.of("a fader pushed up", "/looks")
                        .given("1 thru 4 at 60", "record submaster 1 \"Wash\"", "clear all")
                        .pointer(() -> drag(fader(), 0, -60))
                        .keys(() -> {
                            toNiche("1 Wash");
                            keys(5, "PageUp");
                        })
                        .line("submaster 1 at 50")
                        .ends("/api/rig/1", "v.intensity > 0.2", "true"));
    }

    private static Locator cue(int number) {
        return page.getByRole(AriaRole.OPTION).nth(number - 1);
    }

    private static Locator fader() {
        return page.locator("[data-niche][aria-label^='1 Wash']");
    }

    private static List<Task> chases() {
        String chase = TWO_CUES + "\nlist 1 as chase\n\ngo list 1";
        return List.of(
                Task.of("the tempo of a chase", "/looks")
                        .given(chase)
                        .pointer(() -> written(page.locator("[aria-label='a minute']"), "90"))
                        .keys(() -> {
                            partWith("a minute");
                            overwrite("90");
                        })
                        .line("list 1 rate 90")
                        .ends("/looks", "v.lists[0].rate", "90"),
                Task.of("the tempo of a chase tapped", "/looks")
                        .given(chase + "\n\nlist 1 rate 7")
                        .pointer(() -> {
                            for (int i = 0; i < 4; i++) {
                                press("^Tap");
                                page.waitForTimeout(300);
                            }
                        })
                        .keys(() -> {
                            partWith("a minute");
                            tab("^Tap");
                            for (int i = 0; i < 4; i++) {
                                keys("Enter");
                                page.waitForTimeout(300);
                            }
                        })
                        .line("tempo list 1 at 120")
                        .ends("/play", "v.runs[0]?.rate > 8", "true"),
                Task.of("how much of a step is crossfade", "/looks")
                        .given(chase)
                        .pointer(() -> written(page.getByLabel("crossfade %"), "80"))
                        .keys(() -> {
                            partWith("a minute");
                            tab("^crossfade");
                            overwrite("80");
                        })
                        .line("list 1 crossfade 80")
                        .ends("/looks", "v.lists[0].crossfade", "80"),
                Task.of("a chase that comes back from its end", "/looks")
                        .given(chase)
                        .pointer(() -> radio("^bounce$"))
                        .keys(() -> {
                            partWith("a minute");
                            tab("^forwards");
                            arrow("ArrowRight", "^bounce");
                        })
                        .line("list 1 bounce")
                        .ends("/looks", "v.lists[0].direction", "bounce"),
                Task.of("a chase paused", "/looks")
                        .given(chase)
                        .pointer(() -> press("^Pause"))
                        .keys(() -> keys("p"))
                        .line("pause")
                        .ends("/play", "v.runs[0]?.paused", "true"),
                Task.of("a chase held at a step", "/looks")
                        .given(chase + "\n\npause")
                        .pointer(() -> page.locator("title")
                                .filter(new Locator.FilterOptions().setHasText("2 Stern: press"))
                                .locator("..")
                                .click())
                        .keys(() -> {
                            part("[role=listbox]");
                            keys("ArrowDown", "Enter");
                        })
                        .line("jump to cue 2")
                        .ends("/play", "v.runs[0]?.step", "1"),
                Task.of("a chase as a list again", "/looks")
                        .given(chase)
                        .pointer(() -> press("^Play as a list"))
                        .keys(() -> {
                            partWith("a minute");
                            tab("^Play as a list");
                            keys("Enter");
                        })
                        .line("list 1 as list")
                        .ends("/looks", "v.lists[0].chase", "false"));
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

    private static List<Task> moving() {
        String swell = "1 thru 8 at 60\nsine of dimmer at 20 thru 80 rate 30 offset round\nrecord effect 1 \"Swell\"";
        return List.of(
                Task.of("an effect kept by name", "/looks?view=effects")
                        .given("1 thru 8 sine of dimmer at 20 thru 80")
                        .pointer(() -> {
                            page.getByLabel("Name of the effect").click();
                            type("Swell");
                            press("^Record$");
                        })
                        .keys(() -> {
                            keys("r");
                            type("Swell");
                            keys("Enter");
                        })
                        .line("record effect \"Swell\"")
                        .ends("/effects", "v.effects[0]?.number", "1"),
                Task.of("the obvious effects", "/looks?view=effects")
                        .pointer(() -> {
                            press("^Starter effects");
                            press("^Record \\d+ effects");
                        })
                        .keys(() -> {
                            keys("F6");
                            arrow("Shift+Tab", "^Starter effects");
                            keys("Enter");
                            shown("^Record \\d+ effects");
                            keys("Enter");
                        })
                        .line("starter effects")
                        .ends("/effects", "v.effects.length > 3", "true"),
                Task.of("an effect put on the selection", "/looks?view=effects")
                        .given(swell, "effects off", "1 thru 4")
                        .pointer(() -> press("^Use$"))
                        .keys(() -> {
                            partWith("at rate");
                            tab("^Use$");
                            keys("Enter");
                        })
                        .line("effect 1")
                        .ends("/effects", "v.effects[0].units", "4"),
                Task.of("its speed", "/looks?view=effects")
                        .given(swell)
                        .pointer(() -> written(page.getByLabel("cycles a minute"), "45"))
                        .keys(() -> {
                            partWith("cycles a minute");
                            overwrite("45");
                        })
                        .line("edit effect 1 rate 45")
                        .ends("/effects", "v.effects[0].rate", "45"),
                Task.of("its size: how far down", "/looks?view=effects")
                        .given(swell)
                        .pointer(() ->
                                written(page.getByLabel("from", new Page.GetByLabelOptions().setExact(true)), "50"))
                        .keys(() -> {
                            partWith("cycles a minute");
                            tab("^from");
                            overwrite("50");
                        })
                        .line("edit effect 1 at 50 thru 80")
                        .ends("/effects", "v.effects[0].movements[0].low", "50"),
                Task.of("its offset over the lights", "/looks?view=effects")
                        .given(swell)
                        .pointer(() -> radio("^in step$"))
                        .keys(() -> {
                            partWith("cycles a minute");
                            tab("^spread over one cycle");
                            keys("ArrowLeft");
                        })
                        .line("edit effect 1 offset 0")
                        .ends("/effects", "v.effects[0].along.words", "offset 0"),
                Task.of("an effect taken out again", "/looks?view=effects")
                        .given(swell)
                        .pointer(() -> press("^End$"))
                        .keys(() -> {
                            partWith("cycles a minute");
                            tab("-^End$");
                            keys("Enter");
                        })
                        .line("effects off")
                        .ends("/effects", "v.effects[0].units", "0"));
    }
}
