package app.loculus.core.edit.carry;

import app.loculus.core.carry.FateTaker;
import app.loculus.core.carry.Verdict;
import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.motion.Motions;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/** What becomes of effects: of the units that looks move by them, how many still have what they move. */
final class EffectFates {

    private final Carry carry;

    EffectFates(Carry carry) {
        this.carry = carry;
    }

    /** @param looks all of the show that is carried over */
    Map<Effect, FateTaker> of(Collection<Look> looks) {
        Map<Effect, FateTaker> found = new LinkedHashMap<>();
        carry.from().effects().forEach(e -> found.put(e, fate(e, looks)));
        return found;
    }

    private FateTaker fate(Effect effect, Collection<Look> looks) {
        FateTaker taker = new FateTaker();
        Motions before = carry.from().resolver().motions();
        Motions after = carry.draft().show().resolver().motions();
        Effect now = carry.draft()
                .show()
                .find(PartKinds.EFFECTS, carry.ids().of(effect.id()))
                .orElseThrow();
        Set<UnitId> moving = new LinkedHashSet<>();
        for (Look look : looks) {
            look.values().forEach((unit, values) -> {
                if (moves(values, effect) && !before.of(effect, unit).isEmpty()) {
                    moving.add(unit);
                }
            });
        }
        int still = 0;
        int none = 0;
        for (UnitId was : moving) {
            for (UnitId is : carry.pairs().inPlaceOf(was)) {
                // What was on cells may be moved as a whole, and the other way round.
                boolean any = !after.of(now, is).isEmpty()
                        || !after.of(now, UnitId.whole(is.fixture())).isEmpty()
                        || carry.draft().show().patch().cellsOf(is.fixture()).stream()
                                .anyMatch(c -> !after.of(now, c).isEmpty());
                still += any ? 1 : 0;
                none += any ? 0 : 1;
            }
        }
        taker.count(Verdict.CARRIES, still);
        taker.count(Verdict.LOST, none);
        if (none > 0) {
            taker.say(Verdict.LOST, none + " of " + (none + still) + " units have nothing that it moves");
        } else if (moving.isEmpty()) {
            taker.say(Verdict.CARRIES, "no look uses it");
        }
        return taker;
    }

    private static boolean moves(UnitValues values, Effect effect) {
        return values.moved().stream().anyMatch(u -> u.effect().equals(effect.id()));
    }
}
