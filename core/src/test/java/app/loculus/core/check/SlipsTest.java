package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlipsTest {

    @ParameterizedTest
    @CsvSource({"12, 21", "112, 121", "207, 270", "1234, 1324", "100, 010"})
    void two_digits_next_to_each_other_may_have_changed_places(int one, int other) {
        if (String.valueOf(one).length() == String.valueOf(other).length()) {
            assertThat(Slips.swapped(one, other)).isTrue();
            assertThat(Slips.swapped(other, one)).isTrue();
            assertThat(Slips.numbers(one, other)).contains("digits swapped");
        }
    }

    @ParameterizedTest
    @CsvSource({"12, 12", "12, 13", "123, 321", "12, 210", "11, 11", "1221, 2112"})
    void other_differences_are_no_swap(int one, int other) {
        assertThat(Slips.swapped(one, other)).isFalse();
    }

    @Test
    void a_neighbouring_number_is_off_by_one_and_a_far_one_no_slip() {
        assertThat(Slips.numbers(41, 42)).contains("off by one");
        assertThat(Slips.numbers(42, 41)).contains("off by one");
        assertThat(Slips.numbers(10, 400)).isEmpty();
    }
}
