package app.loculus.core.mark;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Limits;
import java.util.stream.DoubleStream;

/**
 * A named place on stage.
 *
 * @param name unique, whatever letters are large
 * @param at in metres, each within a kilometre
 */
public record Mark(MarkId id, String name, Vector3 at) {

    private static final double FARTHEST = 1000;

    public Mark {
        name = Limits.name("mark.name", "mark", name);
        if (!DoubleStream.of(at.x(), at.y(), at.z()).allMatch(m -> Math.abs(m) <= FARTHEST)) {
            throw Refusal.of(
                    "mark.place", "mark", "A mark at " + text(at) + " is farther away than 1000 m, or nowhere.");
        }
    }

    public Mark movedTo(Vector3 place) {
        return new Mark(id, name, place);
    }

    public Mark named(String newName) {
        return new Mark(id, newName, at);
    }

    /** {@code 0, 3, 1.6}. */
    public static String text(Vector3 v) {
        return Decimal.text(v.x(), 2) + ", " + Decimal.text(v.y(), 2) + ", " + Decimal.text(v.z(), 2);
    }

    @Override
    public String toString() {
        return "“" + name + "”";
    }
}
