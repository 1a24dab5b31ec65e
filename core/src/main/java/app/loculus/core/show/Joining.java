package app.loculus.core.show;

import java.util.LinkedHashMap;
import java.util.Map;

/** Joins changes that follow each other, so that each part changes once. */
final class Joining {

    private final Map<PartRef, Change<?, ?>> net = new LinkedHashMap<>();

    void add(Change<?, ?> change) {
        net.merge(change.part(), change, (earlier, later) -> later.following(earlier));
    }

    Delta delta() {
        return new Delta(net.values().stream().filter(c -> !c.idle()).toList());
    }
}
