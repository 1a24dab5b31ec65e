package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.niche.NichePage;
import app.loculus.core.profile.Kind;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NichePagesTest {

    private static Show paged(String... more) {
        return Rig.after(
                Rig.after(
                        Rig.everyKind(), "page colour \"Act two\" from 101 of 6 by 5", "page group \"Floor\" from 201"),
                more);
    }

    @Test
    void a_page_is_a_window_on_numbers_with_rows_of_its_own() {
        Outcome set = Rig.say(Rig.everyKind(), "page colour \"Act two\" from 101 of 6 by 5");
        assertThat(set.words()).containsExactly("Sets colour page “Act two”: 101 to 130, 6 by 5");
        NichePage page = set.show().nichePages().get(0);
        assertThat(page.of()).contains(Kind.COLOUR);
        assertThat(page.last()).isEqualTo(130);
        NichePage floor = paged().nichePages().get(1);
        assertThat(floor.of()).isEmpty();
        assertThat(floor.columns() * floor.rows()).isEqualTo(28);
    }

    @Test
    void setting_one_of_the_same_name_changes_it_and_keeps_its_size_unless_told() {
        Outcome changed = Rig.say(paged(), "page colour \"act TWO\" from 301");
        assertThat(changed.words()).containsExactly("Changes colour page “Act two”: 301 to 330, 6 by 5");
        assertThat(changed.show().nichePages()).hasSize(2);
        Show other = Rig.after(paged(), "page beam \"Act two\" from 1");
        assertThat(other.nichePages()).as("of another kind it is another one").hasSize(3);
    }

    @Test
    void it_is_renamed_and_taken_away_and_niches_stay_as_they_are() {
        Show show = paged("1 at 50", "record group 201 \"Floor dimmers\"");
        Show renamed = Rig.after(show, "rename page group \"Floor\" \"Deck\"");
        assertThat(renamed.nichePages().get(1).name()).isEqualTo("Deck");
        Outcome gone = Rig.say(renamed, "delete page group \"deck\"");
        assertThat(gone.words()).containsExactly("Takes group page “Deck” away; its niches stay");
        assertThat(gone.show().groups()).isEqualTo(show.groups());
        assertThat(gone.show().with(gone.delta().reversed())).isEqualTo(renamed);
        assertThat(Rig.say(show, "delete page colour \"Act one\"")
                        .problems()
                        .get(0)
                        .waysOut()
                        .get(0)
                        .words())
                .isEqualTo("There are “Act two”.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "page colour \"Wide\" from 1 of 17 by 2",
                "page colour \"None\" from 1 of 0 by 2",
                "page colour \"Far\" from 9990",
                "page colour \"Nowhere\" from 0",
                "page colour \" \" from 1",
                "rename page colour \"Act two\" \"\"",
                "rename page group \"Act two\" \"Other\""
            })
    void what_is_no_page_is_refused(String line) {
        Show show = paged();
        Outcome outcome = Rig.say(show, line);
        assertThat(outcome.refused()).isTrue();
        assertThat(outcome.show()).isSameAs(show);
    }

    @Test
    void two_of_the_same_name_are_refused_wherever_they_come_from() {
        Show show = paged("page colour \"Act one\" from 1");
        assertThat(Rig.say(show, "rename page colour \"Act one\" \"ACT TWO\"").refused())
                .isTrue();
        assertThat(show.nichePages().stream().map(NichePage::of).filter(Optional::isPresent))
                .hasSize(2);
    }
}
