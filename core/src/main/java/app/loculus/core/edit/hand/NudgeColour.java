package app.loculus.core.edit.hand;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ShownColour;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Shifts the colour of the selection from where it is, each fixture from its own. What it shows then is by eye: it is
 * no colour that was asked for.
 *
 * @param du in CIE 1976 u′; @param dv in v′
 */
public record NudgeColour(double du, double dv) implements ShowEdit {

    private static final double FARTHEST = 0.2;

    @Override
    public void on(Draft draft) {
        if (Math.hypot(du, dv) > FARTHEST) {
            throw Refusal.of("colour.nudge", "colour", "A nudge of more than 0.2 in u′v′ is another colour.");
        }
        Show show = draft.show();
        Resolver unlit = show.unlit();
        Touching touching = draft.touching();
        int nudged = 0;
        for (UnitId held : draft.held().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                nudged += nudge(show, unlit, touching, unit) ? 1 : 0;
            }
        }
        if (nudged == 0) {
            throw Refusal.of("value.nobody", "colour", "Nothing selected mixes a colour that could be shifted.");
        }
        draft.setAll(touching.changed());
        draft.say("Shifts the colour of " + Numbers.count(nudged, "unit") + " by " + Decimal.text(du, 4) + ", "
                + Decimal.text(dv, 4));
    }

    private boolean nudge(Show show, Resolver unlit, Touching touching, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        if (!mode.colours(unit.cell()).mixes()) {
            return false;
        }
        List<Resolved> now = unlit.resolve(fixture);
        Optional<Chromaticity> shown = new ShownColour(
                        mode, unit.cell(), channel -> now.get(channel).place().dmx())
                .light()
                .flatMap(Tristimulus::chromaticity);
        return shown.map(c -> Chromaticity.ofUv(c.u() + du, c.v() + dv))
                .flatMap(c -> show.answers().answer(mode, unit.cell(), c))
                .map(answer -> {
                    Map<Attribute, AttributeValue> values = new LinkedHashMap<>(answer.values());
                    values.putAll(answer.closings());
                    touching.setTogether(unit, values, answer.closings().keySet(), Optional.empty());
                    return true;
                })
                .orElse(false);
    }
}
