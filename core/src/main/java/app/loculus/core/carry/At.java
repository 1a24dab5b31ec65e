package app.loculus.core.carry;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.value.AttributeValue;
import java.util.Optional;

/** One unit with all that says what it is and where it hangs. */
public record At(Fixture fixture, Profile profile, Mode mode, int cell) {

    public static At of(Patch patch, UnitId unit) {
        Fixture fixture = patch.get(unit.fixture());
        return new At(fixture, patch.profileOf(fixture), patch.modeOf(fixture), unit.cell());
    }

    public UnitId unit() {
        return new UnitId(fixture.id(), cell);
    }

    public Optional<Parameter> parameter(Attribute attribute) {
        return mode.parameter(cell, attribute);
    }

    public boolean has(Attribute attribute) {
        return parameter(attribute).isPresent();
    }

    /** Whether the same values do the same here, places on stage aside. */
    public boolean sameType(At other) {
        return profile.id().equals(other.profile.id()) && mode.name().equals(other.mode.name()) && cell == other.cell;
    }

    /** Whether it hangs in the very same place, or neither has one. */
    public boolean samePlace(At other) {
        return fixture.pose().equals(other.fixture.pose());
    }

    /** Whether a value leaves the attribute where it is when nobody says anything. */
    boolean home(Attribute attribute, AttributeValue value) {
        Parameter parameter = parameter(attribute).orElseThrow();
        long home = AttributeValue.home(mode, parameter)
                .in(mode, parameter)
                .orElseThrow()
                .dmx();
        return value.in(mode, parameter).map(p -> p.dmx() == home).orElse(false);
    }
}
