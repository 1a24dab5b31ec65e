package app.loculus.app.rig;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.simulation.CellLight;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * The light of the rig as octets, part by part, each with the version at which it last changed: so whoever has fallen
 * behind gets just the latest of what it has missed.
 *
 * <p>Layout, little endian, 36 octets a part: number u32, cell u16, flags u8 (1 lands, 2 dead, 4 shows itself), red, green, blue u8, two
 * unused, intensity, pan, tilt, beam f32 (degrees), landing x and y f32 (metres).
 */
@Component
public class RigFeed {

    private static final int OCTETS = 36;
    private static final int LANDS = 1;
    private static final int DEAD = 2;
    private static final int IDENTIFIES = 4;

    /** A fixture, or one of its cells, by number. */
    private record Key(int number, int cell) {}

    private record Part(long version, byte[] octets) {}

    /** What has changed since a version; nothing when nothing has. */
    public record Frame(long version, Optional<ByteBuffer> octets) {}

    private final RigLights lights;
    private final RigDevices devices;
    private final Map<Key, Part> parts = new LinkedHashMap<>();
    private long version;

    /** What was answered since the last change, by the version that was known: pages that keep up ask the same. */
    private final Map<Long, Frame> answered = new HashMap<>();

    RigFeed(RigLights lights, RigDevices devices) {
        this.lights = lights;
        this.devices = devices;
    }

    /** Takes over what the rig does now. @return whether anything has changed */
    public synchronized boolean advance() {
        Map<Hung, List<CellLight>> news = lights.news(false);
        long before = version;
        answered.clear();
        news.forEach((fixture, cells) -> cells.forEach(c -> take(fixture, c)));
        if (parts.size() > 2 * lights.count() && version > before) {
            Set<Integer> hang = lights.numbers();
            parts.keySet().removeIf(k -> !hang.contains(k.number()));
        }
        return version > before;
    }

    private void take(Hung fixture, CellLight light) {
        byte[] octets = octets(fixture, light, devices.identifies(fixture));
        Part old = parts.get(new Key(fixture.number(), light.cell()));
        if (old == null || !Arrays.equals(old.octets(), octets)) {
            version++;
            parts.put(new Key(fixture.number(), light.cell()), new Part(version, octets));
        }
    }

    /** Everything that has changed since. */
    public synchronized Frame since(long known) {
        Frame frame = answered.computeIfAbsent(known, this::worked);
        return new Frame(frame.version(), frame.octets().map(ByteBuffer::duplicate));
    }

    private Frame worked(long known) {
        List<byte[]> newer = parts.values().stream()
                .filter(p -> p.version() > known)
                .map(Part::octets)
                .collect(Collectors.toList());
        if (newer.isEmpty()) {
            return new Frame(version, Optional.empty());
        }
        return new Frame(version, Optional.of(ByteBuffer.wrap(joined(newer))));
    }

    static byte[] joined(List<byte[]> parts) {
        ByteBuffer out = ByteBuffer.allocate(parts.size() * OCTETS);
        parts.forEach(out::put);
        return out.array();
    }

    static byte[] octets(Hung fixture, CellLight light, boolean identifies) {
        Optional<Vector3> landing = fixture.pose().flatMap(p -> landing(p, light));
        LinearRgb hue = LinearRgb.of(light.hue()).normalised();
        ByteBuffer out = ByteBuffer.allocate(OCTETS).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(fixture.number()).putShort((short) light.cell());
        out.put((byte)
                ((landing.isPresent() ? LANDS : 0) | (fixture.knownDead() ? DEAD : 0) | (identifies ? IDENTIFIES : 0)));
        out.put((byte) LinearRgb.coded(hue.red()))
                .put((byte) LinearRgb.coded(hue.green()))
                .put((byte) LinearRgb.coded(hue.blue()));
        out.putShort((short) 0).putFloat((float) light.intensity());
        out.putFloat((float) light.panDegrees())
                .putFloat((float) light.tiltDegrees())
                .putFloat((float) light.beamDegrees());
        out.putFloat(landing.map(v -> (float) v.x()).orElse(0f))
                .putFloat(landing.map(v -> (float) v.y()).orElse(0f));
        return out.array();
    }

    private static Optional<Vector3> landing(Pose pose, CellLight light) {
        return pose.landing(light.panDegrees(), light.tiltDegrees());
    }
}
