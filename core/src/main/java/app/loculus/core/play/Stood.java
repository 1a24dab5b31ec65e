package app.loculus.core.play;

import app.loculus.core.profile.FunctionValue;

/**
 * Where a channel stands at the moment of a press.
 *
 * @param own where the list that is pressed has brought it, with what lies under it; null where it says nothing
 * @param stage where everything that runs has brought it together
 * @param snaps whether the list has made it jump there: it goes on jumping
 */
record Stood(FunctionValue own, FunctionValue stage, boolean snaps) {

    /** Where light starts, before the level of its list, so that it is what was on stage. */
    FunctionValue light(double level) {
        return level <= 0 ? stage : FunctionValue.lit(stage.function(), Math.min(1, stage.light() / level));
    }
}
