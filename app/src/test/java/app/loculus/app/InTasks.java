package app.loculus.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * What is done again and again on a day before rehearsals, each task by pointer, by keys and by the line, from what the
 * pages say themselves: all three end the same, in as many presses as {@code docs/tasks.md} says. A press is one of the
 * pointer, a key, or a text typed in one go; of the line each word counts, and Enter. A task begins in its chapter.
 */
abstract class InTasks extends InBrowser {

    private static final Path TABLE = Path.of("../docs/tasks.md");

    /** Whether every way of each task is gone, and told. */
    private static final boolean EACH = Boolean.getBoolean("loculus.tasks.each");

    private static final String LEAF =
            ":is([data-part], [data-panel]:not(:has([data-panel], [data-part])), main section)";
    private static final int NOT_DONE = -1;
    private static final List<String> WAYS = List.of("by pointer", "by keys", "by the line");

    /** Eight washes, four profiles, four pars and two dimmers on two bridges, in four groups of two. */
    private static final String RIG = """
            patch 1 thru 8 as "Skiff Wash / extended" at 1.1
            patch 11 thru 14 as "Fathom Profile / standard" at 2.1
            patch 21 thru 24 as "Ember Par / 8-slot" at 3.1
            patch 31 + 32 as "House Dimmer" at 4.1
            hang 1 thru 8 on "Bridge 1"
            hang 11 thru 14 on "Bridge 2"
            place 1 thru 8 at -3,2,6 thru 3,2,6
            place 11 thru 14 at -3,4,6 thru 3,4,6
            place 21 thru 24 at -3,6,6 thru 3,6,6
            1 + 2
            record group 1 "A"
            3 + 4
            record group 2 "B"
            5 + 6
            record group 3 "C"
            7 + 8
            record group 4 "D"
            1 thru 8 colour xy 0.25, 0.39
            record colour 1 "Verdigris" global
            1 thru 8 colour xy 0.6, 0.32
            record colour 2 "Ember" global
            clear all
            """;

    /**
     * One task.
     *
     * @param given lines that come before it; what is played alone, with an empty line before it
     * @param path where it begins
     * @param ends what is asked of the show afterwards: a path of its interface, and what of it, in JavaScript
     * @param as what that is then
     */
    record Task(
            String name,
            String given,
            String path,
            Runnable pointer,
            Runnable keys,
            String line,
            String[] ends,
            String as) {

        static Task of(String name, String path) {
            return new Task(name, "", path, null, null, null, null, null);
        }

        Task given(String... lines) {
            return new Task(name, String.join("\n", lines), path, pointer, keys, line, ends, as);
        }

        Task pointer(Runnable hands) {
            return new Task(name, given, path, hands, keys, line, ends, as);
        }

        Task keys(Runnable hands) {
            return new Task(name, given, path, pointer, hands, line, ends, as);
        }

        Task line(String... lines) {
            return new Task(name, given, path, pointer, keys, String.join("\n", lines), ends, as);
        }

        Task ends(String view, String of, String as) {
            return new Task(name, given, path, pointer, keys, line, new String[] {view, of}, as);
        }
    }

    private static int shows;

    abstract List<Task> tasks();

    @BeforeAll
    static void aPageOfTheApplication() {
        page.navigate(app.url() + "/show");
        page.evaluate("() => localStorage.clear()");
    }

    @TestFactory
    Stream<DynamicTest> no_more_presses_than_the_table_says() {
        List<Task> all = tasks();
        String only = System.getProperty("loculus.task", "");
        return all.stream()
                .filter(t -> t.name().contains(only))
                .map(t -> DynamicTest.dynamicTest(t.name(), () -> done(t, all.indexOf(t))));
    }

    /** A run of all tests takes one of the two ways through the pages, the next task the other; the line is quick. */
    private static void done(Task t, int index) {
        List<Integer> took = new ArrayList<>();
        took.add(EACH || index % 2 == 0 || t.keys() == null ? took(t, "by pointer", t.pointer()) : NOT_DONE);
        took.add(EACH || index % 2 == 1 ? took(t, "by keys", t.keys()) : NOT_DONE);
        aShow(t);
        say(t.line());
        ended(t, "by the line");
        took.add(typed(t.line()));
        if (EACH) {
            System.out.println("| " + t.name() + " | "
                    + String.join(
                            " | ",
                            took.stream().map(n -> n == NOT_DONE ? "–" : "" + n).toList()) + " |");
        }
        List<Integer> held = held(t.name());
        for (int i = 0; i < took.size(); i++) {
            assertThat(took.get(i)).as(t.name() + ": " + WAYS.get(i)).isLessThanOrEqualTo(held.get(i));
        }
    }

    private static int took(Task t, String way, Runnable hands) {
        if (hands == null) {
            return NOT_DONE;
        }
        begin(t);
        count();
        hands.run();
        ended(t, way);
        return presses();
    }

    /** What the table allows: by pointer, by keys, by the line. */
    private static List<Integer> held(String name) {
        List<String> rows =
                table().stream().filter(l -> l.startsWith("| " + name + " |")).toList();
        assertThat(rows).as("rows of docs/tasks.md for: " + name).hasSize(1);
        return Stream.of(rows.get(0).split("\\|"))
                .skip(2)
                .map(String::strip)
                .map(n -> n.equals("–") ? NOT_DONE : Integer.parseInt(n))
                .toList();
    }

    private static List<String> table() {
        try {
            return Files.readAllLines(TABLE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int typed(String lines) {
        return lines.lines().mapToInt(l -> l.strip().split("\\s+").length + 1).sum();
    }

    /** A show of its own: what was asked of the page for the one before is not asked of it. */
    private static void aShow(Task t) {
        String name = "Task " + ++shows;
        page.evaluate(
                "async ([name, text]) => { const post = (u, b) => fetch(u, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(b) });"
                        + " window.task = (await (await post('/api/shows', { name })).json()).id;"
                        + " const made = await post(`/api/shows/${window.task}/line`, { text }); if (!made.ok) throw new Error(await made.text()); }",
                List.of(name, RIG));
        // What is played stands alone, behind an empty line.
        Stream.of(t.given().split("\n\n")).filter(lines -> !lines.isEmpty()).forEach(InTasks::say);
    }

    private static void begin(Task t) {
        aShow(t);
        page.evaluate("() => localStorage.clear()");
        page.navigate(app.url() + t.path());
        page.evaluate(
                "async () => { window.task = (await (await fetch('/api/shows')).json()).find((s) => s.live).id; }");
        assertThat(page.locator("main").getByRole(AriaRole.HEADING).first()).isVisible();
        page.waitForTimeout(250);
        page.mouse().move(640, 20);
    }

    private static void say(String lines) {
        page.evaluate(
                "async (text) => { const said = await fetch(`/api/shows/${window.task}/line`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ text }) });"
                        + " if (!said.ok) throw new Error(await said.text()); }",
                lines);
    }

    private static void ended(Task t, String way) {
        String[] last = {""};
        String of = "async ([p, f]) => { const at = p.startsWith('/api') ? p : `/api/shows/${window.task}${p}`;"
                + " return String(new Function('v', `return ${f}`)(await (await fetch(at)).json())); }";
        try {
            until(() -> {
                last[0] = (String) page.evaluate(of, List.of(t.ends()[0], t.ends()[1]));
                return last[0].equals(t.as());
            });
        } catch (AssertionError e) {
            throw new AssertionError(t.name() + " " + way + " ends with " + last[0] + " instead of " + t.as(), e);
        }
    }

    static void press(String name) {
        button(name).first().click();
    }

    static void radio(String name) {
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(name)))
                .first()
                .click();
    }

    static void niche(String begins) {
        page.locator("[data-niche][aria-label^='" + begins + "']").last().click();
    }

    /** Looks at what lies in a niche without taking it. */
    static void lookAt(String begins) {
        page.locator("[data-niche][aria-label^='" + begins + "']")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    }

    static void toNiche(String begins) {
        part("[data-niche]");
        arrow("ArrowRight", "^" + begins);
    }

    static void keys(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    static void keys(int times, String key) {
        for (int i = 0; i < times; i++) {
            page.keyboard().press(key);
        }
    }

    static void type(String text) {
        page.keyboard().type(text);
    }

    /** Goes to the next part of the page, or back, until the keys are in what a selector finds. */
    static void part(String selector) {
        page.locator(selector).first().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        for (int i = 0; i < 8; i++) {
            keys("F6");
            if (at(selector)) {
                return;
            }
        }
        throw new AssertionError("F6 does not come to " + selector);
    }

    /** The same to the innermost part that has a control of this name, and there on to it. */
    static void partWith(String name) {
        part("%1$s:has([aria-label^='%2$s'])".formatted(LEAF, name));
        arrow("Tab", "^" + name);
    }

    static boolean at(String selector) {
        return (Boolean) page.evaluate("(s) => document.activeElement.closest(s) !== null", selector);
    }

    /** Opens the choice that has the keys, and takes what begins with these letters; the first where there are none. */
    static void pick(String letters) {
        keys("Space");
        assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
        for (String letter : letters.isEmpty() ? new String[] {"Home"} : letters.split("")) {
            keys(letter);
        }
        keys("Enter");
        assertThat(page.getByRole(AriaRole.LISTBOX, new Page.GetByRoleOptions().setIncludeHidden(false)))
                .hasCount(0);
    }

    /** Tab until the keys are on what has this name; Shift Tab with a minus before it. */
    static void tab(String name) {
        boolean back = name.startsWith("-");
        Pattern wanted = Pattern.compile(back ? name.substring(1) : name);
        for (int i = 0; i < 60; i++) {
            keys(back ? "Shift+Tab" : "Tab");
            if (wanted.matcher(focused()).find()) {
                return;
            }
        }
        throw new AssertionError("Tab does not come to " + name);
    }

    /** The accessible name of what has the keys, as far as its own texts say it. */
    static String focused() {
        return (String)
                page.evaluate(
                        "() => { const e = document.activeElement; return e.getAttribute('aria-label') ?? (e.labels?.[0]?.textContent || e.textContent || e.title || e.placeholder || '').trim(); }");
    }

    /** Arrow keys until the keys are on what has this name. */
    static void arrow(String key, String name) {
        Pattern wanted = Pattern.compile(name);
        for (int i = 0; i < 40 && !wanted.matcher(focused()).find(); i++) {
            keys(key);
        }
        assertThat(focused()).containsPattern(wanted);
    }

    /** From here to there with the button held. */
    static void drag(Locator from, double x, double y) {
        BoundingBox box = box(from);
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + x / 2, box.y + box.height / 2 + y / 2);
        page.mouse().move(box.x + box.width / 2 + x, box.y + box.height / 2 + y);
        page.mouse().up();
    }

    /** Writes into a field over what stands there, and does it. */
    static void written(Locator field, String text) {
        field.click();
        overwrite(text);
    }

    /** The same in the field that has the keys. */
    static void overwrite(String text) {
        keys("Control+A");
        type(text);
        keys("Enter");
    }

    static void shown(String text) {
        assertThat(page.getByText(Pattern.compile(text)).first()).isVisible();
    }
}
