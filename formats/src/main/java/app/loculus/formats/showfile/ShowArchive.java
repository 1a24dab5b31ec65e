package app.loculus.formats.showfile;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.gdtf.ArchiveWriter;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes and reads show files ({@code .loculus}). The same show gives the same octets. */
public final class ShowArchive {

    public static final String SUFFIX = ".loculus";

    static final int VERSION = 12;

    /** The first whose parts stand as they do now, so that they are read one by one. */
    private static final int STREAMED = 7;

    private static final String FORMAT = "loculus show";
    private static final String MANIFEST = "manifest.json";
    private static final String SHOW = "show.json";
    private static final String VERSIONS = "versions/";
    private static final String LIST = "versions.json";
    private static final long LARGEST = 64L << 20;
    /** What earlier versions wrote is read as a whole. */
    private static final int LARGEST_EARLIER = 16 << 20;

    private static final ObjectMapper JSON = ShowJson.mapper();
    private static final long NO_TIME = 315_532_800_000L;

    /** @param sha256 over names and contents of everything but the manifest, in the order of names */
    record Manifest(String format, int version, String name, String sha256) {}

    private ShowArchive() {}

    /** Octets of all versions together; a file beyond some 32 MB would not be taken in again. */
    private static final long MOST_VERSIONS = 18L << 20;

    private static final int MOST_LISTED = 1_000;

    /** What all versions of a file may unpack to, one after the other. */
    private static final long MOST_UNPACKED = 1L << 30;

    /** A version as it is listed beside its octets. */
    record Listed(String name, long revision, String madeAt, int fixtures, String file) {}

    /** How many of the newest versions fit into a show file. @param octets of each version, newest first */
    public static int holds(List<Long> octets) {
        long together = 0;
        int held = 0;
        for (long size : octets) {
            together += size;
            if (together > MOST_VERSIONS) {
                break;
            }
            held++;
        }
        return held;
    }

    public static byte[] write(Show show) {
        return write(new ShowFile(show, List.of()));
    }

    /** @param file its newest versions are written as far as they fit */
    public static byte[] write(ShowFile file) {
        Show show = file.show();
        Map<String, byte[]> parts = new TreeMap<>();
        try {
            List<Listed> listed = new ArrayList<>();
            int held = holds(
                    file.versions().stream().map(v -> (long) v.octets().length).toList());
            for (ShowFile.Version v : file.versions().subList(0, held)) {
                String name = VERSIONS + "%04d".formatted(listed.size() + 1) + SUFFIX;
                listed.add(new Listed(v.name(), v.revision(), v.madeAt(), v.fixtures(), name));
                parts.put(name, v.octets());
            }
            if (!listed.isEmpty()) {
                parts.put(LIST, JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(listed));
            }
            parts.put(SHOW, ShowDocument.octets(show));
            for (Profile p : show.profiles().all()) {
                parts.put("profiles/" + p.id().value() + ".gdtf", ArchiveWriter.write(p));
            }
            Map<String, byte[]> all = new LinkedHashMap<>();
            all.put(MANIFEST, JSON.writeValueAsBytes(new Manifest(FORMAT, VERSION, show.name(), checksum(parts))));
            all.putAll(parts);
            return zip(all);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] zip(Map<String, byte[]> parts) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                ZipEntry entry = new ZipEntry(part.getKey());
                entry.setTime(NO_TIME);
                zip.putNextEntry(entry);
                zip.write(part.getValue());
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    private static String checksum(Map<String, byte[]> parts) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            parts.forEach((name, content) -> {
                digest.update(name.getBytes(StandardCharsets.UTF_8));
                digest.update(content);
            });
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws Refusal in words for anything that is not a whole, unchanged show */
    public static Show read(byte[] bytes) {
        return readFile(bytes).show();
    }

    /** The show with its versions. @throws Refusal in words for anything that is not a whole, unchanged show */
    public static ShowFile readFile(byte[] bytes) {
        List<String> loose = new ArrayList<>();
        Common common = new Common();
        Parts parts = parts(bytes);
        Show show = show(parts, common, loose);
        if (!loose.isEmpty()) {
            throw ShowDocument.broken("it refers to what is not in it");
        }
        return new ShowFile(show, versions(parts.all(), common));
    }

    /**
     * Each version is read as a whole, once, so that a show file holds nothing that could not be restored: what is listed
     * twice is refused, and what all of them unpack to is bounded.
     */
    private static List<ShowFile.Version> versions(Map<String, byte[]> parts, Common common) {
        if (!parts.containsKey(LIST)) {
            return List.of();
        }
        Listed[] listed = json(new String(parts.get(LIST), StandardCharsets.UTF_8), Listed[].class);
        if (listed.length > MOST_LISTED) {
            throw ShowDocument.broken("it lists " + listed.length + " versions");
        }
        List<ShowFile.Version> versions = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        long unpacked = 0;
        for (Listed v : listed) {
            byte[] octets = v == null || v.file() == null ? null : parts.get(v.file());
            if (octets == null || v.name() == null || v.name().isBlank()) {
                throw ShowDocument.broken("one of its versions is not in it");
            }
            if (!seen.add(v.file())) {
                throw ShowDocument.broken("it lists the version “" + v.file() + "” twice");
            }
            Parts version = parts(octets);
            unpacked += version.octets();
            if (unpacked > MOST_UNPACKED) {
                throw ShowDocument.broken("its versions unpack to more than " + (MOST_UNPACKED >> 20) + " MB");
            }
            show(version, common, new ArrayList<>());
            versions.add(new ShowFile.Version(v.name(), v.revision(), v.madeAt(), v.fixtures(), octets));
        }
        return versions;
    }

    /**
     * The same for a file of our own, which an earlier version may have written.
     *
     * @param loose takes sentences about what refers to nothing; it is left out
     */
    public static Show read(byte[] bytes, List<String> loose) {
        return show(parts(bytes), new Common(), loose);
    }

    /** Everything but the manifest, whose checksum fits it. @param version which of ours wrote it */
    private record Parts(int version, Map<String, byte[]> all) {

        long octets() {
            return all.values().stream().mapToLong(b -> b.length).sum();
        }
    }

    private static Parts parts(byte[] bytes) {
        BoundedArchive archive = BoundedArchive.open(bytes);
        if (!archive.names().contains(MANIFEST) || !archive.names().contains(SHOW)) {
            throw Refusal.of(
                    "show.file", "file", "This is no show file.", WayOut.advice("Show files end in " + SUFFIX + "."));
        }
        Manifest manifest = json(archive.text(MANIFEST, 1 << 20), Manifest.class);
        check(manifest);
        Map<String, byte[]> parts = new TreeMap<>();
        archive.names().stream().filter(n -> !n.equals(MANIFEST)).forEach(n -> parts.put(n, archive.bytes(n, LARGEST)));
        if (!checksum(parts).equals(manifest.sha256())) {
            throw Refusal.of(
                    "show.checksum",
                    "file",
                    "The show file was changed or damaged: its checksum does not fit.",
                    WayOut.advice("Fetch the file again from where it was saved."));
        }
        return new Parts(manifest.version(), parts);
    }

    private static Show show(Parts parts, Common common, List<String> loose) {
        byte[] octets = parts.all().get(SHOW);
        Profiles held = common.profiles(parts.all());
        if (parts.version() >= STREAMED) {
            try {
                return ShowDocument.read(octets, parts.version(), held, common, loose);
            } catch (IOException e) {
                throw unreadable(e);
            }
        }
        if (octets.length > LARGEST_EARLIER) {
            throw ShowDocument.broken("it is larger than any that was written by version " + parts.version());
        }
        JsonNode document = json(ShowJson.today(new String(octets, StandardCharsets.UTF_8)), JsonNode.class);
        return ShowDocument.show(Earlier.upgraded(document, parts.version()), parts.version(), held, loose);
    }

    private static void check(Manifest manifest) {
        if (!FORMAT.equals(manifest.format())) {
            throw Refusal.of("show.file", "file", "This is no show file.");
        }
        if (manifest.version() > VERSION) {
            throw Refusal.of(
                    "show.version",
                    "file",
                    "The file is of version " + manifest.version() + "; up to " + VERSION + " is understood here.",
                    WayOut.advice("Open it with a newer Loculus."));
        }
    }

    private static <T> T json(String text, Class<T> type) {
        try {
            T value = JSON.readValue(text, type);
            if (value == null) {
                throw ShowDocument.broken("it is empty");
            }
            return value;
        } catch (JsonProcessingException e) {
            throw unreadable(e);
        }
    }

    private static Refusal unreadable(IOException e) {
        if (e.getCause() instanceof Refusal refusal) {
            return refusal;
        }
        return ShowDocument.broken("its JSON cannot be read at "
                + (e instanceof JsonProcessingException json && json.getLocation() != null
                        ? "line " + json.getLocation().getLineNr()
                        : "an unknown place"));
    }
}
