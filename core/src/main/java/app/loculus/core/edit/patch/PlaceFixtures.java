package app.loculus.core.edit.patch;

import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Puts fixtures at places on the stage, in metres; their turn stays. */
public record PlaceFixtures(Map<FixtureId, Vector3> places) implements ShowEdit {

    /** A stage larger than this is a slip of the finger. */
    public static final double FURTHEST = 500;

    /** Evenly from one place to another, ends included; one fixture goes to the first. */
    public static PlaceFixtures evenly(List<FixtureId> fixtures, Vector3 from, Vector3 to) {
        Map<FixtureId, Vector3> places = new LinkedHashMap<>();
        int last = Math.max(1, fixtures.size() - 1);
        for (int i = 0; i < fixtures.size(); i++) {
            places.put(fixtures.get(i), from.towards(to, (double) i / last));
        }
        return new PlaceFixtures(places);
    }

    @Override
    public void on(Draft draft) {
        List<Fixture> placed = new ArrayList<>();
        places.forEach((id, place) -> {
            check(place);
            Fixture fixture = draft.show().patch().get(id);
            placed.add(fixture.placed(
                    fixture.pose().map(p -> p.movedTo(place)).orElse(Pose.at(place.x(), place.y(), place.z()))));
        });
        draft.putAll(placed);
        draft.say("Places " + Numbers.count(placed.size(), "fixture"));
    }

    /** @throws Refusal for a place that is no place on a stage */
    public static void check(Vector3 place) {
        Stream.of(place.x(), place.y(), place.z()).forEach(metres -> {
            if (!(Math.abs(metres) <= FURTHEST)) {
                throw Refusal.of(
                        "patch.place",
                        "place",
                        Decimal.text(metres, 2) + " m is further than " + Decimal.text(FURTHEST, 0)
                                + " m from the origin.");
            }
        });
    }
}
