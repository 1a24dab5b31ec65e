package app.loculus.core.edit.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Runs from palette to palette along the steps selected. Who stands at a palette follows it; who stands between two gets
 * plain values between: colours on the straight line in u′v′, everything else as a share of what each fixture does.
 *
 * @param along two or more, evenly spaced along the steps
 */
public record SpreadPalettes(List<PaletteId> along, boolean asValues) implements ShowEdit {

    private static final double AT_A_PALETTE = 1e-9;

    @Override
    public void on(Draft draft) {
        Selection selection = draft.held();
        Show show = draft.show();
        List<Palette> palettes =
                along.stream().map(id -> show.palette(id).orElseThrow()).toList();
        along.forEach(id -> draft.reads(PartKinds.PALETTES, id));
        Touching touching = draft.touching();
        int steps = selection.steps().size();
        int reached = 0;
        for (int i = 0; i < steps; i++) {
            double place = steps == 1 ? 0 : (double) i * (palettes.size() - 1) / (steps - 1);
            for (UnitId held : selection.steps().get(i).units()) {
                for (UnitId unit : Touching.withCells(show.patch(), held)) {
                    reached += set(show, touching, unit, palettes, place) ? 1 : 0;
                }
            }
        }
        if (reached == 0) {
            throw Refusal.of(
                    "palette.nobody", "palette", "Nothing selected follows " + palettes.get(0) + " and the others.");
        }
        draft.setAll(touching.changed());
        draft.say("Runs from " + palettes.get(0) + " to " + palettes.get(palettes.size() - 1) + " along "
                + Numbers.count(steps, "step"));
    }

    private boolean set(Show show, Touching touching, UnitId unit, List<Palette> palettes, double place) {
        int left = Math.min((int) Math.floor(place), palettes.size() - 2);
        double share = place - left;
        Palette from = palettes.get(left);
        Palette to = palettes.get(left + 1);
        if (share < AT_A_PALETTE || share > 1 - AT_A_PALETTE) {
            return follow(show, touching, unit, share < AT_A_PALETTE ? from : to);
        }
        Giver giver = show.resolver().giver();
        Map<Attribute, AttributeValue> values =
                between(show, unit, giver.give(from, unit), giver.give(to, unit), share);
        Optional<Chromaticity> colour = from.intent().flatMap(a -> to.intent().map(b -> between(a, b, share)));
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        colour.flatMap(c -> show.answers().answer(mode, unit.cell(), c)).ifPresent(answer -> {
            values.keySet().removeIf(Attribute::makesColour);
            values.putAll(answer.values());
            values.putAll(answer.closings());
        });
        if (!values.isEmpty()) {
            touching.setTogether(unit, values, java.util.Set.of(), colour);
        }
        return !values.isEmpty();
    }

    private boolean follow(Show show, Touching touching, UnitId unit, Palette palette) {
        Given given = show.resolver().giver().give(palette, unit);
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        given.values().forEach((a, v) -> values.put(a, asValues ? v : new AttributeValue.Reference(palette.id())));
        if (given.follow()) {
            touching.setTogether(unit, values, given.companions(), asValues ? palette.intent() : Optional.empty());
        }
        return given.follow();
    }

    private static Chromaticity between(Chromaticity from, Chromaticity to, double share) {
        return Chromaticity.ofUv(from.u() + share * (to.u() - from.u()), from.v() + share * (to.v() - from.v()));
    }

    /** What only one of the two gives stays with it up to the middle. */
    private static Map<Attribute, AttributeValue> between(Show show, UnitId unit, Given from, Given to, double share) {
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        Given nearer = share < 0.5 ? from : to;
        nearer.values().forEach((attribute, value) -> {
            Parameter parameter = mode.parameter(unit.cell(), attribute).orElseThrow();
            AttributeValue one = from.values().get(attribute);
            AttributeValue other = to.values().get(attribute);
            values.put(
                    attribute,
                    one == null || other == null
                            ? value
                            : between(mode, parameter, one, other, share).orElse(value));
        });
        return values;
    }

    /** Within one function only: from one function to another nothing lies between. */
    private static Optional<AttributeValue> between(
            Mode mode, Parameter parameter, AttributeValue from, AttributeValue to, double share) {
        FunctionValue a = from.in(mode, parameter).orElse(null);
        FunctionValue b = to.in(mode, parameter).orElse(null);
        if (a == null || b == null || !a.function().equals(b.function())) {
            return Optional.empty();
        }
        double value = a.fraction().value()
                + share * (b.fraction().value() - a.fraction().value());
        return Optional.of(AttributeValue.of(mode, parameter, new FunctionValue(a.function(), Fraction.clamp(value))));
    }
}
