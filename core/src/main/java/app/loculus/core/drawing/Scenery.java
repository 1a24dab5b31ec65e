package app.loculus.core.drawing;

import app.loculus.core.geometry.Vector3;
import java.util.List;

/**
 * Something that stands or hangs on the stage and gives no light that is patched.
 *
 * @param kind as the format calls it
 * @param corners of the box around it, from its lowest front left corner as it is drawn: four below, four above; only its
 *     place, once, where its shape is not known
 */
public record Scenery(String identity, Kind kind, String name, List<Vector3> corners) {

    /** What it is. */
    public enum Kind {
        TRUSS,
        SUPPORT,
        OBJECT,
        SCREEN,
        PROJECTOR;

        public String words() {
            return switch (this) {
                case TRUSS -> "truss";
                case SUPPORT -> "support";
                case OBJECT -> "object";
                case SCREEN -> "screen";
                case PROJECTOR -> "projector";
            };
        }
    }

    public Scenery {
        corners = List.copyOf(corners);
    }
}
