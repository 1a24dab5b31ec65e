package app.loculus.core.desk;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Plane;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.Change;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an edit carries from one place on the stage to another, to be drawn before it happens.
 *
 * @param what mark, light or beam
 * @param name the mark's, the fixture's number, or palette and unit whose beam it is
 * @param to in metres; of a beam, where it meets the floor
 */
public record Carried(String what, String name, Vector3 from, Vector3 to) {

    private static final int MOST = 400;

    /** Marks that move, lights that hang elsewhere, beams of positions of their own that land elsewhere. */
    public static List<Carried> of(Outcome outcome) {
        List<Carried> all = new ArrayList<>();
        for (Change<?, Mark> c : outcome.delta().of(PartKinds.MARKS)) {
            both(c).ifPresent(b ->
                    moved("mark", b.before().name(), b.before().at(), b.after().at(), all));
        }
        Map<Integer, Pose> hung = new LinkedHashMap<>();
        for (Change<?, Fixture> c : outcome.delta().of(PartKinds.FIXTURES)) {
            both(c).ifPresent(b -> b.before().pose().ifPresent(was -> {
                hung.put(b.after().number(), was);
                b.after()
                        .pose()
                        .ifPresent(is ->
                                moved("light", Integer.toString(b.after().number()), was.place(), is.place(), all));
            }));
        }
        for (Change<?, Palette> c : outcome.delta().of(PartKinds.PALETTES)) {
            both(c).ifPresent(b -> beams(outcome.show(), hung, b.before(), b.after(), all));
        }
        return all.stream().limit(MOST).toList();
    }

    private record Both<V>(V before, V after) {}

    private static <V> Optional<Both<V>> both(Change<?, V> change) {
        return change.before().flatMap(b -> change.after().map(a -> new Both<>(b, a)));
    }

    private static void moved(String what, String name, Vector3 from, Vector3 to, List<Carried> all) {
        if (!from.equals(to)) {
            all.add(new Carried(what, name, from, to));
        }
    }

    private static void beams(Show show, Map<Integer, Pose> hung, Palette before, Palette after, List<Carried> all) {
        Map<UnitId, Map<Attribute, AttributeValue>> was = raw(before);
        raw(after)
                .forEach((unit, values) -> show.patch().find(unit.fixture()).ifPresent(fixture -> {
                    Optional<Pose> is = fixture.pose();
                    Optional<Vector3> from = landing(
                            show,
                            fixture,
                            unit,
                            is.map(p -> hung.getOrDefault(fixture.number(), p)),
                            was.getOrDefault(unit, Map.of()));
                    Optional<Vector3> to = landing(show, fixture, unit, is, values);
                    from.ifPresent(f -> to.ifPresent(t ->
                            moved("beam", after.number() + " " + after.name() + " · " + show.label(unit), f, t, all)));
                }));
    }

    private static Map<UnitId, Map<Attribute, AttributeValue>> raw(Palette palette) {
        Map<UnitId, Map<Attribute, AttributeValue>> found = new LinkedHashMap<>();
        for (Entry e : palette.entries()) {
            if (e.scope() instanceof ScopeKey.Unit own) {
                found.computeIfAbsent(own.unit(), u -> new LinkedHashMap<>()).put(e.attribute(), e.value());
            }
        }
        return found;
    }

    private static Optional<Vector3> landing(
            Show show, Fixture fixture, UnitId unit, Optional<Pose> pose, Map<Attribute, AttributeValue> values) {
        Mode mode = show.patch().modeOf(fixture);
        return pose.flatMap(p -> Aimed.degrees(mode, unit.cell(), values, Attribute.PAN)
                .flatMap(pan -> Aimed.degrees(mode, unit.cell(), values, Attribute.TILT)
                        .flatMap(tilt -> Plane.level(0).meets(new Aiming.Beam(p.place(), p.beam(pan, tilt))))));
    }
}
