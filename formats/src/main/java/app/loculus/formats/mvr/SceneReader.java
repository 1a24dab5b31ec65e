package app.loculus.formats.mvr;

import app.loculus.core.drawing.Drawing;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.xml.Xml;
import org.w3c.dom.Element;

/** Reads scene files ({@code .mvr}). */
public final class SceneReader {

    static final String DESCRIPTION = "GeneralSceneDescription.xml";
    static final long LONGEST_DESCRIPTION = 8L << 20;

    private SceneReader() {}

    /**
     * @param name what the file is called
     * @throws Refusal in words when it is no scene that can be understood
     */
    public static Drawing read(String name, byte[] octets) {
        BoundedArchive archive = BoundedArchive.open(octets);
        Element root = description(archive);
        Element scene = Xml.child(root, "Scene")
                .orElseThrow(() ->
                        Refusal.of("mvr.scene", DESCRIPTION, "The file has no Scene, so nothing is drawn in it."));
        Remarks remarks = new Remarks();
        Identities.settle(root, remarks);
        SceneProfiles profiles = new SceneProfiles(archive, remarks);
        SceneWalk walk = new SceneWalk(scene, profiles, new Shapes(archive, scene, remarks), remarks);
        return new Drawing(
                walk.fixtures(),
                walk.marks(),
                walk.scenery(),
                profiles.all(),
                remarks.all(),
                SceneKeeping.of(name, archive, octets, remarks));
    }

    private static Element description(BoundedArchive archive) {
        if (!archive.names().contains(DESCRIPTION)) {
            throw Refusal.of(
                    "mvr.description",
                    "file",
                    "The archive has no " + DESCRIPTION + ", so it is no scene file.",
                    WayOut.advice("Scene files end in .mvr; fixture files (.gdtf) go into Profiles."));
        }
        Element root = parse(archive.xml(DESCRIPTION, LONGEST_DESCRIPTION));
        if (!root.getTagName().equals("GeneralSceneDescription")) {
            throw Refusal.of(
                    "mvr.root",
                    DESCRIPTION,
                    "It begins with “" + root.getTagName() + "”, not with a scene description.");
        }
        return root;
    }

    static Element parse(String xml) {
        return Xml.parse(xml, "mvr", DESCRIPTION, "Have the scene exported again.");
    }
}
