package app.loculus.formats.gdtf;

import app.loculus.core.profile.Profile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes {@code .gdtf} archives. The same profile gives the same octets. */
public final class ArchiveWriter {

    /** The earliest time a ZIP entry can carry, so that archives do not differ by when they were written. */
    private static final long NO_TIME = 315_532_800_000L;

    private ArchiveWriter() {}

    public static byte[] write(Profile profile) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            put(zip, "description.xml", profile.source().getBytes(StandardCharsets.UTF_8));
            for (String name : profile.facts().pictures().names()) {
                String folder = name.equalsIgnoreCase("thumbnail") ? "" : "wheels/";
                put(
                        zip,
                        folder + name + ".png",
                        profile.facts().pictures().find(name).orElseThrow());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(NO_TIME);
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }

    /** {@code Maker@Name@Loculus.gdtf}, with nothing a file system would stumble over. */
    public static String fileName(Profile profile) {
        return (profile.maker() + "@" + profile.name() + "@Loculus").replaceAll("[^\\p{L}\\p{N}@ ._-]", "_") + ".gdtf";
    }
}
