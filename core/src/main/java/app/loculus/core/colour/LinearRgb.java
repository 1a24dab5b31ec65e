package app.loculus.core.colour;

import app.loculus.core.problem.Refusal;

/** Linear light in the sRGB primaries (IEC 61966-2-1, white D65); components may leave 0…1. */
public record LinearRgb(double red, double green, double blue) {

    public static LinearRgb of(Tristimulus t) {
        return new LinearRgb(
                3.2404542 * t.x() - 1.5371385 * t.y() - 0.4985314 * t.z(),
                -0.9692660 * t.x() + 1.8760108 * t.y() + 0.0415560 * t.z(),
                0.0556434 * t.x() - 0.2040259 * t.y() + 1.0572252 * t.z());
    }

    public Tristimulus toTristimulus() {
        return new Tristimulus(
                0.4124564 * red + 0.3575761 * green + 0.1804375 * blue,
                0.2126729 * red + 0.7151522 * green + 0.0721750 * blue,
                0.0193339 * red + 0.1191920 * green + 0.9503041 * blue);
    }

    /** Channel by channel; used with a lamp's white. */
    public LinearRgb relativeTo(LinearRgb white) {
        return new LinearRgb(red / white.red, green / white.green, blue / white.blue);
    }

    public LinearRgb times(LinearRgb other) {
        return new LinearRgb(red * other.red, green * other.green, blue * other.blue);
    }

    /** Negatives to 0, then the largest component to 1; black stays black. */
    public LinearRgb normalised() {
        double r = Math.max(0, red);
        double g = Math.max(0, green);
        double b = Math.max(0, blue);
        double most = Math.max(r, Math.max(g, b));
        return most == 0 ? new LinearRgb(0, 0, 0) : new LinearRgb(r / most, g / most, b / most);
    }

    /** Gamma-coded {@code #rrggbb} for a screen. */
    public String hex() {
        return String.format("#%02x%02x%02x", coded(red), coded(green), coded(blue));
    }

    /** @param hex {@code #rrggbb}, gamma-coded */
    public static LinearRgb ofHex(String hex) {
        if (!hex.matches("#[0-9a-fA-F]{6}")) {
            throw Refusal.of("colour.hex", "colour", "“" + hex + "” is no colour such as #e06080.");
        }
        int rgb = Integer.parseInt(hex.substring(1), 16);
        return new LinearRgb(linear(rgb >> 16), linear(rgb >> 8 & 0xFF), linear(rgb & 0xFF));
    }

    private static double linear(int coded) {
        double c = coded / 255.0;
        return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    /** One component as a screen's 0…255. */
    public static int coded(double linear) {
        double c = Math.max(0, Math.min(1, linear));
        double coded = c <= 0.0031308 ? 12.92 * c : 1.055 * Math.pow(c, 1 / 2.4) - 0.055;
        return (int) Math.round(coded * 255);
    }
}
