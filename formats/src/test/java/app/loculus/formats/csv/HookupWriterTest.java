package app.loculus.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.check.Hookup;
import app.loculus.core.check.HookupPaper;
import app.loculus.core.check.RowVerdict;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.table.SheetFile;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A hookup goes out, comes in again, and gives the same fixtures. */
class HookupWriterTest {

    private static final Profiles ALL = ShippedProfiles.all();
    private static final String[] NAMES = {
        "Wash",
        "Left, high",
        "The \"old\" one",
        "=1+1",
        "'=1",
        "''-x",
        "-12",
        "@home",
        "+49 30",
        "'tis",
        "Zwölf; grün",
        "two\nlines",
        "007",
        "1.5",
        "3-4",
        "– Ω –"
    };

    /** Fixtures as chance has them, taken in from rows that are made by hand. */
    private static Show show(Random random) {
        List<HookupRow> rows = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            boolean panel = random.nextInt(3) == 0;
            int universe = 1 + i / 12;
            int slot = 1 + i % 12 * 40;
            String at = random.nextInt(7) == 0 ? "" : universe + "." + slot;
            rows.add(new HookupRow(
                    i + 2,
                    String.valueOf(1 + i * 7),
                    NAMES[random.nextInt(NAMES.length)],
                    panel ? "Gull Panel" : "Skiff Wash",
                    panel ? "8-slot" : "basic",
                    at.isEmpty() || random.nextInt(4) > 0 ? at : at + " + " + (universe + 20) + "." + slot,
                    random.nextBoolean() ? "Bridge 1" : "",
                    NAMES[random.nextInt(NAMES.length)]));
        }
        return taken(rows);
    }

    private static Show taken(List<HookupRow> rows) {
        List<RowVerdict> verdicts = Hookup.examine(Show.empty("x"), ALL, rows, Hookup.Clashing.UNPATCHED);
        assertThat(verdicts).allMatch(v -> v.landing().isPresent());
        return Hookup.takeIn(verdicts).apply(Show.empty("x")).show();
    }

    private static List<String> told(Show show) {
        return show.patch().fixtures().stream().map(HookupWriterTest::told).toList();
    }

    private static String told(Fixture f) {
        return f.number() + "|" + f.name() + "|" + f.profile() + "|" + f.mode() + "|" + f.position() + "|" + f.purpose()
                + "|" + f.addresses().stream().map(PatchedAddress::toString).toList();
    }

    private static HookupReader.Read read(byte[] octets) {
        return HookupReader.read(SheetFile.read(octets).table(), Map.of());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void what_goes_out_comes_in_equal(long seed) {
        Show show = show(new Random(seed));
        List<HookupRow> rows = HookupPaper.of(show);
        assertThat(told(taken(read(HookupWriter.csv(rows)).rows()))).isEqualTo(told(show));
        assertThat(told(taken(read(HookupWriter.workbook(rows)).rows()))).isEqualTo(told(show));
    }

    private static String address(String... lines) {
        return read(String.join("\n", lines).getBytes(StandardCharsets.UTF_8))
                .rows()
                .get(0)
                .address();
    }

    @Test
    void universe_and_slot_may_stand_in_columns_of_their_own() {
        assertThat(address("number,profile,universe,slot", "1,Par,5,101")).isEqualTo("5.101");
        assertThat(address("number,profile,Universe,DMX Address", "1,Par,5,101"))
                .isEqualTo("5.101");
        assertThat(address("number,profile,Universe,Address", "1,Par,5,7.101")).isEqualTo("7.101");
        assertThat(address("number,profile,universe,slot", "1,Par,5 + 6,1 + 101"))
                .isEqualTo("5.1 + 6.101");
        assertThat(address("number,profile,universe,slot", "1,Par,5,1 + 101")).isEqualTo("5.1 + 5.101");
        assertThat(address("number,profile,universe,slot", "1,Par,,")).isEmpty();
    }

    @Test
    void half_an_address_is_named_and_not_taken_for_a_whole_one() {
        List<HookupRow> rows = read("number,profile,mode,universe,slot\n1,Skiff Wash,basic,5,\n2,Skiff Wash,basic,,9\n"
                        .getBytes(StandardCharsets.UTF_8))
                .rows();
        assertThat(Hookup.examine(Show.empty("x"), ALL, rows, Hookup.Clashing.UNPATCHED))
                .extracting(v -> v.problems().get(0).words())
                .containsExactly("“5” is no address.", "“9” is no address.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "UTF-16", "windows-1252"})
    void sheets_are_read_in_the_encoding_they_are_in(String charset) {
        String text = "number,name,profile\n1,Zwölf Grün,Skiff Wash\n2,Häfen,Skiff Wash\n";
        SheetFile.Read read = SheetFile.read(text.getBytes(Charset.forName(charset)));
        assertThat(HookupReader.read(read.table(), Map.of()).rows())
                .extracting(HookupRow::name)
                .containsExactly("Zwölf Grün", "Häfen");
        assertThat(read.remark().isPresent()).isEqualTo(charset.equals("windows-1252"));
    }
}
