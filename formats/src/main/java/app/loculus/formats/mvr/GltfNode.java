package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import com.fasterxml.jackson.databind.JsonNode;

/** Where a node of a glTF file stands: a matrix by columns, or a move, a turn (as a quaternion) and a stretch. */
final class GltfNode {

    private GltfNode() {}

    static Placement placement(JsonNode node) {
        JsonNode m = node.path("matrix");
        if (m.size() == 16) {
            return new Placement(column(m, 0), column(m, 1), column(m, 2), column(m, 3));
        }
        Vector3 move = node.has("translation") ? vector(node.path("translation")) : Vector3.ORIGIN;
        Vector3 stretch = node.has("scale") ? vector(node.path("scale")) : new Vector3(1, 1, 1);
        JsonNode q = node.path("rotation");
        double x = q.path(0).asDouble();
        double y = q.path(1).asDouble();
        double z = q.path(2).asDouble();
        double w = q.size() == 4 ? q.path(3).asDouble() : 1;
        return new Placement(
                new Vector3(1 - 2 * (y * y + z * z), 2 * (x * y + w * z), 2 * (x * z - w * y)).times(stretch.x()),
                new Vector3(2 * (x * y - w * z), 1 - 2 * (x * x + z * z), 2 * (y * z + w * x)).times(stretch.y()),
                new Vector3(2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y)).times(stretch.z()),
                move);
    }

    static Vector3 vector(JsonNode three) {
        return new Vector3(
                three.path(0).asDouble(),
                three.path(1).asDouble(),
                three.path(2).asDouble());
    }

    private static Vector3 column(JsonNode m, int column) {
        return new Vector3(
                m.path(4 * column).asDouble(),
                m.path(4 * column + 1).asDouble(),
                m.path(4 * column + 2).asDouble());
    }
}
