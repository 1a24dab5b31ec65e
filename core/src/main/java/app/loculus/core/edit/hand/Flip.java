package app.loculus.core.edit.hand;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Aiming.PanTilt;
import app.loculus.core.palette.Aimed;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Points heads selected where they point already, on the other way over: pan turned by half, tilt to the other side. */
public record Flip() implements ShowEdit {

    private static final int MOST_NAMED = 8;

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        FromNow hand = new FromNow(draft);
        Touching touching = draft.touching();
        List<String> stuck = new ArrayList<>();
        int flipped = 0;
        for (UnitId held : draft.held().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                Mode mode = show.patch().modeOf(fixture);
                if (Aimed.reach(mode, unit.cell()).isEmpty()) {
                    continue;
                }
                Optional<PanTilt> other = over(hand, fixture, show.patch().profileOf(fixture), mode, unit.cell());
                if (other.isEmpty()) {
                    stuck.add(show.label(unit));
                    continue;
                }
                flipped++;
                touching.setTogether(
                        unit,
                        Map.of(
                                Attribute.PAN,
                                        new AttributeValue.Physical(other.get().pan()),
                                Attribute.TILT,
                                        new AttributeValue.Physical(other.get().tilt())),
                        Set.of(),
                        Optional.empty());
            }
        }
        if (flipped + stuck.size() == 0) {
            throw Refusal.of("aim.nobody", "selection", "Nothing selected both pans and tilts.");
        }
        draft.setAll(touching.changed());
        draft.say("Flips " + Numbers.count(flipped, "head"));
        if (!stuck.isEmpty()) {
            draft.warn(Problem.warning(
                    "flip.reach",
                    "selection",
                    stuck.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                            + (stuck.size() > MOST_NAMED ? " …" : "") + " cannot point there the other way and "
                            + (stuck.size() == 1 ? "stays." : "stay.")));
        }
    }

    private static Optional<PanTilt> over(FromNow hand, Fixture fixture, Profile profile, Mode mode, int cell) {
        Aiming.Reach reach = Aimed.reach(mode, cell).orElseThrow();
        Optional<FromNow.At> pan = hand.at(fixture, profile, mode, cell, Attribute.PAN);
        Optional<FromNow.At> tilt = hand.at(fixture, profile, mode, cell, Attribute.TILT);
        // The half turn that stays nearer to the middle of pan.
        return pan.flatMap(p -> tilt.flatMap(t -> Aiming.over(new PanTilt(p.physical(), t.physical()), reach).stream()
                .min(Comparator.comparingDouble(reach::aside))));
    }
}
