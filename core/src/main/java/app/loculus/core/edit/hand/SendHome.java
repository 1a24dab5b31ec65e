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
 * Sends the selection home, and touches it. The mix of a colour goes as one.
 *
 * @param kind all of this kind, when present; @param word else the one attribute of this name, when present; else
 *     everything
 */
public record SendHome(Optional<Kind> kind, Optional<String> word) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Touching touching = draft.touching();
        int sent = 0;
        for (UnitId unit : draft.held().units()) {
            sent += touching.home(unit, meant(draft.show(), unit)) ? 1 : 0;
        }
        String what = kind.map(Kind::word).or(() -> word).orElse("everything");
        if (sent == 0) {
            throw Refusal.of(
                    "value.nobody",
                    word.isPresent() ? "attribute" : "kind",
                    "Nothing selected has "
                            + word.orElseGet(
                                    () -> "anything of " + kind.map(Kind::word).orElse("its own")) + ".");
        }
        draft.setAll(touching.changed());
        draft.say("Sends " + what + " of " + Numbers.count(sent, "unit") + " home");
    }

    private Predicate<Attribute> meant(Show show, UnitId unit) {
        Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        if (word.isEmpty()) {
            return a -> kind.isEmpty() || profile.kindOf(a) == kind.get();
        }
        Optional<Attribute> one = AttributeWords.meant(profile, mode, word.get());
        return a -> one.isPresent()
                && (a.equals(one.get()) || a.isMix() && one.get().isMix());
    }
}
