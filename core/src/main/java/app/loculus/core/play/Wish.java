package app.loculus.core.play;

import app.loculus.core.look.Fade;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;

/**
 * What one thing that runs wants of one channel at one moment. Written anew for every channel of every frame, so it is
 * not made anew; never kept.
 */
final class Wish {

    /** From where; null: from what lies below. */
    FunctionValue from;
    /** To where; null: to what lies below. */
    FunctionValue to;
    /** How much of the way is done, 0 to 1; below 0 while it waits. */
    double share;
    /** Scales intensity. */
    double level;
    /** When it was started, in microseconds. */
    long since;

    Source source;
    String label;

    boolean intensity() {
        FunctionValue any = to == null ? from : to;
        return any != null && any.function().attribute().equals(Attribute.DIMMER);
    }

    /** Everything that is no intensity. */
    FunctionValue over(FunctionValue below) {
        FunctionValue a = from == null ? below : from;
        FunctionValue b = to == null ? below : to;
        if (share < 0 || share >= 1 || !a.function().equals(b.function())) {
            return share < 0 ? a : b;
        }
        return new FunctionValue(
                b.function(),
                app.loculus.core.unit.Fraction.clamp(
                        Fade.between(a.fraction().value(), b.fraction().value(), share)));
    }

    /** Whether it comes from or goes to what lies below. */
    boolean open() {
        return from == null || to == null;
    }

    /** The light it wants, before its level. @param below what everybody else comes to, 0 to 1 */
    double light(double below) {
        double a = from == null ? below : from.light();
        double b = to == null ? below : to.light();
        return share < 0 ? a : Fade.between(a, b, share);
    }
}
