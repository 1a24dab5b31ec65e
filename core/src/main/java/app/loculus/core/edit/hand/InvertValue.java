package app.loculus.core.edit.hand;

import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.Optional;
import java.util.Set;

/**
 * Turns an attribute of the selection round: pan and tilt to the other side of 0, everything else to what is left to
 * full. Degrees that the other side does not have are mirrored in the middle of the range.
 */
public record InvertValue(String word) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        FromNow hand = new FromNow(draft);
        Set<String> turned = hand.set(word, at -> Optional.of(inverted(at)));
        hand.keep(turned, word);
        draft.say("Inverts " + word + " of " + Numbers.count(turned.size(), "unit"));
    }

    private static AttributeValue inverted(FromNow.At at) {
        if (!at.inDegrees()) {
            return new AttributeValue.Level(
                    Fraction.clamp(1 - at.place().share().value()));
        }
        double[] range = at.ends();
        double other = -at.physical();
        boolean has = other >= range[0] && other <= range[1];
        return new AttributeValue.Physical(has ? other : range[0] + range[1] - at.physical());
    }
}
