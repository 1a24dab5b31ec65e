package app.loculus.formats.showfile;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.function.UnaryOperator;

/** Changes a show's JSON behind the back of the checksum. */
final class ShowDocumentTampering {

    private static final ObjectMapper JSON = ShowJson.mapper();

    private ShowDocumentTampering() {}

    static void check(Show show, UnaryOperator<String> change, String word) {
        assertThatThrownBy(() -> tampered(show, change))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(word);
    }

    private static Show tampered(Show show, UnaryOperator<String> change) throws JsonProcessingException {
        String text = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(ShowDocument.of(show));
        return JSON.readValue(change.apply(text), ShowDocument.class).show(show.profiles());
    }
}
