package app.loculus.app.rig;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.simulation.CellLight;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Rig frames for the stage in the browser, little-endian, 36 octets a part.
 *
 * <p>0 number u32 · 4 cell u16 · 6 flags u8 (1 = beam meets the floor, 2 = dead) · 7 red, 8 green, 9 blue u8 of the
 * hue at full · 10 spare · 12 intensity f32 · 16 pan, 20 tilt, 24 beam angle in degrees f32 · 28 x, 32 y of where the
 * beam meets the floor in metres f32.
 */
@Component
public class RigFeed {

    private static final int OCTETS = 36;
    private static final int LANDS = 1;
    private static final int DEAD = 2;

    private final RigLights lights;

    RigFeed(RigLights lights) {
        this.lights = lights;
    }

    /** The parts that may have changed, or all of them; empty when there is nothing to tell. */
    public Optional<ByteBuffer> frame(boolean all) {
        Map<Hung, List<CellLight>> news = lights.news(all);
        if (news.isEmpty()) {
            return Optional.empty();
        }
        List<ByteBuffer> parts = new ArrayList<>();
        news.forEach((fixture, cells) -> cells.forEach(c -> parts.add(part(fixture, c))));
        ByteBuffer out = ByteBuffer.allocate(parts.size() * OCTETS);
        parts.forEach(out::put);
        return Optional.of(out.flip());
    }

    private static ByteBuffer part(Hung fixture, CellLight light) {
        Optional<Vector3> landing = fixture.pose().flatMap(p -> landing(p, light));
        LinearRgb hue = LinearRgb.of(light.hue()).normalised();
        ByteBuffer out = ByteBuffer.allocate(OCTETS).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        out.putInt(fixture.number()).putShort((short) light.cell());
        out.put((byte) ((landing.isPresent() ? LANDS : 0) | (fixture.knownDead() ? DEAD : 0)));
        out.put((byte) LinearRgb.coded(hue.red()))
                .put((byte) LinearRgb.coded(hue.green()))
                .put((byte) LinearRgb.coded(hue.blue()));
        out.putShort((short) 0).putFloat((float) light.intensity());
        out.putFloat((float) light.panDegrees())
                .putFloat((float) light.tiltDegrees())
                .putFloat((float) light.beamDegrees());
        out.putFloat(landing.map(v -> (float) v.x()).orElse(0f))
                .putFloat(landing.map(v -> (float) v.y()).orElse(0f));
        return out.flip();
    }

    private static Optional<Vector3> landing(Pose pose, CellLight light) {
        return pose.landing(light.panDegrees(), light.tiltDegrees());
    }
}
