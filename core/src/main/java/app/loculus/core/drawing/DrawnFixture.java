package app.loculus.core.drawing;

import app.loculus.core.geometry.Pose;
import app.loculus.core.ledger.HookupRow;
import java.util.Optional;

/**
 * One fixture of a drawing.
 *
 * @param row what a hookup would say of it; its line is where it comes in the drawing, from 1
 * @param pose where it hangs; empty where the drawing does not say
 * @param notes what is drawn and has no other place in a show: a gel, a pan that is inverted
 */
public record DrawnFixture(String identity, HookupRow row, Optional<Pose> pose, String notes) {}
