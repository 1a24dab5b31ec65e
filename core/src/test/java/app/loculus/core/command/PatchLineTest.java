package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The verbs of the patch, as they are typed and as their mistakes are marked. */
class PatchLineTest {

    private static final Show SHOW =
            Rig.show("patch 1 thru 4 as \"Par / rgb\" at 1.1", "patch 11 + 12 as \"Wash / extended\" at 1.101");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "patch 1 + 4 one to one at 3.1 | 2 × 3 slots · 3.1–3.6 | Each number gets the slot of that number.",
                "patch 1 + 2 at 4.1 over 2 universes | 2 × 3 slots · 4.1–4.3, then 5.1–5.3 | Each type is shared out over 2 universes.",
                "patch 1 thru 2 + 11 at 4.1 by type | 3 × various slots · 4.1–4.6, then 5.1–5.12 | Each type begins on a universe of its own.",
                "patch 1 at next gap from 1.102 | 1 × 3 slots · 1.125–1.127 | Each takes the next gap it fits into.",
                "renumber 1 thru 2 from 21 | Renumbers 2 fixtures to 21 thru 22 |",
                "renumber 4 thru 1 from 30 by -1 | Renumbers 4 fixtures to 30 + 29 + 28 + 27 |",
                "swap 1 with 2 | Swaps 1 and 2: 1 goes to 1.4, 2 to 1.1 |",
                "shift 11 thru 12 by 10 | Shifts 2 fixtures by 10 · 1.111–1.134 |",
                "compact universe 1 | Compacts universe 1: 2 fixtures move, 88 slots free at its end |",
                "mark 1 thru 3 dead \"no lamp\" | Marks 3 fixtures as dead: no lamp |",
                "purpose 1 \"front\" | Describes 1 fixture |",
                "note 1 \"lamp out\" | Describes 1 fixture |",
                "change 1 to \"Dimmer\" | Changes 1 fixture to Dimmer / 1-slot: 3 → 1 slot |",
                "universe 2 name \"Floor\" off | Universe 2 “Floor”: off, number 2, priority 100, virtual rig |",
                "universe 5 to multicast as \"Here\" | Universe 5: on, number 5, priority 100, multicast to “Here” (127.0.0.1) |",
                "universe 5 number 0:1:3 to art-net as \"Here\" | Universe 5: on, port address 0:1:3 (19), Art-Net to “Here” (127.0.0.1) |",
                "universe 5 number 0 to artnet broadcast \"192.0.2.7\" as \"All\" | Universe 5: on, port address 0:0:0 (0), Art-Net broadcast to “All” (192.0.2.7) |",
                "universe 5 sync 7000 | Universe 5: on, number 5, priority 100, synchronised by 7000, virtual rig |",
                "hang 11 thru 12 invert pan | Pan of 2 fixtures is inverted |",
                "hang 11 invert pan and tilt | Pan of 1 fixture is inverted | Tilt of 1 fixture is inverted",
                "hang 1 + 11 invert tilt | Tilt of 1 fixture is inverted | Leaves out 1 fixture that does not turn",
                "gel 1 thru 2 xy 0.45, 0.41 | Gel x 0.45 y 0.41 on 2 fixtures |",
                "gel 1 xy 0.45, 0.41 at 60 % | Gel x 0.45 y 0.41, 60 % on 1 fixture |",
                "universe 5 sync off | Universe 5: on, number 5, priority 100, virtual rig |",
            })
    void each_verb_says_what_it_does(String line, String first, String second) {
        Outcome outcome = Rig.say(SHOW, line);
        assertThat(outcome.problems()).filteredOn(Problem::refuses).isEmpty();
        assertThat(outcome.words().get(0)).isEqualTo(first.strip());
        if (second != null) {
            assertThat(outcome.words()).contains(second.strip());
        }
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(SHOW);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "gel 1 xy 0.7, 0.7 | x 0.7, y 0.7 is no colour: x ≥ 0, y > 0 and x + y ≤ 1 are needed.",
                "gel 1 xy 0.4, 0.4 at 0 | A gel lets through more than 0 and at most 100 %, not 0.",
                "hang 1 invert pan | It has no pan.",
                "hang 11 invert zoom | “zoom” cannot be inverted where a fixture hangs.",
                "universe 5 number 0 | Port number 0 is outside 1 to 63999.",
                "universe 5 number 0:0:16 | 0:0:16 is no port address.",
                "universe 5 number 40000 to art-net as \"Here\" | Art-Net has no port address 40000: they go from 0 (0:0:0) to 32767 (127:15:15).",
                "universe 5 sync 64000 | Sync 64000 is outside 1 to 63999.",
                "universe 5 sync 0 | Sync 0 is none.",
                "universe 1 thru 2 number 7 to art-net as \"Here\" | Universes 1 and 2 would both go out as port address 0:0:7 (7); receivers would mix them up.",
                "universe 5 to art-net \"node.local\" as \"Here\" | “node.local” is no address such as 192.0.2.7, that of an interface or of a node.",
                "swap 1 with 99 | There is no fixture 99.",
                "swap 1 with 1 | There is nothing to swap.",
                "compact universe 9 | Universe 9 is empty.",
                "renumber 1 thru 3 from 5 by 0 | With a step of 0 all would get the same number.",
                "renumber 1 from 11 | Number 11 is “Wash 11” already.",
                "shift 99 by 1 | There is no fixture 99.",
                "universe 1 priority 900 | Priority 900 is outside 0 to 200.",
                "universe 2 number 1 | Universes 1 and 2 would both go out as number 1; receivers would mix them up.",
                "change 1 to \"Nothing\" | No profile is called “Nothing”.",
                "patch 1 at 3.1 over 0 universes | Spreading goes over 1 to 512 universes.",
            })
    void what_cannot_be_done_is_refused_in_words(String line, String words) {
        Outcome outcome = Rig.say(SHOW, line);
        assertThat(outcome.problems().get(0).words()).isEqualTo(words.strip());
        assertThat(outcome.problems().get(0).place().inText()).isTrue();
        assertThat(outcome.show()).isSameAs(SHOW);
    }

    @ParameterizedTest
    @CsvSource({
        "renumbr 1 from 5, renumber",
        "compct universe 1, compact",
        "univrse 1 off, universe",
        "shft 1 by 2, shift"
    })
    void a_misspelt_verb_is_recognised(String line, String meant) {
        assertThatThrownBy(() -> Rig.say(SHOW, line)).isInstanceOfSatisfying(Refusal.class, r -> {
            List<WayOut> ways = r.problems().get(0).waysOut();
            assertThat(ways.get(0).words()).contains(meant);
        });
    }

    @Test
    void versions_are_read_as_commands_of_their_own() {
        LineReader reader = new LineReader(Rig.ALL);
        assertThat(reader.read("save version \"After patch\"")).isEqualTo(new Command.SaveVersion("After patch"));
        assertThat(reader.read("RESTORE VERSION “x”")).isEqualTo(new Command.RestoreVersion("x"));
    }

    @Test
    void the_library_is_asked_for_every_time() {
        app.loculus.core.profile.Profiles[] library = {app.loculus.core.profile.Profiles.NONE};
        LineReader reader = new LineReader(() -> library[0]);
        String line = "patch 1 as \"Par / rgb\" at 1.1";
        assertThat(((Command.Edit) reader.read(line))
                        .edit()
                        .apply(Show.empty("x"))
                        .refused())
                .isTrue();
        library[0] = Rig.ALL;
        assertThat(((Command.Edit) reader.read(line))
                        .edit()
                        .apply(Show.empty("x"))
                        .refused())
                .isFalse();
    }
}
