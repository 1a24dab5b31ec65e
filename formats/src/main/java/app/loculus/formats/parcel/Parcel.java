package app.loculus.formats.parcel;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.paper.Making;
import app.loculus.formats.showfile.ShowArchive;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Packs and opens parcels. */
public final class Parcel {

    public static final String SUFFIX = ".parcel.zip";

    private static final String FORMAT = "loculus parcel";
    private static final int VERSION = 1;
    private static final String LIST = "contents.json";
    private static final String READ = "CONTENTS.txt";

    /** Octets of one part, unpacked. */
    private static final long LARGEST = 64L << 20;

    private static final ObjectMapper JSON = new ObjectMapper();

    private Parcel() {}

    /**
     * Something that goes along.
     *
     * @param name path within the parcel
     * @param what it is, for people
     * @param octets made when its turn comes
     */
    public record Part(String name, String what, Supplier<byte[]> octets) {}

    /** @param madeAt as ISO 8601; @param leftOut what the formats could not say */
    public record About(String show, long revision, String madeAt, List<String> leftOut) {}

    /** One line of the contents. */
    record Listed(String name, String what, long octets, String sha256) {}

    /** The list of contents. */
    record Contents(
            String format,
            int version,
            String show,
            long revision,
            String madeAt,
            List<Listed> parts,
            List<String> leftOut) {}

    /** Packs all parts, one after the other. @param making is told before each, and may throw to stop */
    public static byte[] pack(About about, List<Part> parts, Making making) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            List<Listed> listed = new ArrayList<>();
            for (int i = 0; i < parts.size(); i++) {
                Part part = parts.get(i);
                making.at(i, parts.size(), part.what());
                byte[] octets = part.octets().get();
                put(zip, part.name(), octets);
                listed.add(new Listed(part.name(), part.what(), octets.length, sha256(octets)));
            }
            Contents contents = new Contents(
                    FORMAT, VERSION, about.show(), about.revision(), about.madeAt(), listed, about.leftOut());
            put(zip, LIST, JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(contents));
            put(zip, READ, words(contents).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] octets) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(0);
        zip.putNextEntry(entry);
        zip.write(octets);
        zip.closeEntry();
    }

    private static String words(Contents contents) {
        StringBuilder text = new StringBuilder();
        text.append(contents.show())
                .append(", revision ")
                .append(contents.revision())
                .append(", packed ")
                .append(contents.madeAt())
                .append("\n\n");
        contents.parts()
                .forEach(p -> text.append(p.name())
                        .append("\n    ")
                        .append(p.what())
                        .append("\n    ")
                        .append(p.octets())
                        .append(" octets, SHA-256 ")
                        .append(p.sha256())
                        .append('\n'));
        if (!contents.leftOut().isEmpty()) {
            text.append("\nWhat these formats cannot say:\n");
            contents.leftOut().forEach(l -> text.append("- ").append(l).append('\n'));
        }
        text.append("\nThe whole parcel opens in Loculus as the show; every part opens elsewhere.\n");
        return text.toString();
    }

    /** Whether octets are an archive with a list of contents as parcels have it. */
    public static boolean looksLikeOne(byte[] octets) {
        try {
            return octets.length > 1
                    && octets[0] == 'P'
                    && octets[1] == 'K'
                    && BoundedArchive.open(octets).names().contains(LIST);
        } catch (Refusal noArchive) {
            return false;
        }
    }

    /**
     * The show file of a parcel whose parts are all there and as they were packed.
     *
     * @throws Refusal naming the part that is another one or missing
     */
    public static byte[] showFile(byte[] octets) {
        BoundedArchive archive = BoundedArchive.open(octets);
        Contents contents = contents(archive);
        Set<String> names = new HashSet<>(Set.of(LIST, READ));
        byte[] show = null;
        for (Listed part : contents.parts()) {
            if (!archive.names().contains(part.name())) {
                throw changed("“" + part.name() + "” is missing from the parcel.");
            }
            byte[] found = archive.bytes(part.name(), LARGEST);
            if (!sha256(found).equals(part.sha256())) {
                throw changed("“" + part.name() + "” was changed after the parcel was packed.");
            }
            names.add(part.name());
            show = part.name().endsWith(ShowArchive.SUFFIX) ? found : show;
        }
        archive.names().stream().filter(n -> !names.contains(n)).findFirst().ifPresent(n -> {
            throw changed("“" + n + "” was put into the parcel after it was packed.");
        });
        if (show == null) {
            throw changed("The parcel holds no show file.");
        }
        return show;
    }

    private static Contents contents(BoundedArchive archive) {
        try {
            Contents contents = JSON.readValue(archive.bytes(LIST, 4 << 20), Contents.class);
            boolean ours = contents != null && FORMAT.equals(contents.format()) && contents.parts() != null;
            if (!ours || contents.parts().stream().anyMatch(p -> p == null || p.name() == null || p.sha256() == null)) {
                throw changed("Its list of contents is none of a parcel.");
            }
            if (contents.version() > VERSION) {
                throw Refusal.of(
                        "parcel.version",
                        "file",
                        "The parcel is of version " + contents.version() + "; up to " + VERSION
                                + " is understood here.",
                        WayOut.advice("Open it with a newer Loculus."));
            }
            return contents;
        } catch (JsonProcessingException e) {
            throw changed("Its list of contents cannot be read.");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Refusal changed(String words) {
        return Refusal.of(
                "parcel.changed",
                "file",
                words,
                WayOut.advice("Fetch the parcel again, or open the show file in it by itself."));
    }

    private static String sha256(byte[] octets) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(octets));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
