package app.loculus.formats.mvr;

import app.loculus.core.geometry.Placement;
import app.loculus.core.geometry.Vector3;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The points that the size of a geometry file hangs on, in metres with z up: corners of each mesh's own box for glTF 2.0
 * (binary, metres, y up), every vertex for 3DS (millimetres, z up).
 */
final class Meshes {

    private static final int GLTF = 0x46546C67;
    private static final int JSON = 0x4E4F534A;
    private static final int DEEPEST = 32;
    private static final int MOST_POINTS = 400_000;

    /** Chunks of 3DS that hold others, down to the mesh, and the one with its vertices. */
    private static final int MAIN = 0x4D4D;

    private static final int EDITOR = 0x3D3D;
    private static final int OBJECT = 0x4000;
    private static final int MESH = 0x4100;
    private static final int VERTICES = 0x4110;
    private static final int CHUNK_HEAD = 6;
    private static final int FLOATS = 12;

    /** y up becomes z up. */
    private static final Placement UPRIGHT =
            new Placement(new Vector3(1, 0, 0), new Vector3(0, 0, 1), new Vector3(0, -1, 0), Vector3.ORIGIN);

    private Meshes() {}

    /** @throws IllegalArgumentException for what is no such file */
    static List<Vector3> points(String name, byte[] file) {
        List<Vector3> points = new ArrayList<>();
        ByteBuffer in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
        try {
            if (name.toLowerCase(Locale.ROOT).endsWith(".3ds")) {
                chunks(in, in.limit(), points, 0);
            } else {
                gltf(in, file, points);
            }
        } catch (BufferUnderflowException | IOException | IndexOutOfBoundsException e) {
            throw new IllegalArgumentException(e);
        }
        points.removeIf(p -> !Double.isFinite(p.x() + p.y() + p.z()));
        return points;
    }

    private static void gltf(ByteBuffer in, byte[] file, List<Vector3> points) throws IOException {
        if (in.getInt() != GLTF) {
            throw new IllegalArgumentException("no binary glTF");
        }
        in.getInt();
        in.getInt();
        int length = in.getInt();
        if (in.getInt() != JSON || length < 0 || length > in.remaining()) {
            throw new IllegalArgumentException("no binary glTF");
        }
        JsonNode root = new ObjectMapper().readTree(file, in.position(), length);
        JsonNode scene = root.path("scenes").path(root.path("scene").asInt(0));
        for (JsonNode node : scene.path("nodes")) {
            node(root, node.asInt(), UPRIGHT, points, 0);
        }
    }

    private static void node(JsonNode root, int index, Placement around, List<Vector3> points, int depth) {
        JsonNode node = root.path("nodes").path(index);
        Placement placement = GltfNode.placement(node).within(around);
        for (JsonNode primitive :
                root.path("meshes").path(node.path("mesh").asInt(-1)).path("primitives")) {
            JsonNode accessor = root.path("accessors")
                    .path(primitive.path("attributes").path("POSITION").asInt(-1));
            if (accessor.path("min").size() == 3 && accessor.path("max").size() == 3 && points.size() < MOST_POINTS) {
                Box box = new Box(GltfNode.vector(accessor.path("min")), GltfNode.vector(accessor.path("max")));
                points.addAll(box.corners(placement));
            }
        }
        if (depth < DEEPEST) {
            for (JsonNode child : node.path("children")) {
                if (points.size() < MOST_POINTS) {
                    node(root, child.asInt(), placement, points, depth + 1);
                }
            }
        }
    }

    private static void chunks(ByteBuffer in, int end, List<Vector3> points, int depth) {
        while (in.position() + CHUNK_HEAD <= end && depth < DEEPEST) {
            int begin = in.position();
            int kind = in.getShort() & 0xFFFF;
            int next = begin + in.getInt();
            if (next < begin + CHUNK_HEAD || next > end || depth == 0 && kind != MAIN) {
                throw new IllegalArgumentException("no 3DS");
            }
            if (kind == OBJECT) {
                while (in.get() != 0) {
                    // Its name, which nobody asks for.
                }
            }
            if (kind == MAIN || kind == EDITOR || kind == OBJECT || kind == MESH) {
                chunks(in, next, points, depth + 1);
            } else if (kind == VERTICES) {
                int count = Math.min(in.getShort() & 0xFFFF, (next - in.position()) / FLOATS);
                for (int i = 0; i < count && points.size() < MOST_POINTS; i++) {
                    points.add(new Vector3(in.getFloat(), in.getFloat(), in.getFloat()).times(0.001));
                }
            }
            in.position(next);
        }
    }
}
