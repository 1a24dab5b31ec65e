package app.loculus.app.output;

import app.loculus.core.edit.hand.Sending;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Layer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Commands that are being sent, each until its time is over. Immutable; times in microseconds by the output's clock.
 *
 * @param all in the order in which they came
 */
record Commands(List<Running> all) {

    static final Commands NONE = new Commands(List.of());

    /** @param show where it was asked for: in another one it does not go out */
    record Running(long show, Sending sending, long until, long sinceMillis) {}

    Commands {
        all = List.copyOf(all);
    }

    Commands with(long show, Sending sending, long micros, long millis) {
        List<Running> more = new ArrayList<>(all);
        more.add(new Running(show, sending, micros + Math.round(sending.seconds() * 1e6), millis));
        return new Commands(more);
    }

    /** Those that are still sent; itself when that is all of them. */
    Commands at(long micros) {
        List<Running> left = all.stream().filter(r -> r.until() > micros).toList();
        return left.size() == all.size() ? this : new Commands(left);
    }

    /** When the next one ends; the far future when there is none. */
    long ends() {
        return all.stream().mapToLong(Running::until).min().orElse(Long.MAX_VALUE);
    }

    /** A fixture that has gone meanwhile is left out. */
    List<Layer> layers(long show, Patch patch) {
        return all.stream()
                .filter(r -> r.show() == show)
                .<Layer>map(r -> {
                    Map<UnitId, UnitValues> there =
                            new LinkedHashMap<>(r.sending().values());
                    there.keySet().removeIf(u -> patch.find(u.fixture()).isEmpty());
                    return new Layer.Values("command", r.sinceMillis(), Layer.Merge.COMMAND, false, there);
                })
                .toList();
    }
}
