package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An edit says what it went by, so that it can be held against what has changed since. */
class ReadsTest {

    private static final Show SHOW = Rig.after(
            Rig.everyKind(),
            "11 thru 12 at 50 colour xy 0.3, 0.3",
            "record colour 1 \"Kept\"",
            "record group 1 \"Two\"",
            "11 thru 12 colour 1");

    /** Whether an edit would have to be looked at again after another one. */
    private static boolean met(String edit, String since) {
        Outcome made = Rig.say(SHOW, edit);
        assertThat(made.refused()).as(edit).isFalse();
        Outcome other = Rig.say(SHOW, since);
        assertThat(other.delta().isEmpty()).as(since).isFalse();
        return made.reads().holdsAny(other.delta().noticed())
                || made.delta().parts().stream().anyMatch(other.delta().parts()::contains);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            at 50                     | 21
            at 50                     | 11 thru 12 red at 10
            red at 20                 | 11 at 20
            record colour 2           | 21
            record colour 2           | 12 red at 10
            record colour 2           | change 12 to "Par / rgb"
            record group 2            | 21 thru 23
            colour 1                  | rename colour 1 "Other"
            group 1 at 20             | edit group 1 - 12
            clear                     | 21
            next                      | 11
            21 at 50                  | renumber 21 from 99
            """)
    void what_it_went_by_is_met(String edit, String since) {
        assertThat(met(edit, since)).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            at 50                     | name 11 "Left"
            at 50                     | unpatch 11
            name 21 "Right"           | 11 at 20
            record colour 2           | name 11 "Left"
            patch 21 at 7.1           | 11 at 20
            universe 3 name "Bridge"  | 11 at 20
            """)
    void what_it_did_not_go_by_is_not(String edit, String since) {
        assertThat(met(edit, since)).isFalse();
    }
}
