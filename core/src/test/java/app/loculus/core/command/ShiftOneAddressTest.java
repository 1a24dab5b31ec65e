package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

/** Of a fixture with two addresses one can be moved alone. */
class ShiftOneAddressTest {

    private static final Profile DUO = Rig.profile(
            "Duo",
            new Mode(
                    "two",
                    List.of(channel("Dimmer", 1), channel("Zoom", 2)),
                    0,
                    Chromaticity.D65.withLuminance(100),
                    Map.of(),
                    Map.of()));

    private static Channel channel(String attribute, int breakNumber) {
        return new Channel(
                "Head_" + attribute,
                breakNumber,
                List.of(1),
                0,
                List.of(Rig.function(attribute, 0, 255, 0, 1, null)),
                0,
                OptionalLong.empty());
    }

    private static final Show SHOW = Rig.of(DUO);

    private static List<Address> addresses(Show show, int number) {
        return show.patch().number(number).addresses().stream()
                .map(PatchedAddress::address)
                .toList();
    }

    @Test
    void one_moves_and_the_other_stays() {
        List<Address> before = addresses(SHOW, 1);
        assertThat(before).hasSize(2);
        Show after = Rig.after(SHOW, "shift 1 at " + before.get(1) + " by 100");
        assertThat(addresses(after, 1))
                .containsExactly(before.get(0), Address.ofAbsolute(before.get(1).absolute() + 100));
        assertThat(addresses(after, 2)).isEqualTo(addresses(SHOW, 2));
        Show to = Rig.after(SHOW, "shift 1 at " + before.get(0) + " to 7.9");
        assertThat(addresses(to, 1)).containsExactly(Address.parse("7.9"), before.get(1));
    }

    @Test
    void where_it_would_clash_the_way_out_moves_it_alone_as_well() {
        Address own = addresses(SHOW, 1).get(1);
        Address taken = addresses(SHOW, 3).get(0);
        Outcome refused = Rig.say(SHOW, "shift 1 at " + own + " to " + taken);
        assertThat(refused.refused()).isTrue();
        String wayOut = refused.problems().get(0).waysOut().get(0).line().orElseThrow();
        assertThat(wayOut).startsWith("shift 1 at " + own + " to ");
        Show after = Rig.after(SHOW, wayOut);
        assertThat(addresses(after, 1).get(0)).isEqualTo(addresses(SHOW, 1).get(0));
        assertThat(addresses(after, 1).get(1)).isNotEqualTo(own);
    }

    @Test
    void an_address_that_is_not_theirs_is_refused() {
        assertThat(Rig.say(SHOW, "shift 1 at 9.1 by 3").refused()).isTrue();
    }
}
