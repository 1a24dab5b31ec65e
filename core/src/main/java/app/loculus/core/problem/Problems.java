package app.loculus.core.problem;

import java.util.ArrayList;
import java.util.List;

/** Collects problems so that all of them can be told at once. Not for sharing between threads. */
public final class Problems {

    private final List<Problem> found = new ArrayList<>();

    public Problems add(Problem problem) {
        found.add(problem);
        return this;
    }

    public List<Problem> all() {
        return List.copyOf(found);
    }

    public boolean refuse() {
        return found.stream().anyMatch(Problem::refuses);
    }

    /** @throws Refusal with everything collected, if any of it refuses */
    public void throwIfRefused() {
        if (refuse()) {
            throw new Refusal(all());
        }
    }
}
