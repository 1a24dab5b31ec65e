package app.loculus.core.show;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** Answers that are worked out for one show from those for the show before it. Safe to share between threads. */
final class Answers {

    private final Map<Class<?>, Object> own = new ConcurrentHashMap<>();
    private final Map<Class<?>, Object> earlier;

    Answers() {
        this(Map.of());
    }

    private Answers(Map<Class<?>, Object> earlier) {
        this.earlier = earlier;
    }

    /** Of the show that comes after. */
    Answers next() {
        if (own.isEmpty()) {
            return new Answers(earlier);
        }
        Map<Class<?>, Object> all = new HashMap<>(earlier);
        all.putAll(own);
        return new Answers(all);
    }

    <T> T of(Class<T> question, Function<Optional<T>, T> work) {
        Object known = own.get(question);
        if (known == null) {
            known = work.apply(Optional.ofNullable(earlier.get(question)).map(question::cast));
            own.put(question, known);
        }
        return question.cast(known);
    }
}
