package app.loculus.formats.gdtf;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.imageio.ImageIO;

/** Draws the pictures of the shipped wheels: white is where light passes. Run it with a folder to write them anew. */
final class GoboArt {

    private static final int SIDE = 192;
    private static final double R = 92;

    private static final Map<String, Consumer<Graphics2D>> PICTURES = new TreeMap<>(Map.ofEntries(
            Map.entry("barnacle", GoboArt::barnacle),
            Map.entry("bars", g -> stripes(g, true, 9, 0.5)),
            Map.entry("cone", GoboArt::cone),
            Map.entry("fog-bank", GoboArt::fogBank),
            Map.entry("net", GoboArt::net),
            Map.entry("pinhole", g -> g.fill(circle(0, 0, 9))),
            Map.entry("rigging", GoboArt::rigging),
            Map.entry("ripple", GoboArt::ripple),
            Map.entry("rope", GoboArt::rope),
            Map.entry("shoal", GoboArt::shoal),
            Map.entry("slats", g -> stripes(g, false, 7, 0.62)),
            Map.entry("spray", GoboArt::spray),
            Map.entry("stars", GoboArt::stars),
            Map.entry("window", GoboArt::window)));

    private GoboArt() {}

    public static void main(String[] folder) throws IOException {
        Path into = Path.of(folder[0]);
        Files.createDirectories(into);
        for (Map.Entry<String, Consumer<Graphics2D>> picture : PICTURES.entrySet()) {
            BufferedImage image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_BYTE_GRAY);
            Graphics2D g = image.createGraphics();
            g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            g.translate(SIDE / 2.0, SIDE / 2.0);
            g.clip(circle(0, 0, R));
            g.setColor(Color.WHITE);
            picture.getValue().accept(g);
            g.dispose();
            ImageIO.write(image, "png", into.resolve(picture.getKey() + ".png").toFile());
        }
    }

    private static Shape circle(double x, double y, double r) {
        return new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r);
    }

    private static void stripes(Graphics2D g, boolean upright, int count, double share) {
        double step = 2 * R / count;
        for (int i = 0; i < count; i++) {
            double at = -R + i * step + step * (1 - share) / 2;
            g.fill(
                    upright
                            ? new Rectangle2D.Double(at, -R, step * share, 2 * R)
                            : new Rectangle2D.Double(-R, at, 2 * R, step * share));
        }
    }

    /** Shells: rings of uneven plates around a hole, in a cluster. */
    private static void barnacle(Graphics2D g) {
        double[][] shells = {{-30, -22, 42}, {38, -34, 34}, {28, 36, 44}, {-40, 46, 34}, {-76, -4, 20}, {2, 0, 14}};
        for (double[] s : shells) {
            for (int i = 0; i < 7; i++) {
                double from = i * 2 * Math.PI / 7 + 0.09;
                double to = (i + 1) * 2 * Math.PI / 7 - 0.09;
                Path2D plate = new Path2D.Double();
                plate.moveTo(s[0] + Math.cos(from) * s[2] * 0.42, s[1] + Math.sin(from) * s[2] * 0.42);
                plate.lineTo(s[0] + Math.cos(from) * s[2], s[1] + Math.sin(from) * s[2]);
                double mid = (from + to) / 2;
                plate.quadTo(
                        s[0] + Math.cos(mid) * s[2] * 1.12,
                        s[1] + Math.sin(mid) * s[2] * 1.12,
                        s[0] + Math.cos(to) * s[2],
                        s[1] + Math.sin(to) * s[2]);
                plate.lineTo(s[0] + Math.cos(to) * s[2] * 0.42, s[1] + Math.sin(to) * s[2] * 0.42);
                plate.closePath();
                g.fill(plate);
            }
        }
    }

    private static void cone(Graphics2D g) {
        Path2D cone = new Path2D.Double();
        cone.moveTo(0, -78);
        cone.lineTo(58, 62);
        cone.quadTo(0, 88, -58, 62);
        cone.closePath();
        g.fill(cone);
    }

    /** Banks of soft edge, one above the other. */
    private static void fogBank(Graphics2D g) {
        Random random = new Random(7);
        for (int i = 0; i < 26; i++) {
            double y = -70 + 140 * (i % 5) / 4.0 + random.nextInt(12) - 6;
            double x = random.nextInt(150) - 75;
            double wide = 34 + random.nextInt(40);
            for (int soft = 8; soft > 0; soft--) {
                g.setColor(new Color(255, 255, 255, 26));
                double k = soft / 8.0;
                g.fill(new Ellipse2D.Double(x - wide * k, y - 12 * k, 2 * wide * k, 24 * k));
            }
        }
        g.setColor(Color.WHITE);
    }

    private static void net(Graphics2D g) {
        for (int row = -5; row <= 5; row++) {
            for (int column = -5; column <= 5; column++) {
                double x = column * 28 + (row % 2 == 0 ? 0 : 14);
                double y = row * 17;
                Path2D mesh = new Path2D.Double();
                mesh.moveTo(x, y - 14.5);
                mesh.lineTo(x + 11.5, y);
                mesh.lineTo(x, y + 14.5);
                mesh.lineTo(x - 11.5, y);
                mesh.closePath();
                g.fill(mesh);
            }
        }
    }

    private static void rigging(Graphics2D g) {
        g.setStroke(new BasicStroke(3.2f));
        for (int i = -5; i <= 5; i++) {
            g.draw(new java.awt.geom.Line2D.Double(i * 2.4, -R, i * 19, R));
        }
        for (int i = 1; i < 9; i++) {
            double y = -R + i * i * 2.6;
            g.draw(new java.awt.geom.QuadCurve2D.Double(-R, y + 4, 0, y - 7, R, y + 4));
        }
    }

    private static void ripple(Graphics2D g) {
        g.setStroke(new BasicStroke(6f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        for (int line = -5; line <= 5; line++) {
            Path2D wave = new Path2D.Double();
            for (int x = -96; x <= 96; x += 2) {
                double y = line * 17 + Math.sin(x / 15.0 + line * 1.7) * 5.5 + Math.sin(x / 37.0 - line) * 4;
                if (x == -96) {
                    wave.moveTo(x, y);
                } else {
                    wave.lineTo(x, y);
                }
            }
            g.draw(wave);
        }
    }

    /** Two strands laid about each other. */
    private static void rope(Graphics2D g) {
        g.rotate(Math.PI / 5);
        for (int i = -7; i <= 7; i++) {
            Path2D strand = new Path2D.Double();
            double y = i * 22;
            strand.moveTo(-32, y + 16);
            strand.curveTo(-24, y - 8, 20, y + 6, 32, y - 16);
            strand.curveTo(36, y - 4, 30, y + 4, 22, y + 8);
            strand.curveTo(4, y + 16, -20, y + 6, -32, y + 16);
            strand.closePath();
            g.fill(strand);
        }
    }

    private static void shoal(Graphics2D g) {
        double[][] fish = {
            {-44, -46, 1},
            {12, -58, 0.8},
            {46, -26, 1.1},
            {-8, -16, 1.2},
            {-58, 4, 0.9},
            {34, 18, 0.9},
            {-26, 34, 1.1},
            {16, 52, 1},
            {62, 50, 0.7},
            {-56, 58, 0.7}
        };
        for (double[] f : fish) {
            Path2D body = new Path2D.Double();
            body.moveTo(20, 0);
            body.quadTo(4, -12, -10, -1.5);
            body.lineTo(-22, -9);
            body.lineTo(-18, 0);
            body.lineTo(-22, 9);
            body.lineTo(-10, 1.5);
            body.quadTo(4, 12, 20, 0);
            Area area = new Area(body);
            area.subtract(new Area(circle(11, -1.5, 1.8)));
            AffineTransform place = AffineTransform.getTranslateInstance(f[0], f[1]);
            place.rotate(-0.25 + f[0] / 240);
            place.scale(f[2], f[2]);
            g.fill(place.createTransformedShape(area));
        }
    }

    private static void spray(Graphics2D g) {
        Random random = new Random(11);
        for (int i = 0; i < 210; i++) {
            double out = Math.sqrt(random.nextDouble()) * R;
            double turn = random.nextDouble() * 2 * Math.PI;
            double size = 1.2 + 4.2 * random.nextDouble() * random.nextDouble() * (1.2 - out / R * 0.6);
            g.fill(circle(Math.cos(turn) * out, Math.sin(turn) * out, size));
        }
    }

    private static void stars(Graphics2D g) {
        double[][] stars = {
            {0, -8, 26},
            {-52, -38, 15},
            {44, -52, 17},
            {56, 22, 20},
            {-46, 40, 19},
            {8, 58, 14},
            {-6, -68, 9},
            {-80, 6, 8},
            {28, 76, 7}
        };
        for (double[] s : stars) {
            Path2D star = new Path2D.Double();
            for (int i = 0; i < 10; i++) {
                double r = i % 2 == 0 ? s[2] : s[2] * 0.42;
                double turn = i * Math.PI / 5 - Math.PI / 2 + s[0] / 90;
                if (i == 0) {
                    star.moveTo(s[0] + Math.cos(turn) * r, s[1] + Math.sin(turn) * r);
                } else {
                    star.lineTo(s[0] + Math.cos(turn) * r, s[1] + Math.sin(turn) * r);
                }
            }
            star.closePath();
            g.fill(star);
        }
    }

    private static void window(Graphics2D g) {
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 2; column++) {
                g.fill(new Rectangle2D.Double(-45 + column * 48, -66 + row * 46, 42, 40));
            }
        }
    }
}
