package app.loculus.core.motion;

import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.value.Use;

/** A unit's attribute in an effect: what moves it, and where it stands in the round. */
public record Moving(Effect effect, Use use, Attribute attribute, Move move) {

    /** @param since when it was started, in microseconds */
    public FunctionValue at(FunctionValue below, Beats beats, long since) {
        return move.at(below, beats.turns(effect, use, since), use.size());
    }
}
