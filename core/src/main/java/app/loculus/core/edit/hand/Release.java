package app.loculus.core.edit.hand;

import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Releases values of the selection: they are left to whatever lies below.
 *
 * @param kind of these, when present; @param word else the one attribute of this name
 */
public record Release(Optional<Kind> kind, String word) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Touching touching = draft.touching();
        int released = 0;
        for (UnitId unit : draft.held().units()) {
            released += touching.release(unit, meant(show, unit)) ? 1 : 0;
        }
        String what = kind.map(Kind::word).orElse(word);
        if (released == 0) {
            throw Refusal.of("value.nobody", "attribute", "Nothing of " + what + " is set on the selection.");
        }
        draft.setAll(touching.changed());
        draft.say("Releases " + what + " of " + Numbers.count(released, "unit"));
    }

    private Predicate<Attribute> meant(Show show, UnitId unit) {
        Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Optional<Attribute> one = AttributeWords.meant(profile, mode, word);
        return a -> kind.map(k -> profile.kindOf(a) == k).orElseGet(() -> one.equals(Optional.of(a)));
    }
}
