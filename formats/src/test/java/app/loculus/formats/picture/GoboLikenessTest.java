package app.loculus.formats.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.function.Consumer;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class GoboLikenessTest {

    private final GoboLikeness likeness = new GoboLikeness();

    private static byte[] picture(int side, Consumer<Graphics2D> drawn) {
        BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.scale(side / 100.0, side / 100.0);
        drawn.accept(g);
        g.dispose();
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static void bars(Graphics2D g) {
        for (int i = 0; i < 100; i += 40) {
            g.fillRect(i, 0, 20, 100);
        }
    }

    @Test
    void the_same_is_the_same_whichever_way_it_lies_and_however_large() {
        byte[] upright = picture(64, GoboLikenessTest::bars);
        byte[] lying = picture(200, g -> {
            g.rotate(Math.PI / 2, 50, 50);
            bars(g);
        });
        assertThat(likeness.apart(upright, upright)).hasValueCloseTo(0.0, within(1e-9));
        assertThat(likeness.apart(upright, lying).orElseThrow()).isLessThan(0.12);
    }

    @Test
    void what_is_more_alike_is_nearer() {
        byte[] bars = picture(64, GoboLikenessTest::bars);
        byte[] finer = picture(64, g -> {
            for (int i = 0; i < 100; i += 36) {
                g.fillRect(i, 0, 18, 100);
            }
        });
        byte[] dot = picture(64, g -> g.fillOval(40, 40, 20, 20));
        assertThat(likeness.apart(bars, finer).orElseThrow())
                .isLessThan(likeness.apart(bars, dot).orElseThrow());
        byte[] all = picture(64, g -> g.fillRect(0, 0, 100, 100));
        byte[] nothing = picture(64, g -> {});
        assertThat(likeness.apart(all, nothing).orElseThrow()).isGreaterThan(0.95);
    }

    @Test
    void what_cannot_be_read_is_like_nothing() {
        assertThat(likeness.apart(new byte[] {1, 2, 3}, picture(16, GoboLikenessTest::bars)))
                .isEmpty();
    }
}
