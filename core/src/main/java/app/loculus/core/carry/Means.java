package app.loculus.core.carry;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.value.ColourAnswers;
import java.util.Collection;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * What values are turned over by.
 *
 * @param answers how types show colours
 * @param marks places of the show that is carried over, in its metres: a beam that passes one closely was meant for it
 * @param moved where a place of that show is in the other room
 * @param pictures how alike pictures of wheels are
 * @param byLight whether levels make the same light, where profiles say how much they give, and not the same share of it
 */
public record Means(
        ColourAnswers answers,
        Collection<Vector3> marks,
        UnaryOperator<Vector3> moved,
        PictureLikeness pictures,
        boolean byLight) {

    public Means {
        marks = List.copyOf(marks);
    }
}
