package app.loculus.core.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PatchTest {

    private static List<String> runOn(String start, int slots, int count, int gap) {
        RunOn run = new RunOn(Address.parse(start), gap);
        List<String> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(run.take(slots).toString());
        }
        return all;
    }

    @Test
    void twelve_fixtures_of_eight_slots_run_on_into_the_next_universe() {
        List<String> all = runOn("3.441", 8, 12, 0);
        assertThat(all.get(0)).isEqualTo("3.441");
        assertThat(all.get(8)).isEqualTo("3.505");
        assertThat(all.subList(9, 12)).containsExactly("4.1", "4.9", "4.17");
    }

    @Test
    void a_footprint_never_straddles_two_universes() {
        assertThat(runOn("1.480", 20, 3, 0)).containsExactly("1.480", "2.1", "2.21");
    }

    @Test
    void gaps_are_left_between_footprints() {
        assertThat(runOn("1.1", 8, 3, 2)).containsExactly("1.1", "1.11", "1.21");
    }

    @ParameterizedTest
    @ValueSource(strings = {"3", "3.", "0.1", "64000.1", "1.0", "1.513", "a.b", "1.2.3", ""})
    void what_is_no_address_is_refused(String text) {
        assertThatThrownBy(() -> Address.parse(text)).isInstanceOf(Refusal.class);
    }

    @Test
    void the_next_gap_is_the_lowest_place_where_the_whole_footprint_fits() {
        Show show = Rig.show(
                "patch 1 thru 10 as \"Dimmer / 1-slot\" at 1.1",
                "patch 11 as \"Wash / extended\" at 1.21",
                "patch 12 as \"Wash / extended\" at 1.501");
        GapFinder gaps = new GapFinder(show.patch());
        assertThat(gaps.next(new Address(1, 1), 10, Optional.empty())).contains(new Address(1, 11));
        assertThat(gaps.next(new Address(1, 1), 11, Optional.empty())).contains(new Address(1, 33));
        assertThat(gaps.next(new Address(1, 490), 20, Optional.empty())).contains(new Address(2, 1));
        FixtureId wash = show.patch().number(11).id();
        assertThat(gaps.next(new Address(1, 21), 12, Optional.of(wash))).contains(new Address(1, 21));
    }

    @Test
    void clashes_name_the_slots_both_claim() {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.1", "patch 2 as \"Wash / extended\" at 1.8 share");
        Clash clash = show.patch().clashes().get(0);
        assertThat(clash.span()).isEqualTo("1.8–1.12");
        assertThat(clash.shared()).isTrue();
        assertThat(clash.numbers()).startsWith(1);
    }

    @Test
    void a_missing_number_names_its_neighbours() {
        Show show = Rig.show("add 5 + 9 as \"Par / rgb\"");
        assertThatThrownBy(() -> show.patch().number(7))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.problems().get(0).waysOut().get(0).words())
                                .contains("5 and 9"));
    }
}
