package app.loculus.core.value;

import app.loculus.core.colour.SubtractiveMixer;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.AdditiveSystem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ColourSystems;
import app.loculus.core.profile.LampLight;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.WheelSystem;
import app.loculus.core.unit.Fraction;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What light a cell gives at known levels, before its dimmer. */
public final class ShownColour {

    private static final Tristimulus OPEN = app.loculus.core.colour.Chromaticity.D65.withLuminance(100);

    private final Mode mode;
    private final int cell;
    private final Function<Parameter, Fraction> levels;

    /** @param levels the level of any of the mode's parameters */
    public ShownColour(Mode mode, int cell, Function<Parameter, Fraction> levels) {
        this.mode = mode;
        this.cell = cell;
        this.levels = levels;
    }

    /** Empty when the cell has no means of making a colour. */
    public Optional<Tristimulus> light() {
        ColourSystems systems = mode.colours(cell);
        if (systems.none()) {
            return Optional.empty();
        }
        Tristimulus mixed = systems.additive().stream()
                .filter(this::works)
                .findFirst()
                .map(this::additive)
                .orElseGet(() -> systems.subtractive().map(this::subtractive).orElse(mode.lamp()));
        return Optional.of(systems.wheel().map(w -> throughWheel(w, mixed)).orElse(mixed));
    }

    private boolean works(AdditiveSystem system) {
        return system.attributes().stream()
                .allMatch(
                        a -> parameter(a).function().master().map(this::inRange).orElse(true));
    }

    private boolean inRange(ModeMaster master) {
        return mode.masterOf(master)
                .map(m -> {
                    double level = levels.apply(m).value();
                    return level >= m.function().fractionOfDmx(master.from()).value()
                            && level <= m.function().fractionOfDmx(master.to()).value();
                })
                .orElse(true);
    }

    private Tristimulus additive(AdditiveSystem system) {
        return system.mixer().light(values(system.attributes()));
    }

    private Tristimulus subtractive(SubtractiveMixer mixer) {
        return mixer.light(values(ColourAnswers.flags()));
    }

    private List<Double> values(List<Attribute> attributes) {
        return attributes.stream().map(a -> levels.apply(parameter(a)).value()).toList();
    }

    private Tristimulus throughWheel(WheelSystem wheel, Tristimulus light) {
        Parameter parameter = parameter(wheel.attribute());
        int slot = parameter
                .function()
                .rangeAt(levels.apply(parameter))
                .map(NamedRange::wheelSlot)
                .orElse(0);
        Tristimulus lamp = mode.lamp();
        return wheel.slots().stream()
                .filter(s -> s.number() == slot)
                .findFirst()
                .map(s -> new Tristimulus(
                        s.light().x() / lamp.x() * OPEN.x(),
                        s.light().y() / lamp.y() * OPEN.y(),
                        s.light().z() / lamp.z() * OPEN.z()))
                .map(filter -> LampLight.through(light, filter))
                .orElse(light);
    }

    private Parameter parameter(Attribute attribute) {
        return mode.parameter(cell, attribute).orElseThrow();
    }
}
