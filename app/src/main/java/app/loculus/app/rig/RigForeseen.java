package app.loculus.app.rig;

import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.patch.Patch;
import app.loculus.core.resolve.Scene;
import java.util.List;

/** The rig as it would be lit, from the very slots that would be sent, in the octets of {@link RigFeed}. */
public final class RigForeseen {

    private RigForeseen() {}

    /** Everything hangs as patched. */
    public static byte[] of(Patch patch, Scene scene) {
        Frames frames = new FrameRenderer().render(scene);
        List<byte[]> parts = RigLights.asPatched(patch).stream()
                .flatMap(hung -> hung.light(frames::slots).stream().map(light -> RigFeed.octets(hung, light)))
                .toList();
        return RigFeed.joined(parts);
    }
}
