package app.loculus.app.session;

import app.loculus.core.problem.Problem;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Reads;
import app.loculus.core.show.Show;
import app.loculus.formats.showfile.ShowJson;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;

/** The answer to a request with a key, as it is kept. */
record KeptAnswer(List<String> words, List<Problem> problems) {

    private static final ObjectMapper JSON = ShowJson.mapper();

    /** Longer answers are cut: what was done is certain, its words are not needed whole. */
    private static final int MOST_WORDS = 50;

    static String of(Outcome outcome) {
        try {
            return JSON.writeValueAsString(new KeptAnswer(first(outcome.words()), first(outcome.problems())));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static <T> List<T> first(List<T> all) {
        return all.size() > MOST_WORDS ? all.subList(0, MOST_WORDS) : all;
    }

    static Outcome outcome(String text, Show show) {
        try {
            KeptAnswer kept = JSON.readValue(text, KeptAnswer.class);
            return new Outcome(show, Delta.NONE, new Reads(), kept.words(), kept.problems());
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A kept answer cannot be read", e);
        }
    }
}
