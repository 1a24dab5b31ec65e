package app.loculus.core.edit.look;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Aiming.PanTilt;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.palette.Aimed;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Points heads in looks where they point already, the other way over; they follow no position there any more. */
public record FlipInLook(List<LookId> looks, Choice units) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        draft.reads(PartKinds.PALETTES);
        List<UnitId> heads = draft.chosen(units).units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .distinct()
                .toList();
        int flipped = 0;
        for (LookId id : looks) {
            Look before = show.look(id);
            draft.reads(PartKinds.LOOKS, id);
            Map<UnitId, UnitValues> after = flipped(draft, before, heads);
            if (!after.equals(before.values())) {
                flipped++;
                draft.put(PartKinds.LOOKS, before.holding(after));
                draft.say("Flips in " + LookHolders.words(show, before) + ": "
                        + LookDifference.of(show, before.values(), after).words());
            }
        }
        if (flipped == 0) {
            throw Refusal.of(
                    "flip.nobody",
                    "selection",
                    "None of these is pointed in "
                            + (looks.size() == 1
                                    ? LookHolders.words(show, show.look(looks.get(0)))
                                    : "any of these " + looks.size())
                            + " at what it gets to the other way over.");
        }
    }

    private static Map<UnitId, UnitValues> flipped(Draft draft, Look before, List<UnitId> heads) {
        Touching touching = draft.touching(before.values());
        heads.forEach(unit -> over(draft.show(), unit, before.values().getOrDefault(unit, UnitValues.NONE))
                .ifPresent(there -> touching.setTogether(
                        unit,
                        Map.of(
                                Attribute.PAN, new AttributeValue.Physical(there.pan()),
                                Attribute.TILT, new AttributeValue.Physical(there.tilt())),
                        Set.of(),
                        Optional.empty())));
        Map<UnitId, UnitValues> after = new LinkedHashMap<>(before.values());
        after.putAll(touching.changed());
        return draft.companions().needed(after);
    }

    private static Optional<PanTilt> over(Show show, UnitId unit, UnitValues values) {
        return Aimed.reach(show.patch().modeOf(show.patch().get(unit.fixture())), unit.cell())
                .flatMap((Aiming.Reach reach) -> TurningRound.pointed(show, unit, values)
                        .flatMap(
                                now -> Aiming.over(now, reach).stream().min(Comparator.comparingDouble(reach::aside))));
    }
}
