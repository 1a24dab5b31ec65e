package app.loculus.app.rig;

import app.loculus.core.patch.Patch;
import java.util.List;
import java.util.function.IntFunction;

/** The rig as it would be lit by slots that are not sent, in the octets of {@link RigFeed}. */
public final class RigForeseen {

    private RigForeseen() {}

    /** Everything hangs as patched. @param slots 512 of a universe */
    public static byte[] of(Patch patch, IntFunction<byte[]> slots) {
        List<byte[]> parts = RigLights.asPatched(patch).stream()
                .flatMap(hung -> hung.light(slots).stream().map(light -> RigFeed.octets(hung, light, false)))
                .toList();
        return RigFeed.joined(parts);
    }
}
