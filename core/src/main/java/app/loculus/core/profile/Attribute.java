package app.loculus.core.profile;

/** An attribute of the open fixture standard, by its name there: {@code Dimmer}, {@code ColorAdd_R}. */
public record Attribute(String name) {

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
        return name.matches("Color\\d+");
    }

    /** Whether it changes a colour from beside mix and wheels: temperature, hue or saturation of their own. */
    public boolean isColourCorrection() {
        return name.matches("CT[OBC]\\d*|Tint|CRI\\d*");
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
