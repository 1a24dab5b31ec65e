package app.loculus.core.profile;

import app.loculus.core.colour.SubtractiveMixer;
import java.util.List;
import java.util.Optional;

/** Every way one cell has of making a colour. */
public record ColourSystems(
        List<AdditiveSystem> additive, Optional<SubtractiveMixer> subtractive, List<WheelSystem> wheels) {

    public static final ColourSystems NONE = new ColourSystems(List.of(), Optional.empty(), List.of());

    public boolean none() {
        return additive.isEmpty() && subtractive.isEmpty() && wheels.isEmpty();
    }

    public boolean mixes() {
        return !additive.isEmpty() || subtractive.isPresent();
    }
}
