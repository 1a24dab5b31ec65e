package app.loculus.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.ledger.HookupRow;
import app.loculus.core.problem.Refusal;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HookupReaderTest {

    private static HookupReader.Read read(String text) {
        return HookupReader.read(text, Map.of());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Position,Fixture no.,Label,Instrument type,Mode,Universe.Address,Purpose\nBridge 1,401,Wash 1,Skiff Wash,extended,3.129,Sweep\n",
                "number;name;profile;mode;address;position;purpose\r\n401;Wash 1;Skiff Wash;extended;3.129;Bridge 1;Sweep\r\n",
                "\uFEFFNo\tName\tType\tPersonality\tPatch\tHang\tUse\n401\tWash 1\tSkiff Wash\textended\t3.129\tBridge 1\tSweep"
            })
    void columns_may_stand_in_any_order_and_be_separated_in_any_usual_way(String text) {
        HookupRow row = read(text).rows().get(0);
        assertThat(row)
                .isEqualTo(new HookupRow(
                        row.line(), "401", "Wash 1", "Skiff Wash", "extended", "3.129", "Bridge 1", "Sweep"));
    }

    @Test
    void quoted_values_keep_their_separators() {
        assertThat(read("no,name,type\n1,\"Left, high\",Par\n").rows().get(0).name())
                .isEqualTo("Left, high");
    }

    @Test
    void unknown_headers_are_shown_and_can_be_mapped() {
        String text = "Kreis,What,Where\n12,Par,Bridge 2\n";
        HookupReader.Read read = read(text);
        assertThat(read.headers())
                .containsEntry("Kreis", Optional.empty())
                .containsEntry("Where", Optional.of(HookupField.POSITION));
        assertThat(read.samples()).containsEntry("Kreis", "12");
        HookupReader.Read mapped = HookupReader.read(
                text, Map.of("Kreis", Optional.of(HookupField.NUMBER), "What", Optional.of(HookupField.PROFILE)));
        assertThat(mapped.rows().get(0).number()).isEqualTo("12");
        assertThat(mapped.rows().get(0).position()).isEqualTo("Bridge 2");
    }

    @Test
    void columns_can_be_mapped_one_after_the_other() {
        String text = "Kreis,What\n12,Par\n";
        HookupReader.Read half = HookupReader.read(text, Map.of("Kreis", Optional.of(HookupField.NUMBER)));
        assertThat(half.rows()).isEmpty();
        assertThat(half.headers()).containsKeys("Kreis", "What");
        assertThat(read("number,address\n1,1.1\n").rows()).isEmpty();
    }

    @Test
    void empty_columns_at_the_end_of_a_spreadsheet_do_no_harm() {
        assertThat(read("no,type,address,,\n1,Par,1.1,,\n").rows().get(0).address())
                .isEqualTo("1.1");
    }

    @Test
    void rows_that_are_too_short_read_as_blank() {
        assertThat(read("no,type,address\n1,Par\n\n2\n").rows())
                .hasSize(2)
                .allMatch(r -> r.address().isEmpty());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "no,no\n1,2\n", "no,type\n1,\"Par\nnever closed"})
    void what_is_no_table_is_refused_in_words(String text) {
        assertThatThrownBy(() -> read(text)).isInstanceOf(Refusal.class);
    }

    @Test
    void numbers_as_spreadsheets_write_them_are_numbers() {
        HookupReader.Read read =
                HookupReader.read("No;Type;Address\n1,204;Par;1.1\n12.00;Par;1.4\n7;Par;1.7\n", Map.of());
        assertThat(read.rows()).extracting(r -> r.number()).containsExactly("1204", "12", "7");
    }
}
