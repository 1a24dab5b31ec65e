package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.command.LineReader;
import app.loculus.core.command.ReadAloud;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ReadbackTest {

    private static final Show SHOW = Rig.show("add 14 thru 18 as \"Par / rgb\"");

    private static List<ReadAloud> read(String... entries) {
        LineReader reader = new LineReader(Rig.ALL);
        return Stream.of(entries).map(e -> reader.readAloud(e, 2)).toList();
    }

    @Test
    void a_slot_alone_lies_in_the_universe_read_last() {
        assertThat(read("14 207", "16 3.1").stream().map(Object::toString))
                .containsExactly("ReadAloud[number=14, address=2.207]", "ReadAloud[number=16, address=3.1]");
        assertThatThrownBy(() -> read("14 600")).hasMessageContaining("outside 1 to 512");
        assertThatThrownBy(() -> read("14")).isInstanceOf(Refusal.class);
    }

    @Test
    void what_was_said_twice_or_skipped_is_flagged_at_once() {
        assertThat(Readback.flags(SHOW.patch(), read("14 1", "15 4"))).isEmpty();
        assertThat(Readback.flags(SHOW.patch(), read("14 1", "17 4"))).containsExactly("Not read yet: 15 thru 16");
        assertThat(Readback.flags(SHOW.patch(), read("14 1", "15 1")))
                .containsExactly("Address 2.1 was read before, in entry 1");
        assertThat(Readback.flags(SHOW.patch(), read("14 1", "14 9")))
                .containsExactly("Fixture 14 was read before, as entry 1");
        assertThat(Readback.flags(SHOW.patch(), read("30 1", "32 9"))).containsExactly("Not read yet: 31");
    }
}
