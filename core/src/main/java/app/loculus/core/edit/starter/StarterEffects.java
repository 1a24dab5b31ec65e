package app.loculus.core.edit.starter;

import app.loculus.core.effect.Along;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Figure;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Effects that are obvious from what is patched: only those that some fixture can do. */
public final class StarterEffects {

    private static final Attribute IRIS = new Attribute("Iris");
    private static final Attribute GOBO_TURN = new Attribute("Gobo1Pos");
    private static final Fraction HALF = Fraction.of(.5);

    /** Colours that a run goes through at most. */
    private static final int MOST_COLOURS = 6;

    private final Show show;
    private final List<Effect> found = new ArrayList<>();

    private StarterEffects(Show show) {
        this.show = show;
    }

    /** Numbered from 1 and not yet of the show. */
    public static List<Effect> of(Show show) {
        return new StarterEffects(show).all();
    }

    /** Those in it who have something that an effect of it moves; of the whole patch, in the order of numbers. */
    public static List<UnitId> able(Show show, Effect effect) {
        return show.patch().fixtures().stream()
                .filter(f -> cells(show, f)
                        .anyMatch(c -> !show.resolver()
                                .motions()
                                .of(effect, new UnitId(f.id(), c))
                                .isEmpty()))
                .map(f -> UnitId.whole(f.id()))
                .toList();
    }

    private static java.util.stream.Stream<Integer> cells(Show show, Fixture fixture) {
        return IntStream.rangeClosed(0, show.patch().modeOf(fixture).cells()).boxed();
    }

    private List<Effect> all() {
        wave("Level wave", Attribute.DIMMER, Form.SINE, .2, 1, 20, Along.ROUND);
        wave("Sparkle", Attribute.DIMMER, Form.RANDOM, 0, 1, 180, Along.ROUND);
        List<PaletteId> colours = palettes(Kind.COLOUR);
        if (colours.size() > 1) {
            add(
                    "Colours round",
                    new Movement.Run(colours.subList(0, Math.min(MOST_COLOURS, colours.size())), HALF),
                    6,
                    Along.ROUND);
        }
        add("Circle", new Movement.Shape(Figure.CIRCLE, 30, 0, Optional.empty()), 12, Along.ROUND);
        add("Eight", new Movement.Shape(Figure.EIGHT, 40, 0, Optional.empty()), 10, Along.ROUND);
        sweep();
        wave("Iris breathing", IRIS, Form.SINE, .3, 1, 10, Along.ROUND);
        wave("Zoom breathing", Attribute.ZOOM, Form.SINE, .1, .9, 8, Along.ROUND);
        wave("Gobo turn", GOBO_TURN, Form.RAMP, 0, 1, 6, Along.ALIKE);
        return found;
    }

    private List<PaletteId> palettes(Kind kind) {
        return show.palettes().stream()
                .filter(p -> p.kind() == kind)
                .map(Palette::id)
                .toList();
    }

    /** From the first position to the second; where there are none, from side to side. */
    private void sweep() {
        List<PaletteId> positions = palettes(Kind.POSITION);
        add(
                "Sweep",
                positions.size() < 2
                        ? new Movement.Shape(Figure.LINE, 60, 0, Optional.empty())
                        : new Movement.Wave(
                                Optional.empty(),
                                Form.SINE,
                                new Span.Between(
                                        new AttributeValue.Reference(positions.get(0)),
                                        new AttributeValue.Reference(positions.get(1))),
                                HALF,
                                1),
                10,
                Along.ALIKE);
    }

    private void wave(String name, Attribute attribute, Form form, double low, double high, double rate, Along along) {
        Span span = new Span.Between(AttributeValue.level(low), AttributeValue.level(high));
        add(name, new Movement.Wave(Optional.of(attribute), form, span, HALF, 1), rate, along);
    }

    private void add(String name, Movement movement, double rate, Along along) {
        int next = found.size() + 1;
        Effect effect = new Effect(
                new EffectId(show.next(PartKinds.EFFECTS).value() + next),
                Optional.of(next),
                name,
                List.of(movement),
                rate,
                along);
        if (!able(show, effect).isEmpty()) {
            found.add(effect);
        }
    }
}
