package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;

/** A small rig of eight washes in four groups, seen in the chapter Looks. */
abstract class InLooks extends InBrowser {

    static final String SHOW = "patch 1 thru 8 as \"Skiff Wash / extended\" at 1.1\n"
            + "place 1 thru 8 at -3,2,6 thru 3,2,6\n1 + 2\nrecord group 1 \"A\"\n3 + 4\nrecord group 2 \"B\"\n"
            + "5 + 6\nrecord group 3 \"C\"\n7 + 8\nrecord group 4 \"D\"\n"
            + "1 thru 8 colour xy 0.25, 0.39\nrecord colour 12 \"Verdigris\" global\nclear all";

    @BeforeEach
    void aSmallRig() {
        freshShow("Looks", SHOW, "/looks");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Looks")))
                .isVisible();
    }

    static Locator row(String number) {
        return page.getByRole(
                AriaRole.OPTION,
                new Page.GetByRoleOptions().setName(Pattern.compile("^" + number.replace(".", "\\.") + "\\D")));
    }

    static Locator name() {
        return page.getByLabel("Name of what is recorded");
    }

    static Locator chip(String name) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(name + " runs"));
    }

    /** Sets values by the line and records them as the next cue: name and Enter. */
    static void cue(String values, String name) {
        line(values);
        count();
        page.keyboard().press("r");
        page.keyboard().type(name);
        page.keyboard().press("Enter");
        assertThat(name()).hasValue("");
        assertThat(presses()).as("R, a name, Enter").isEqualTo(3);
        line("clear all");
    }

    static void fourSteps() {
        cue("group 1 at full colour 12", "Bow");
        cue("group 2 at full colour 12", "Port");
        cue("group 3 at full colour 12", "Stern");
        cue("group 4 at full colour 12", "Starboard");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(4);
    }

    static String srgb(int number) {
        return (String) page.evaluate("async (n) => (await (await fetch(`/api/rig/${n}`)).json()).srgb", number);
    }

    static void lit(int number, double level) {
        until(() -> Math.abs(rig(number, "intensity") - level) < 0.02);
    }

    static Locator niche(String name) {
        return page.locator("[data-niche]")
                .filter(new Locator.FilterOptions().setHasText(""))
                .and(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name))));
    }

    /** Levels of fixtures 1 to 8 in percent, asked for at the same moment. */
    static double[] percents() {
        List<?> levels = (List<?>)
                page.evaluate(
                        "() => Promise.all([1, 2, 3, 4, 5, 6, 7, 8].map(async (n) => (await (await fetch(`/api/rig/${n}`)).json()).intensity * 100))");
        return levels.stream().mapToDouble(at -> ((Number) at).doubleValue()).toArray();
    }

    static double percent(int number) {
        return rig(number, "intensity") * 100;
    }
}
