package app.loculus.app.lane;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** So many at a time, and whoever waits comes in the order of asking. */
class LaneTest {

    private final Lane lane = new Lane(2);
    private final List<String> gone = new ArrayList<>();

    private boolean asks(String who) {
        return lane.enter(() -> gone.add(who));
    }

    @Test
    void no_more_than_fit_go_at_once_and_the_others_in_order() {
        List.of("a", "b", "c", "d").forEach(this::asks);
        assertThat(gone).containsExactly("a", "b");
        lane.leave();
        assertThat(gone).containsExactly("a", "b", "c");
        lane.leave();
        lane.leave();
        assertThat(gone).containsExactly("a", "b", "c", "d");
    }

    @Test
    void nobody_overtakes_those_who_wait() {
        assertThat(lane.enter()).isTrue();
        assertThat(lane.enter()).isTrue();
        assertThat(lane.enter()).isFalse();
        asks("waits");
        lane.leave();
        assertThat(gone).containsExactly("waits");
        assertThat(lane.enter()).as("two are in again").isFalse();
        lane.leave();
        assertThat(lane.enter()).isTrue();
    }

    @Test
    void more_than_can_wait_are_turned_away() {
        asks("a");
        asks("b");
        int waiting = 0;
        while (asks("more")) {
            waiting++;
        }
        assertThat(waiting).isEqualTo(2_000);
    }

    @Test
    void a_place_is_given_back_once_and_by_whoever_has_gone_before_the_turn_came() {
        Pass served = new Pass(lane);
        Pass second = new Pass(lane);
        Pass gone = new Pass(lane);
        lane.enter(served::enter);
        lane.enter(second::enter);
        lane.enter(gone::enter);
        asks("behind");
        gone.leave();
        served.leave();
        served.leave();
        assertThat(this.gone).containsExactly("behind");
        assertThat(lane.enter()).as("the second and the one behind are in").isFalse();
        second.leave();
        assertThat(lane.enter()).isTrue();
    }
}
