package app.loculus.formats.archive;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;

/** A ZIP archive in memory whose entries have been looked over. Not for sharing between threads. */
public final class BoundedArchive {

    private static final int LARGEST = 32 << 20;
    private static final int MOST_ENTRIES = 2000;
    private static final int LONGEST_NAME = 250;
    private static final int BUFFER = 16 << 10;

    /** All entries together, unpacked. */
    private static final long MOST_UNPACKED = 96L << 20;

    private final Map<String, ZipArchiveEntry> entries;
    private final ZipFile zip;
    private long unpacked;

    private BoundedArchive(ZipFile zip, Map<String, ZipArchiveEntry> entries) {
        this.zip = zip;
        this.entries = entries;
    }

    /** @throws Refusal in words for anything that is no honest archive */
    public static BoundedArchive open(byte[] bytes) {
        if (bytes.length > LARGEST) {
            throw refused(
                    "large",
                    "The file has " + (bytes.length >> 20) + " MB; at most " + (LARGEST >> 20) + " MB are read.");
        }
        try {
            ZipFile zip = ZipFile.builder()
                    .setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes))
                    .setIgnoreLocalFileHeader(true)
                    .get();
            return new BoundedArchive(zip, checked(zip));
        } catch (IOException | IllegalArgumentException e) {
            throw Refusal.of(
                    "archive.form",
                    "file",
                    "This is no ZIP archive that can be read; it may be cut short.",
                    WayOut.advice("Fetch the file again."));
        }
    }

    private static Refusal refused(String code, String words) {
        return Refusal.of("archive." + code, "file", words);
    }

    private static Map<String, ZipArchiveEntry> checked(ZipFile zip) {
        List<ZipArchiveEntry> all = Collections.list(zip.getEntries());
        if (all.size() > MOST_ENTRIES) {
            throw refused(
                    "entries", "The archive has " + all.size() + " entries; at most " + MOST_ENTRIES + " are read.");
        }
        Map<String, ZipArchiveEntry> entries = new LinkedHashMap<>();
        Set<String> seen = new HashSet<>();
        for (ZipArchiveEntry entry : all) {
            check(entry);
            if (!seen.add(entry.getName().toLowerCase(Locale.ROOT))) {
                throw refused(
                        "twice", "The archive has “" + shown(entry) + "” twice; which one is meant cannot be told.");
            }
            entries.put(entry.getName(), entry);
        }
        return entries;
    }

    private static void check(ZipArchiveEntry entry) {
        String name = entry.getName();
        boolean climbs = name.startsWith("/")
                || name.contains("\\")
                || name.contains("\0")
                || name.matches("(?s)[A-Za-z]:.*")
                || List.of(name.split("/")).contains("..");
        if (name.isEmpty()) {
            throw refused("name", "The archive has an entry without a name.");
        }
        if (name.length() > LONGEST_NAME) {
            throw refused(
                    "name",
                    "The archive has an entry whose name has " + name.length() + " characters: “" + shown(entry)
                            + "”; at most " + LONGEST_NAME + " are read.");
        }
        if (climbs) {
            throw refused("name", "The archive has an entry whose name leads out of it: “" + shown(entry) + "”.");
        }
        if (entry.isUnixSymlink()) {
            throw refused("link", "“" + shown(entry) + "” is a link; links are not followed.");
        }
        if (entry.getGeneralPurposeBit().usesEncryption()) {
            throw refused("locked", "“" + shown(entry) + "” is encrypted.");
        }
        if (entry.getMethod() != ZipEntry.STORED && entry.getMethod() != ZipEntry.DEFLATED) {
            throw refused("method", "“" + shown(entry) + "” is packed in a way that is not read here.");
        }
    }

    private static String shown(ZipArchiveEntry entry) {
        String name = entry.getName().replaceAll("\\p{Cntrl}", "?");
        return name.length() > 60 ? name.substring(0, 60) + "…" : name;
    }

    public Set<String> names() {
        return entries.keySet();
    }

    /** @param most octets it may unpack to */
    public byte[] bytes(String name, long most) {
        ZipArchiveEntry entry = entries.get(name);
        if (entry == null) {
            throw refused("missing", "The archive has no “" + name + "”.");
        }
        if (entry.getSize() > most) {
            throw tooLarge(entry, most);
        }
        try (InputStream in = zip.getInputStream(entry)) {
            return counted(entry, in, most);
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refusal refusal) {
                throw refusal;
            }
            throw refused("damaged", "“" + shown(entry) + "” is damaged and cannot be unpacked.");
        }
    }

    private byte[] counted(ZipArchiveEntry entry, InputStream in, long most) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        CRC32 crc = new CRC32();
        byte[] buffer = new byte[BUFFER];
        for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            unpacked += n;
            if (out.size() + n > most || unpacked > MOST_UNPACKED) {
                throw tooLarge(entry, most);
            }
            out.write(buffer, 0, n);
            crc.update(buffer, 0, n);
        }
        if (entry.getSize() != out.size()) {
            throw refused("damaged", "“" + shown(entry) + "” is damaged: it does not have the size the archive gives.");
        }
        if (crc.getValue() != entry.getCrc()) {
            throw refused("damaged", "“" + shown(entry) + "” does not have the checksum the archive gives for it.");
        }
        return out.toByteArray();
    }

    private static Refusal tooLarge(ZipArchiveEntry entry, long most) {
        return refused("large", "“" + shown(entry) + "” unpacks to more than " + (most >> 20) + " MB.");
    }

    /** Unpacks every entry once and lets it go, to know that all of them stay within bounds. */
    public void measure() {
        names().forEach(n -> bytes(n, MOST_UNPACKED));
        unpacked = 0;
    }

    /** The entry as UTF-8 text, a byte order mark left out. */
    public String text(String name, long most) {
        return decoded(name, bytes(name, most), StandardCharsets.UTF_8);
    }

    private static final Pattern DECLARED =
            Pattern.compile("^<\\?xml\\s[^>]*?\\bencoding\\s*=\\s*[\"']([^\"'>]*)[\"'][^>]*\\?>");

    private static final int DECLARATION = 400;

    /**
     * The entry as the text of an XML document in the encoding that its mark or its declaration says, without the mark
     * and declared as UTF-8.
     *
     * @throws Refusal when the encoding is not known here, or the text is not in it
     */
    public String xml(String name, long most) {
        byte[] bytes = bytes(name, most);
        Optional<Charset> marked = marked(bytes);
        Charset plain = marked.orElse(StandardCharsets.ISO_8859_1);
        String head = new String(bytes, 0, Math.min(bytes.length, DECLARATION), plain).replaceFirst("^\uFEFF", "");
        Matcher declared = DECLARED.matcher(head);
        String said = declared.find() ? declared.group(1).strip() : "UTF-8";
        Charset charset = marked.orElseGet(() -> known(name, said));
        String text = decoded(name, bytes, charset);
        return declared.find(0) && !said.equalsIgnoreCase("UTF-8")
                ? text.substring(0, declared.start(1)) + "UTF-8" + text.substring(declared.end(1))
                : text;
    }

    private static Charset known(String name, String said) {
        try {
            return Charset.forName(said);
        } catch (IllegalArgumentException e) {
            throw refused("encoding", "“" + name + "” is in the encoding “" + said + "”, which is not known here.");
        }
    }

    /** The encoding that a byte order mark, or the octets of the first sign, give away. */
    private static Optional<Charset> marked(byte[] b) {
        if (b.length >= 2 && (b[0] & 0xFF) == 0xFE && (b[1] & 0xFF) == 0xFF
                || b.length >= 2 && b[0] == 0 && b[1] == '<') {
            return Optional.of(StandardCharsets.UTF_16BE);
        }
        if (b.length >= 2 && (b[0] & 0xFF) == 0xFF && (b[1] & 0xFF) == 0xFE
                || b.length >= 2 && b[0] == '<' && b[1] == 0) {
            return Optional.of(StandardCharsets.UTF_16LE);
        }
        return b.length >= 3 && (b[0] & 0xFF) == 0xEF && (b[1] & 0xFF) == 0xBB && (b[2] & 0xFF) == 0xBF
                ? Optional.of(StandardCharsets.UTF_8)
                : Optional.empty();
    }

    private static String decoded(String name, byte[] bytes, Charset charset) {
        try {
            String text = charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw refused("encoding", "“" + name + "” is not " + charset.name() + " text.");
        }
    }
}
