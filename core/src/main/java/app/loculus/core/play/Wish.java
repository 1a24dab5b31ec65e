package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.look.Fade;
import app.loculus.core.motion.Moving;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import app.loculus.core.unit.Fraction;

/**
 * What one thing that runs wants of one channel at one moment. Written anew for every channel of every frame, so it is
 * not made anew; never kept.
 */
final class Wish {

    /** The time of all; another one for what is paused. */
    Beats beats;

    /** From where; null: from what lies below. */
    FunctionValue from;
    /** What moves it there; null when it stands. */
    Moving fromMoving;
    /** To where; null: to what lies below. */
    FunctionValue to;
    /** What moves it there; null when it stands. */
    Moving moving;
    /** How much of the way is done, 0 to 1; below 0 while it waits. */
    double share;
    /** Whether it jumps. */
    boolean snaps;
    /** Scales intensity. */
    double level;
    /** When it was started, in microseconds. */
    long since;
    /** Since when it turns, by the clock of all. */
    long turns;

    Source source;
    String label;

    /** Stands where it is. */
    void stand(FunctionValue place) {
        from = place;
        fromMoving = null;
        to = place;
        moving = null;
        snaps = false;
        share = 1;
    }

    boolean intensity() {
        FunctionValue any = to == null ? from : to;
        if (any != null) {
            return any.function().attribute().equals(Attribute.DIMMER);
        }
        Moving mover = moving == null ? fromMoving : moving;
        return mover != null && mover.attribute().equals(Attribute.DIMMER);
    }

    private FunctionValue start(FunctionValue below) {
        FunctionValue base = from == null ? below : from;
        return fromMoving == null ? base : fromMoving.at(base, beats, turns);
    }

    private FunctionValue goal(FunctionValue below) {
        FunctionValue base = to == null ? below : to;
        return moving == null ? base : moving.at(base, beats, turns);
    }

    /** Everything that is no intensity. */
    FunctionValue over(FunctionValue below) {
        if (share >= 1) {
            return goal(below);
        }
        FunctionValue a = start(below);
        if (share < 0) {
            return a;
        }
        FunctionValue b = goal(below);
        return a.function().equals(b.function())
                ? new FunctionValue(
                        b.function(),
                        Fraction.clamp(
                                Fade.between(a.fraction().value(), b.fraction().value(), share)))
                : b;
    }

    /** How far what lies below shows through, 0 to 1: less as it comes from there, more as it goes there. */
    double open() {
        double done = Math.max(0, Math.min(1, share));
        return (from == null && fromMoving == null ? 1 - done : 0) + (to == null && moving == null ? done : 0);
    }

    /** The light it has by itself, before its level; what lies below counts for none. */
    double brings() {
        double a = from == null && fromMoving == null ? 0 : start(from).light();
        double b = to == null && moving == null ? 0 : goal(to).light();
        return share < 0 ? a : share >= 1 ? b : Fade.between(a, b, share);
    }

    /** Whether it moves relative to what lies below. */
    boolean around() {
        return to == null && moving != null && moving.move().relative();
    }

    /** The light it wants, before its level. @param below what everybody else comes to */
    double light(FunctionValue below) {
        if (share >= 1) {
            return goal(below).light();
        }
        double a = start(below).light();
        return share < 0 ? a : Fade.between(a, goal(below).light(), share);
    }

    /** The function whose light it wants. */
    ChannelFunction function(ChannelFunction below) {
        return to != null ? to.function() : moving != null || from == null ? below : from.function();
    }
}
