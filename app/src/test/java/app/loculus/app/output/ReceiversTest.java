package app.loculus.app.output;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.app.config.BadSetting;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ReceiversTest {

    @Test
    void a_receiver_on_this_machine_is_taken() {
        assertThat(Receivers.parse("127.0.0.1:6000", false).getPort()).isEqualTo(6000);
    }

    @ParameterizedTest
    @ValueSource(strings = {"127.0.0.1", "127.0.0.1:x", "127.0.0.1:99999", ":5", "192.0.2.7:5568"})
    void anything_else_is_refused_in_words(String text) {
        assertThatThrownBy(() -> Receivers.parse(text, false))
                .isInstanceOf(BadSetting.class)
                .hasMessageContaining(text);
    }

    @Test
    void another_machine_needs_a_word_more() {
        assertThat(Receivers.parse("192.0.2.7:5568", true).getAddress().getHostAddress())
                .isEqualTo("192.0.2.7");
    }
}
