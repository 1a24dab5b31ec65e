package app.loculus.core.drawing;

import app.loculus.core.profile.Profiles;
import java.util.List;

/**
 * What was read of one drawing.
 *
 * @param fixtures in the order of the drawing
 * @param profiles those it brings along
 * @param remarks sentences about what was odd, or is not taken
 * @param file it, as it came
 */
public record Drawing(
        List<DrawnFixture> fixtures,
        List<FocusPoint> marks,
        List<Scenery> scenery,
        Profiles profiles,
        List<String> remarks,
        DrawingFile file) {

    public Drawing {
        fixtures = List.copyOf(fixtures);
        marks = List.copyOf(marks);
        scenery = List.copyOf(scenery);
        remarks = List.copyOf(remarks);
    }
}
