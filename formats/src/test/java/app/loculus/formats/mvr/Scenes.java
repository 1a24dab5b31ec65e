package app.loculus.formats.mvr;

import app.loculus.core.profile.Profile;
import app.loculus.formats.gdtf.ArchiveWriter;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Scene files written by hand, from the standard. */
final class Scenes {

    static final Profile WASH = ShippedProfiles.all().profile("Skiff Wash");

    private Scenes() {}

    /** A scene with one layer that holds these objects, and a fixture file called {@code Wash.gdtf}. */
    static byte[] of(String objects) {
        return of("", "<Layer uuid=\"l1\" name=\"Rig\"><ChildList>" + objects + "</ChildList></Layer>");
    }

    static byte[] of(String aux, String layers) {
        return pack(xml(aux, layers), Map.of("Wash.gdtf", ArchiveWriter.write(WASH)));
    }

    static String xml(String aux, String layers) {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>"
                + "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><AUXData>" + aux
                + "</AUXData><Layers>" + layers + "</Layers></Scene></GeneralSceneDescription>";
    }

    static byte[] pack(String xml, Map<String, byte[]> beside) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("GeneralSceneDescription.xml", xml.getBytes(StandardCharsets.UTF_8));
        files.putAll(beside);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** @param inside further children, behind those that every fixture has */
    static String fixture(String identity, String number, String matrix, String inside) {
        return "<Fixture uuid=\"" + identity + "\" name=\"Head " + number + "\"><Matrix>" + matrix + "</Matrix>"
                + "<GDTFSpec>Wash.gdtf</GDTFSpec><GDTFMode>extended</GDTFMode><FixtureID>" + number + "</FixtureID>"
                + inside
                + "</Fixture>";
    }

    static String address(int absolute) {
        return "<Addresses><Address break=\"0\">" + absolute + "</Address></Addresses>";
    }
}
