package app.loculus.formats.mvr;

import app.loculus.core.drawing.DrawingFile;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Limits;
import app.loculus.formats.archive.BoundedArchive;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What is kept of a scene file: all of it, or what there is room for, small files first. */
final class SceneKeeping {

    /** Octets, packed. A show is written and read whole. */
    private static final int ROOM = 4 << 20;

    private static final long LARGEST = 24L << 20;

    private SceneKeeping() {}

    static DrawingFile of(String name, BoundedArchive archive, byte[] octets, Remarks remarks) {
        String called = name.strip().isEmpty() ? "scene.mvr" : name.strip();
        String cut = called.substring(Math.max(0, called.length() - Limits.NAME));
        if (octets.length <= ROOM) {
            return new DrawingFile(cut, octets);
        }
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put(SceneReader.DESCRIPTION, archive.bytes(SceneReader.DESCRIPTION, SceneReader.LONGEST_DESCRIPTION));
        int left = ROOM - SceneArchive.write(files).length;
        List<String> names = new ArrayList<>(archive.names());
        names.removeIf(n -> n.equals(SceneReader.DESCRIPTION) || n.endsWith("/"));
        Map<String, byte[]> packed = new LinkedHashMap<>();
        for (String file : names) {
            try {
                packed.put(file, archive.bytes(file, LARGEST));
            } catch (Refusal tooLarge) {
                remarks.odd("There is no room to keep a file; it does not go out again", file);
            }
        }
        List<Map.Entry<String, byte[]>> bySize = new ArrayList<>(packed.entrySet());
        bySize.sort(Comparator.comparingInt(e -> e.getValue().length));
        for (Map.Entry<String, byte[]> e : bySize) {
            int size = SceneArchive.write(Map.of(e.getKey(), e.getValue())).length;
            if (size <= left) {
                left -= size;
                files.put(e.getKey(), e.getValue());
            } else {
                remarks.odd("There is no room to keep a file; it does not go out again", e.getKey());
            }
        }
        return new DrawingFile(cut, SceneArchive.write(files));
    }
}
