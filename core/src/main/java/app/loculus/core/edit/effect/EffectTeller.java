package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.stream.Collectors;

/** Says who follows an effect that changes. */
final class EffectTeller {

    private static final int MOST_NAMED = 6;

    private EffectTeller() {}

    static void followers(Draft draft, Effect effect) {
        Show show = draft.show();
        int units = EffectUsers.units(show, effect.id()).size();
        if (units > 0) {
            draft.say(Numbers.count(units, "unit") + " in use" + (units == 1 ? " follows" : " follow"));
        }
        String looks = looks(show, effect);
        if (!looks.isEmpty()) {
            draft.say("Changes with it: " + looks);
        }
    }

    /** The looks that use it, by what holds them; empty without any. */
    static String looks(Show show, Effect effect) {
        List<app.loculus.core.look.Look> looks = EffectUsers.looks(show, effect.id());
        return looks.stream()
                        .limit(MOST_NAMED)
                        .map(l -> LookHolders.words(show, l))
                        .collect(Collectors.joining(", "))
                + (looks.size() > MOST_NAMED ? " and " + (looks.size() - MOST_NAMED) + " more looks" : "");
    }
}
