package app.loculus.core.colour;

/**
 * The part of CIE 1976 u′v′ that lamps can show, as a picture: what a screen shows of each colour at its brightest.
 * Row by row from the highest v′ down, from the lowest u′ on.
 */
public final class ColourPlane {

    public static final double U_FROM = 0.02;
    public static final double U_TO = 0.56;
    public static final double V_FROM = 0.06;
    public static final double V_TO = 0.6;

    /** Shown where there is no colour. */
    private static final byte NONE = 90;

    private ColourPlane() {}

    /** @return red, green and blue octets of each point, gamma-coded */
    public static byte[] picture(int width, int height) {
        byte[] rgb = new byte[3 * width * height];
        for (int row = 0; row < height; row++) {
            for (int column = 0; column < width; column++) {
                double u = U_FROM + (column + 0.5) / width * (U_TO - U_FROM);
                double v = V_TO - (row + 0.5) / height * (V_TO - V_FROM);
                point(u, v, rgb, 3 * (row * width + column));
            }
        }
        return rgb;
    }

    private static void point(double u, double v, byte[] rgb, int at) {
        double divisor = 6 * u - 16 * v + 12;
        double x = 9 * u / divisor;
        double y = 4 * v / divisor;
        if (!(x >= 0 && y > 0 && x + y <= 1)) {
            java.util.Arrays.fill(rgb, at, at + 3, NONE);
            return;
        }
        LinearRgb screen = LinearRgb.of(new Chromaticity(x, y).withLuminance(1)).normalised();
        rgb[at] = (byte) LinearRgb.coded(screen.red());
        rgb[at + 1] = (byte) LinearRgb.coded(screen.green());
        rgb[at + 2] = (byte) LinearRgb.coded(screen.blue());
    }
}
