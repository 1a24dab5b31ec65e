package app.loculus.core.profile;

import java.util.regex.Pattern;

/** An attribute of the open fixture standard, by its name there: {@code Dimmer}, {@code ColorAdd_R}. */
public record Attribute(String name) {

    private static final Pattern WHEEL = Pattern.compile("Color\\d+");
    private static final Pattern CORRECTION = Pattern.compile("CT[OBC]\\d*|Tint|CRI\\d*");

    public static final Attribute DIMMER = new Attribute("Dimmer");
    public static final Attribute PAN = new Attribute("Pan");
    public static final Attribute TILT = new Attribute("Tilt");
    public static final Attribute ZOOM = new Attribute("Zoom");

    public boolean isAdditive() {
        return name.startsWith("ColorAdd_");
    }

    /** Ultraviolet is driven like an emitter but adds nothing to the visible mix. */
    public boolean isVisibleAdditive() {
        return isAdditive() && !name.equals("ColorAdd_UV");
    }

    public boolean isSubtractive() {
        return name.equals("ColorSub_C") || name.equals("ColorSub_M") || name.equals("ColorSub_Y");
    }

    public boolean isMix() {
        return isVisibleAdditive() || isSubtractive();
    }

    /** Whether it is a share of light: a dimmer, an emitter, a flag. */
    public boolean isLight() {
        return equals(DIMMER) || isAdditive() || isSubtractive();
    }

    public boolean isColourWheel() {
        // Asked for each unit of a wide edit, so the beginning is looked at first.
        return name.startsWith("Color") && WHEEL.matcher(name).matches();
    }

    /** Whether it changes a colour from beside mix and wheels: temperature, hue or saturation of their own. */
    public boolean isColourCorrection() {
        char first = name.isEmpty() ? ' ' : name.charAt(0);
        return (first == 'C' || first == 'T') && CORRECTION.matcher(name).matches();
    }

    /** Whether it has a part in the colour that is seen. */
    public boolean makesColour() {
        return isMix() || isColourWheel() || isColourCorrection();
    }

    @Override
    public String toString() {
        return name;
    }
}
