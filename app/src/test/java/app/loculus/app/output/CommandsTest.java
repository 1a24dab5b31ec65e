package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.edit.hand.Sending;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A command goes out until its time is over, in its own show. */
class CommandsTest {

    private static final Sending RESET =
            new Sending(Map.of(UnitId.whole(new FixtureId(7)), UnitValues.NONE), 3, "“Reset” to 1 fixture");

    @Test
    void it_ends_by_itself() {
        Commands one = Commands.NONE.with(1, RESET, 1_000_000, 0);
        assertThat(one.ends()).isEqualTo(4_000_000);
        assertThat(one.at(3_999_999)).isSameAs(one);
        assertThat(one.at(4_000_000).all()).isEmpty();
        assertThat(Commands.NONE.ends()).isEqualTo(Long.MAX_VALUE);
    }

    @Test
    void two_end_each_at_its_time() {
        Commands two = Commands.NONE.with(1, RESET, 0, 0).with(1, RESET, 2_000_000, 0);
        assertThat(two.ends()).isEqualTo(3_000_000);
        assertThat(two.at(3_000_000).all()).hasSize(1);
    }

    @Test
    void it_stays_in_its_show_and_leaves_out_who_has_gone() {
        Commands one = Commands.NONE.with(1, RESET, 0, 0);
        assertThat(one.layers(2, Show.empty("").patch())).isEmpty();
        assertThat(one.layers(1, Show.empty("").patch()))
                .hasSize(1)
                .allMatch(l -> l.fixtures().isEmpty());
    }
}
