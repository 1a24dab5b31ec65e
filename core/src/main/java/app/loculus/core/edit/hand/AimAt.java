package app.loculus.core.edit.hand;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Points the selection at a place, each head on the way that is nearest to where it is.
 *
 * @param at in metres
 * @param called what that place is called, for words
 * @param fan metres by which the first and the last step are apart, from the audience's left to right around the place; 0
 *     for all at one spot
 */
public record AimAt(Vector3 at, Optional<String> called, double fan) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Selection selection = draft.held();
        Show show = draft.show();
        Touching touching = draft.touching();
        List<String> missing = new ArrayList<>();
        List<String> placeless = new ArrayList<>();
        int aimed = 0;
        int steps = selection.steps().size();
        for (int i = 0; i < steps; i++) {
            double share = steps == 1 ? 0.5 : (double) i / (steps - 1);
            Vector3 target = at.plus(new Vector3((share - 0.5) * fan, 0, 0));
            for (UnitId held : selection.steps().get(i).units()) {
                for (UnitId unit : Touching.withCells(show.patch(), held)) {
                    aimed += aim(show, touching, unit, target, missing, placeless) ? 1 : 0;
                }
            }
        }
        if (aimed == 0) {
            throw Refusal.of(
                    "aim.nobody",
                    "selection",
                    placeless.isEmpty()
                            ? "Nothing selected both pans and tilts."
                            : "No place is known of " + String.join(", ", placeless) + ".",
                    WayOut.advice("Place fixtures on the plan: place 101 thru 106 at -5,3,6 thru 5,3,6."));
        }
        draft.setAll(touching.changed());
        draft.say("Aims " + Numbers.count(aimed, "head") + " at "
                + called.map(n -> "“" + n + "”").orElse(Mark.text(at))
                + (fan == 0 ? "" : ", fanned over " + Decimal.text(fan, 2) + " m"));
        warn(draft, "aim.reach", missing, "reach", "and point as near as they can");
        warn(draft, "aim.place", placeless, "have a place on the plan", "and stay");
    }

    private static void warn(Draft draft, String code, List<String> units, String what, String then) {
        if (!units.isEmpty()) {
            draft.warn(Problem.warning(
                    code, "selection", String.join(", ", units) + " do not " + what + " " + then + "."));
        }
    }

    private static boolean aim(
            Show show, Touching touching, UnitId unit, Vector3 target, List<String> missing, List<String> placeless) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        Aiming.Reach reach = Aimed.reach(mode, unit.cell()).orElse(null);
        Pose pose = fixture.pose().orElse(null);
        if (reach == null) {
            return false;
        }
        if (pose == null) {
            placeless.add(show.label(unit));
            return false;
        }
        List<Resolved> now = show.unlit().resolve(fixture);
        Aiming.Aim aim = Aiming.nearest(
                pose, target, reach, degrees(mode, unit, now, Attribute.PAN), degrees(mode, unit, now, Attribute.TILT));
        if (!aim.reached()) {
            missing.add(show.label(unit) + " (" + Decimal.text(aim.off(), 1) + "°)");
        }
        touching.setTogether(
                unit,
                Map.of(
                        Attribute.PAN, new AttributeValue.Physical(aim.pan()),
                        Attribute.TILT, new AttributeValue.Physical(aim.tilt())),
                Set.of(),
                Optional.empty());
        return true;
    }

    private static double degrees(Mode mode, UnitId unit, List<Resolved> now, Attribute attribute) {
        return mode.parameter(unit.cell(), attribute)
                .map(p -> now.get(p.channel()).place())
                .map(place -> place.function().physicalOf(place.fraction()))
                .orElse(0.0);
    }
}
