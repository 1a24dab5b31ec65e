package app.loculus.app.api.paper;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Limits;
import app.loculus.formats.paper.Making;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** How far things are that take a while, by the names they were asked for under; whoever asked may stop them. */
@Component
public class MakingBook {

    private static final int MOST = 100;

    /** @param stopped whether nobody wants it any more */
    record Stage(int done, int of, String words, boolean stopped) {}

    private final Map<String, Stage> stages = new ConcurrentHashMap<>();

    /**
     * Makes something while its name can be asked for.
     *
     * @param name empty for what nobody watches
     * @throws Refusal when it was stopped
     */
    public <T> T making(String name, Function<Making, T> work) {
        if (name == null || name.isBlank()) {
            return work.apply(Making.UNWATCHED);
        }
        Limits.text("making.name", "name", name, Limits.KEY);
        if (stages.size() >= MOST) {
            throw Refusal.of("making.many", "making", "Too much is being made at once; wait a moment.");
        }
        stages.put(name, new Stage(0, 1, "beginning", false));
        try {
            return work.apply((done, of, words) -> {
                Stage now = stages.computeIfPresent(name, (n, s) -> new Stage(done, of, words, s.stopped()));
                if (now == null || now.stopped()) {
                    throw Refusal.of("making.stopped", "making", "It was stopped.");
                }
            });
        } finally {
            stages.remove(name);
        }
    }

    /** Not begun, or done, when there is none. */
    Stage stage(String name) {
        return stages.getOrDefault(name, new Stage(0, 0, "", false));
    }

    void stop(String name) {
        stages.computeIfPresent(name, (n, s) -> new Stage(s.done(), s.of(), s.words(), true));
    }
}
