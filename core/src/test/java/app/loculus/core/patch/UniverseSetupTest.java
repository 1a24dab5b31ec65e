package app.loculus.core.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class UniverseSetupTest {

    @Test
    void an_untouched_universe_is_on_under_its_own_number_to_the_rig_alone() {
        UniverseSetup usual = UniverseSetup.usual(7);
        assertThat(usual.on()).isTrue();
        assertThat(usual.port()).isEqualTo(7);
        assertThat(usual.priority()).isEqualTo(100);
        assertThat(usual.route().inside()).isTrue();
    }

    @Test
    void a_show_from_elsewhere_sends_nothing_outside_until_it_is_switched_on() {
        Route node = new Route(Route.Kind.UNICAST, "192.0.2.7", "Node");
        assertThat(UniverseSetup.usual(1).going(node).keptInside().on()).isFalse();
        assertThat(UniverseSetup.usual(1).keptInside().on()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"192.0.2.7", "192.0.2.7:6000", " 127.0.0.1 "})
    void a_target_is_an_address_with_a_port_or_without(String target) {
        Route route = new Route(Route.Kind.UNICAST, target, "Node");
        assertThat(route.port()).isEqualTo(target.contains(":") ? 6000 : 5568);
        assertThat(route.host()).doesNotContain(":").doesNotContain(" ");
        assertThat(route.inside()).isEqualTo(target.contains("127"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"node.local", "300.1.1.1", "192.0.2", "192.0.2.7:70000", "192.0.2.7:"})
    void what_is_no_address_is_refused_with_an_example(String target) {
        assertThatThrownBy(() -> new Route(Route.Kind.UNICAST, target, "Node"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("no address such as 192.0.2.7");
    }

    @Test
    void multicast_names_an_interface_and_no_port() {
        assertThatThrownBy(() -> new Route(Route.Kind.MULTICAST, "127.0.0.1:5568", "Here"))
                .hasMessageContaining("that of an interface");
    }

    @ParameterizedTest
    @CsvSource({"0, 0:0:0", "1, 0:0:1", "16, 0:1:0", "255, 0:15:15", "256, 1:0:0", "4660, 18:3:4", "32767, 127:15:15"})
    void a_port_address_is_said_both_ways(int value, String words) {
        assertThat(new PortAddress(value)).hasToString(words);
        PortAddress address = new PortAddress(value);
        assertThat(PortAddress.of(address.net(), address.subNet(), address.universe()))
                .isEqualTo(address);
    }

    @Test
    void by_art_net_a_universe_may_have_number_0_and_then_has_no_way_back_to_e131() {
        UniverseSetup node =
                new UniverseSetup(4, "", true, 0, 100, new Route(Route.Kind.ART_NET, "192.0.2.7", "Node"), 0);
        assertThat(node.route().port()).isEqualTo(6454);
        assertThatThrownBy(() -> node.going(Route.RIG)).hasMessageContaining("Port number 0 is outside 1 to 63999");
        assertThat(node.keptInside().on()).isFalse();
    }

    @Test
    void numbers_and_names_have_bounds() {
        assertThatThrownBy(() -> UniverseSetup.usual(1).numbered(64000)).hasMessageContaining("outside 1 to 63999");
        assertThatThrownBy(() -> UniverseSetup.usual(1).withPriority(-1)).hasMessageContaining("outside 0 to 200");
        assertThatThrownBy(() -> UniverseSetup.usual(1).named("x".repeat(101))).hasMessageContaining("100 characters");
        assertThatThrownBy(() -> UniverseSetup.usual(0)).hasMessageContaining("Universe 0");
    }
}
