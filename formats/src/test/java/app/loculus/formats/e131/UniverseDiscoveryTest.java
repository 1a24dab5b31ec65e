package app.loculus.formats.e131;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class UniverseDiscoveryTest {

    private static final UUID CID = UUID.fromString("01234567-89ab-cdef-0123-456789abcdef");

    @Test
    void golden_octets_lie_where_the_standard_puts_them() {
        byte[] octets = UniverseDiscovery.pages(CID, "Desk", List.of(1, 258, 63999))
                .get(0)
                .encode();
        String hex = HexFormat.of().formatHex(octets);
        assertThat(octets).hasSize(126);
        assertThat(hex.substring(0, 32)).isEqualTo("00100000" + "4153432d45312e3137000000");
        assertThat(hex.substring(32, 44)).as("110 octets, extended").isEqualTo("706e" + "00000008");
        assertThat(hex.substring(44, 76)).isEqualTo("0123456789abcdef0123456789abcdef");
        assertThat(hex.substring(76, 88)).isEqualTo("7058" + "00000002");
        assertThat(hex.substring(88, 98)).isEqualTo("4465736b00");
        assertThat(hex.substring(216)).isEqualTo("00000000" + "700e" + "00000001" + "0000" + "0001" + "0102" + "f9ff");
        assertThat(UniverseDiscovery.decode(octets, octets.length))
                .contains(new UniverseDiscovery(CID, "Desk", 0, 0, List.of(1, 258, 63999)));
    }

    @Test
    void more_than_a_page_holds_goes_on_on_the_next_and_none_is_told_too() {
        List<Integer> many = IntStream.rangeClosed(1, 1025).boxed().toList();
        List<UniverseDiscovery> pages = UniverseDiscovery.pages(CID, "x", many);
        assertThat(pages).extracting(UniverseDiscovery::page).containsExactly(0, 1, 2);
        assertThat(pages).allMatch(p -> p.last() == 2);
        assertThat(pages.get(2).universes()).containsExactly(1025);
        assertThat(pages.get(0).encode()).hasSize(120 + 1024);
        assertThat(UniverseDiscovery.pages(CID, "x", List.of())).hasSize(1);
    }

    @Test
    void what_is_cut_or_no_page_is_none() {
        byte[] octets =
                UniverseDiscovery.pages(CID, "Desk", List.of(1, 2)).get(0).encode();
        for (int length = 0; length < octets.length; length++) {
            assertThat(UniverseDiscovery.decode(octets, length))
                    .as("%s octets", length)
                    .isEmpty();
        }
        byte[] data = DataPacketLayout.encode(new DataPacket(CID, "x", 100, 1, 0, 1, 0, new byte[512]));
        assertThat(UniverseDiscovery.decode(data, data.length)).isEmpty();
        assertThat(DataPacketLayout.decode(octets, octets.length)).isEmpty();
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            byte[] broken = octets.clone();
            broken[random.nextInt(octets.length)] = (byte) random.nextInt();
            UniverseDiscovery.decode(broken, broken.length)
                    .ifPresent(d -> assertThat(d.universes()).hasSize(2));
        }
    }
}
