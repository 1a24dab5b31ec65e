package app.loculus.formats.showfile;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.gdtf.ArchiveReader;
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
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes and reads show files ({@code .loculus}). The same show gives the same octets. */
public final class ShowArchive {

    public static final String SUFFIX = ".loculus";

    static final int VERSION = 7;
    private static final String FORMAT = "loculus show";
    private static final String MANIFEST = "manifest.json";
    private static final String SHOW = "show.json";
    private static final String VERSIONS = "versions/";
    private static final String LIST = "versions.json";
    private static final long LARGEST = 64L << 20;
    private static final ObjectMapper JSON = ShowJson.mapper();
    private static final long NO_TIME = 315_532_800_000L;

    /** @param sha256 over names and contents of everything but the manifest, in the order of names */
    record Manifest(String format, int version, String name, String sha256) {}

    private ShowArchive() {}

    /** Octets of all versions together; a file beyond some 32 MB would not be taken in again. */
    private static final long MOST_VERSIONS = 18L << 20;

    private static final int MOST_LISTED = 1_000;

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
            parts.put(SHOW, JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(ShowDocument.of(show)));
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
        Parts parts = parts(bytes);
        Show show = show(parts, loose);
        if (!loose.isEmpty()) {
            throw ShowDocument.broken("it refers to what is not in it");
        }
        return new ShowFile(show, versions(parts.all()));
    }

    private static List<ShowFile.Version> versions(Map<String, byte[]> parts) {
        if (!parts.containsKey(LIST)) {
            return List.of();
        }
        Listed[] listed = json(new String(parts.get(LIST), StandardCharsets.UTF_8), Listed[].class);
        if (listed.length > MOST_LISTED) {
            throw ShowDocument.broken("it lists " + listed.length + " versions");
        }
        List<ShowFile.Version> versions = new ArrayList<>();
        for (Listed v : listed) {
            byte[] octets = v == null || v.file() == null ? null : parts.get(v.file());
            if (octets == null || v.name() == null || v.name().isBlank()) {
                throw ShowDocument.broken("one of its versions is not in it");
            }
            show(parts(octets), new ArrayList<>());
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
        return show(parts(bytes), loose);
    }

    /** Everything but the manifest, whose checksum fits it. @param version which of ours wrote it */
    private record Parts(int version, Map<String, byte[]> all) {}

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

    private static Show show(Parts parts, List<String> loose) {
        JsonNode document =
                json(ShowJson.today(new String(parts.all().get(SHOW), StandardCharsets.UTF_8)), JsonNode.class);
        return ShowDocument.show(Earlier.upgraded(document, parts.version()), profiles(parts.all()), loose);
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

    private static Profiles profiles(Map<String, byte[]> parts) {
        List<Profile> all = new ArrayList<>();
        parts.forEach((name, content) -> {
            if (name.startsWith("profiles/") && name.endsWith(".gdtf")) {
                Profile profile = ArchiveReader.read(content).profile();
                String id = name.substring("profiles/".length(), name.length() - ".gdtf".length());
                if (!profile.id().equals(new ProfileId(id))) {
                    throw ShowDocument.broken("“" + name + "” is another profile");
                }
                all.add(profile);
            }
        });
        return new Profiles(all);
    }

    private static <T> T json(String text, Class<T> type) {
        try {
            T value = JSON.readValue(text, type);
            if (value == null) {
                throw ShowDocument.broken("it is empty");
            }
            return value;
        } catch (JsonProcessingException e) {
            if (e.getCause() instanceof Refusal refusal) {
                throw refusal;
            }
            throw ShowDocument.broken("its JSON cannot be read at "
                    + (e.getLocation() == null
                            ? "an unknown place"
                            : "line " + e.getLocation().getLineNr()));
        }
    }
}
