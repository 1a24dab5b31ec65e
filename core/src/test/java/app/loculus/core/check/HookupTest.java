package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Clash;
import app.loculus.core.patch.ClashWords;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class HookupTest {

    private static HookupRow row(int line, String number, String profile, String address) {
        return new HookupRow(line, number, "Name " + number, profile, "", address, "Bridge", "Wash");
    }

    private static List<RowVerdict> examine(Show show, Hookup.Clashing clashing, HookupRow... rows) {
        return Hookup.examine(show, Rig.ALL, List.of(rows), clashing);
    }

    private static String problem(String number, String profile, String address) {
        RowVerdict verdict = examine(Rig.everyKind(), Hookup.Clashing.UNPATCHED, row(2, number, profile, address))
                .get(0);
        return verdict.problems().isEmpty() ? "" : verdict.problems().get(0).words();
    }

    @Test
    void what_cannot_be_right_is_said_with_its_value() {
        assertThat(problem("x7", "Par", "3.1")).isEqualTo("“x7” is no fixture number.");
        assertThat(problem("", "Par", "3.1")).isEqualTo("The row has no number.");
        assertThat(problem("300", "Parr", "3.1")).contains("No profile is called “Parr”");
        assertThat(problem("300", "Par", "3.542")).contains("Slot 542");
        assertThat(problem("300", "Wash", "3.505")).isEqualTo("It needs 12 slots; 3.505 leaves 8.");
        assertThat(problem("11", "Wash", "3.1")).contains("in the show already");
        assertThat(problem("300", "Par", "3/17")).isEmpty();
    }

    @Test
    void numbers_twice_on_paper_are_found() {
        List<RowVerdict> verdicts = examine(
                Show.empty("x"), Hookup.Clashing.UNPATCHED, row(2, "1", "Par", "1.1"), row(3, "1", "Par", "1.4"));
        assertThat(verdicts.get(1).problems().get(0).words()).isEqualTo("Number 1 is on line 2 already.");
        assertThat(verdicts.get(1).landing()).isEmpty();
    }

    private static String lands(Hookup.Clashing clashing) {
        return examine(Show.empty("x"), clashing, row(2, "1", "Par", "1.1"), row(3, "2", "Par", "1.2"))
                .get(1)
                .landing()
                .orElseThrow()
                .starts()
                .toString();
    }

    @Test
    void rows_that_run_into_others_come_in_as_chosen() {
        assertThat(lands(Hookup.Clashing.UNPATCHED)).isEmpty();
        assertThat(lands(Hookup.Clashing.SHARE)).isEqualTo("1.2");
        assertThat(lands(Hookup.Clashing.MOVE)).isEqualTo("1.4");
    }

    @Test
    void what_can_land_lands_as_one_edit() {
        HookupRow[] rows = IntStream.rangeClosed(1, 20)
                .mapToObj(i -> row(i, String.valueOf(i), i == 7 ? "Nonsense" : "Par", "1." + (1 + 3 * i)))
                .toArray(HookupRow[]::new);
        Outcome outcome = Hookup.takeIn(examine(Show.empty("x"), Hookup.Clashing.UNPATCHED, rows))
                .apply(Show.empty("x"));
        assertThat(outcome.show().patch().size()).isEqualTo(19);
        assertThat(outcome.show().patch().number(3).position()).isEqualTo("Bridge");
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(Show.empty("x"));
    }

    @Test
    void each_way_out_of_an_open_clash_leads_out_of_it() {
        Show open = openClash(Rig.show("patch 1 as \"Par / rgb\" at 1.1", "patch 2 as \"Par / rgb\" at 1.2 share"));
        Clash clash = open.patch().clashes().get(0);
        List<WayOut> ways = new ClashWords(open.patch()).waysOut(clash);
        assertThat(ways)
                .extracting(WayOut::words)
                .containsExactly("Move 2 to 1.4", "Move 1 to 1.5", "Share the slots", "Let 2 take over", "Unpatch 2");
        for (WayOut way : ways) {
            assertThat(Rig.after(open, way.line().orElseThrow()).patch().clashes())
                    .as(way.words())
                    .allMatch(Clash::shared);
        }
        Show taken = Rig.after(open, ways.get(3).line().orElseThrow());
        assertThat(taken.patch().number(1).patched()).isFalse();
    }

    /** As data from elsewhere may hold it; no edit makes one. */
    private static Show openClash(Show shared) {
        List<Change<?, ?>> plain = new ArrayList<>();
        for (Fixture f : shared.patch().fixtures()) {
            List<PatchedAddress> addresses = f.addresses().stream()
                    .map(a -> new PatchedAddress(a.breakNumber(), a.address(), false))
                    .toList();
            plain.add(new Change<>(PartKinds.FIXTURES, f.id(), Optional.of(f), Optional.of(f.at(addresses))));
        }
        return shared.with(new Delta(plain));
    }
}
