package app.loculus.formats.picture;

import app.loculus.core.carry.PictureLikeness;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javax.imageio.ImageIO;

/**
 * Gobos beside each other: both drawn small, as light and dark, and turned against each other in steps of 15 degrees, since
 * how one lies in its wheel says little. What is left is the mean difference of their light. Safe to share between threads.
 */
public final class GoboLikeness implements PictureLikeness {

    /** Pixels a side; finer than this nobody takes one for another by. */
    private static final int SIDE = 24;

    private static final int TURNS = 24;

    /** Pictures larger than this are no gobos, and take too long. */
    private static final int LARGEST = 4096;

    /** As many as a large rig has on its wheels. */
    private static final int KEPT = 500;

    private final Map<String, double[][]> known = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, double[][]> eldest) {
            return size() > KEPT;
        }
    });

    @Override
    public OptionalDouble apart(byte[] one, byte[] other) {
        double[][] turned = turned(one);
        double[][] still = turned(other);
        if (turned.length == 0 || still.length == 0) {
            return OptionalDouble.empty();
        }
        return Arrays.stream(turned).mapToDouble(t -> difference(t, still[0])).min();
    }

    private double[][] turned(byte[] png) {
        return known.computeIfAbsent(key(png), k -> drawn(png));
    }

    private static String key(byte[] png) {
        return png.length + " " + Arrays.hashCode(png);
    }

    private static double[][] drawn(byte[] png) {
        Optional<BufferedImage> image = read(png);
        if (image.isEmpty()) {
            return new double[0][];
        }
        double[][] all = new double[TURNS][];
        for (int i = 0; i < TURNS; i++) {
            all[i] = light(image.get(), 2 * Math.PI * i / TURNS);
        }
        return all;
    }

    private static Optional<BufferedImage> read(byte[] png) {
        try {
            BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
            return Optional.ofNullable(image).filter(i -> i.getWidth() <= LARGEST && i.getHeight() <= LARGEST);
        } catch (IOException | RuntimeException unreadable) {
            return Optional.empty();
        }
    }

    /** 0 to 1 for each pixel within the circle of the beam, what is clear being dark. */
    private static double[] light(BufferedImage image, double angle) {
        BufferedImage small = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawing = small.createGraphics();
        drawing.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        drawing.rotate(angle, SIDE / 2.0, SIDE / 2.0);
        drawing.drawImage(image, 0, 0, SIDE, SIDE, null);
        drawing.dispose();
        double[] light = new double[SIDE * SIDE];
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                double fromMiddle = Math.hypot(x + 0.5 - SIDE / 2.0, y + 0.5 - SIDE / 2.0);
                int rgb = small.getRGB(x, y);
                double grey = ((rgb >> 16 & 0xFF) + (rgb >> 8 & 0xFF) + (rgb & 0xFF)) / 765.0;
                light[y * SIDE + x] = fromMiddle <= SIDE / 2.0 ? grey : 0;
            }
        }
        return light;
    }

    private static double difference(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            sum += Math.abs(one[i] - other[i]);
        }
        // The circle is what counts, not the corners around it.
        return sum / (one.length * Math.PI / 4);
    }
}
