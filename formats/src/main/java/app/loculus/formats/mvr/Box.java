package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import java.util.ArrayList;
import java.util.List;

/** A box along the axes of a frame, in metres. */
record Box(Vector3 low, Vector3 high) {

    static Box of(List<Vector3> points) {
        Box box = new Box(points.get(0), points.get(0));
        for (Vector3 p : points) {
            box = box.with(p);
        }
        return box;
    }

    private Box with(Vector3 p) {
        return new Box(
                new Vector3(Math.min(low.x(), p.x()), Math.min(low.y(), p.y()), Math.min(low.z(), p.z())),
                new Vector3(Math.max(high.x(), p.x()), Math.max(high.y(), p.y()), Math.max(high.z(), p.z())));
    }

    /** Its corners as another frame has them: four below, four above, each four around. */
    List<Vector3> corners(Placement placement) {
        List<Vector3> corners = new ArrayList<>();
        for (double z : new double[] {low.z(), high.z()}) {
            corners.add(placement.point(new Vector3(low.x(), low.y(), z)));
            corners.add(placement.point(new Vector3(high.x(), low.y(), z)));
            corners.add(placement.point(new Vector3(high.x(), high.y(), z)));
            corners.add(placement.point(new Vector3(low.x(), high.y(), z)));
        }
        return corners;
    }
}
