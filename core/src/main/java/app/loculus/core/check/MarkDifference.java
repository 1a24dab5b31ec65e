package app.loculus.core.check;

import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.mark.Mark;
import java.util.Optional;

/**
 * A focus point of a drawing that is no mark of the show, or another one.
 *
 * @param ours the mark that it is; empty where there is none
 */
public record MarkDifference(FocusPoint theirs, Optional<Mark> ours) {

    /** Names it in a request; unique within one drawing. */
    public String key() {
        return key(theirs);
    }

    static String key(FocusPoint point) {
        return "mark " + point.identity();
    }
}
