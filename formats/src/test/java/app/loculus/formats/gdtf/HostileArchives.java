package app.loculus.formats.gdtf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;

/** The corpus of broken and hostile archives, each made here, each with the word its refusal must hold. */
final class HostileArchives {

    static final byte[] PNG = Arrays.copyOf(
            new byte[] {
                (byte) 0x89,
                'P',
                'N',
                'G',
                '\r',
                '\n',
                0x1A,
                '\n',
                0,
                0,
                0,
                13,
                'I',
                'H',
                'D',
                'R',
                0,
                0,
                0,
                1,
                0,
                0,
                0,
                1
            },
            40);

    static final String DESCRIPTION = """
            <GDTF DataVersion="1.2"><FixtureType Name="T" LongName="T" Manufacturer="Halden"><Geometries><Geometry Name="Base"/></Geometries>
            <DMXModes><DMXMode Name="1" Geometry="Base"><DMXChannels><DMXChannel Offset="1" Geometry="Base"><LogicalChannel Attribute="Dimmer">
            <ChannelFunction Attribute="Dimmer" Default="0/1"/></LogicalChannel></DMXChannel></DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>
            """;

    private HostileArchives() {}

    /** Name and content in turn. */
    static byte[] zip(String... entries) {
        Map<String, byte[]> contents = new LinkedHashMap<>();
        for (int i = 0; i < entries.length; i += 2) {
            contents.put(entries[i], entries[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        return zip(contents);
    }

    static byte[] zip(Map<String, byte[]> contents) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> entry : contents.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** File by what is wrong with it; the value's first part is a word of the refusal. */
    static Map<String, Map.Entry<String, byte[]>> corpus() {
        Map<String, Map.Entry<String, byte[]>> all = new LinkedHashMap<>();
        byte[] good = zip("description.xml", DESCRIPTION);
        put(all, "nothing", "cut short", new byte[0]);
        put(all, "text", "cut short", "not an archive".getBytes(StandardCharsets.UTF_8));
        put(all, "truncated", "cut short", Arrays.copyOf(good, good.length / 2));
        put(all, "directory cut", "cut short", Arrays.copyOf(good, good.length - 30));
        put(all, "climbs out", "leads out", zip("../../description.xml", DESCRIPTION));
        put(all, "climbs inside", "leads out", zip("wheels/../../x.png", "x", "description.xml", DESCRIPTION));
        put(all, "absolute", "leads out", zip("/etc/passwd", "x", "description.xml", DESCRIPTION));
        put(all, "backslash", "leads out", zip("..\\description.xml", DESCRIPTION));
        put(all, "drive", "leads out", zip("C:description.xml", DESCRIPTION));
        put(all, "long name", "has 400 characters", zip("a".repeat(400), "x", "description.xml", DESCRIPTION));
        put(all, "duplicate", "twice", twice());
        put(all, "duplicate by case", "twice", zip("description.xml", DESCRIPTION, "Description.XML", DESCRIPTION));
        put(all, "link", "link", link());
        put(all, "bomb", "unpacks to more", zip("description.xml", " ".repeat(40 << 20)));
        put(
                all,
                "picture bomb",
                "unpacks to more",
                zip("description.xml", DESCRIPTION, "wheels/a.png", "0".repeat(30 << 20)));
        put(all, "declared small", "damaged", declared(good, 10));
        put(all, "declared huge", "unpacks to more", declared(good, 0x7FFF_FFFF));
        put(all, "flipped", "damaged", flipped(good));
        put(all, "wrong checksum", "checksum", checksum());
        put(all, "too many", "entries", many());
        put(all, "no description", "no description.xml", zip("readme.txt", "x"));
        put(
                all,
                "latin",
                "not UTF-8",
                raw(("<?xml version='1.0'?><GDTF>" + (char) 0xE9 + "</GDTF>").getBytes(StandardCharsets.ISO_8859_1)));
        put(all, "wide, cut", "not UTF-16", raw(Arrays.copyOf(DESCRIPTION.getBytes(StandardCharsets.UTF_16), 201)));
        put(all, "doctype", "DOCTYPE", zip("description.xml", "<!DOCTYPE x [<!ENTITY a \"b\">]><GDTF>&a;</GDTF>"));
        put(
                all,
                "entity bomb",
                "DOCTYPE",
                zip("description.xml", "<!DOCTYPE l [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;\">]><GDTF>&b;</GDTF>"));
        put(
                all,
                "external entity",
                "DOCTYPE",
                zip("description.xml", "<!DOCTYPE x SYSTEM \"file:///etc/passwd\"><GDTF/>"));
        put(all, "not xml", "not well-formed", zip("description.xml", "<GDTF><FixtureType>"));
        put(all, "other xml", "no fixture description", zip("description.xml", "<html/>"));
        put(all, "no modes", "no DMX mode", zip("description.xml", "<GDTF><FixtureType Name=\"x\"/></GDTF>"));
        put(all, "cycle", "places itself", zip("description.xml", geometry(reference("A", "B"), reference("B", "A"))));
        put(all, "own cycle", "places itself", zip("description.xml", geometry(reference("A", "A"))));
        put(all, "deep", "nested deeper", zip("description.xml", deep()));
        put(
                all,
                "many channels",
                "too many channels",
                zip("description.xml", repeated("<DMXChannel Offset=\"1\" Geometry=\"Base\"/>", 5000)));
        put(all, "many cells", "too many cells", zip("description.xml", cells(5000)));
        return all;
    }

    private static void put(Map<String, Map.Entry<String, byte[]>> all, String name, String word, byte[] bytes) {
        all.put(name, Map.entry(word, bytes));
    }

    private static byte[] raw(byte[] description) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("description.xml"));
            zip.write(description);
            zip.closeEntry();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static byte[] twice() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(bytes)) {
            for (int i = 0; i < 2; i++) {
                zip.putArchiveEntry(new ZipArchiveEntry("description.xml"));
                zip.write(DESCRIPTION.getBytes(StandardCharsets.UTF_8));
                zip.closeArchiveEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static byte[] link() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(bytes)) {
            ZipArchiveEntry entry = new ZipArchiveEntry("description.xml");
            entry.setUnixMode(0120777);
            zip.putArchiveEntry(entry);
            zip.write("/etc/passwd".getBytes(StandardCharsets.UTF_8));
            zip.closeArchiveEntry();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static byte[] many() {
        String[] entries = new String[5000];
        for (int i = 0; i < entries.length; i += 2) {
            entries[i] = "file" + i;
            entries[i + 1] = "";
        }
        return zip(entries);
    }

    /** Octet 24 of a central directory entry is its declared size. */
    private static byte[] declared(byte[] good, int size) {
        byte[] changed = good.clone();
        int at = central(changed) + 24;
        for (int i = 0; i < 4; i++) {
            changed[at + i] = (byte) (size >> 8 * i);
        }
        return changed;
    }

    private static int central(byte[] zip) {
        for (int i = zip.length - 4; i >= 0; i--) {
            if (zip[i] == 'P' && zip[i + 1] == 'K' && zip[i + 2] == 1 && zip[i + 3] == 2) {
                return i;
            }
        }
        throw new IllegalStateException("no central directory");
    }

    private static byte[] flipped(byte[] good) {
        byte[] changed = good.clone();
        for (int i = 60; i < 80; i++) {
            changed[i] ^= 0x55;
        }
        return changed;
    }

    private static byte[] checksum() {
        byte[] changed = zip("description.xml", DESCRIPTION);
        changed[central(changed) + 16] ^= 1;
        return changed;
    }

    private static String reference(String name, String to) {
        return "<Geometry Name=\"%s\"><GeometryReference Name=\"r%s\" Geometry=\"%s\"/></Geometry>"
                .formatted(name, name, to);
    }

    private static String geometry(String... geometries) {
        return DESCRIPTION.replace(
                "<Geometry Name=\"Base\"/>", "<Geometry Name=\"Base\"/>" + String.join("", geometries));
    }

    private static String deep() {
        return geometry("<Geometry Name=\"g\">".repeat(3000) + "</Geometry>".repeat(3000));
    }

    private static String repeated(String channel, int times) {
        return DESCRIPTION.replace("<DMXChannels>", "<DMXChannels>" + channel.repeat(times));
    }

    private static String cells(int count) {
        StringBuilder references = new StringBuilder("<Geometry Name=\"Base\">");
        for (int i = 0; i < count; i++) {
            references.append("<GeometryReference Name=\"c").append(i).append("\" Geometry=\"Pixel\"/>");
        }
        return DESCRIPTION.replace("<Geometry Name=\"Base\"/>", references + "</Geometry><Geometry Name=\"Pixel\"/>");
    }
}
