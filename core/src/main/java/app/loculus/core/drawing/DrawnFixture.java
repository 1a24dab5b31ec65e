package app.loculus.core.drawing;

import app.loculus.core.geometry.Pose;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import java.util.Optional;

/**
 * One fixture of a drawing.
 *
 * @param row what a hookup would say of it; its line is where it comes in the drawing, from 1
 * @param pose where it hangs; empty where the drawing does not say
 * @param inverted which ways it is set to turn the other way round
 * @param gel colour filter in front of it
 * @param notes what is drawn and has no other place in a show, such as its unit number
 */
public record DrawnFixture(
        String identity, HookupRow row, Optional<Pose> pose, Inverted inverted, Optional<Gel> gel, String notes) {}
