package app.loculus.formats.gdtf;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.formats.archive.BoundedArchive;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Reads {@code .gdtf} archives: the description and the pictures beside it. */
public final class ArchiveReader {

    private static final String DESCRIPTION = "description.xml";
    private static final long LONGEST_DESCRIPTION = 8L << 20;
    private static final long LARGEST_PICTURE = 4L << 20;
    private static final int MOST_PICTURES = 400;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};

    private ArchiveReader() {}

    /**
     * What an archive held.
     *
     * @param dropped sentences about what was in it and is not kept
     */
    public record Read(Profile profile, List<String> dropped) {

        /** Everything odd about it, warnings first. */
        public List<String> remarks() {
            return Stream.concat(
                            profile.warnings().stream().map(w -> w.place().subject() + ": " + w.words()),
                            dropped.stream())
                    .toList();
        }
    }

    /** @throws Refusal in words when the archive or its description cannot be understood */
    public static Read read(byte[] bytes) {
        BoundedArchive archive = BoundedArchive.open(bytes);
        if (!archive.names().contains(DESCRIPTION)) {
            throw Refusal.of(
                    "gdtf.description",
                    "file",
                    "The archive has no description.xml, so it is no fixture file.",
                    WayOut.advice("Fixture files end in .gdtf."));
        }
        Profile profile = DescriptionReader.read(archive.xml(DESCRIPTION, LONGEST_DESCRIPTION));
        List<String> dropped = new ArrayList<>();
        Map<String, byte[]> pictures = new LinkedHashMap<>();
        for (String name : archive.names()) {
            if (!name.equals(DESCRIPTION)) {
                picture(archive, name, dropped).ifPresent(png -> pictures.put(plain(name), png));
            }
        }
        missing(profile, pictures, dropped);
        return new Read(profile.with(new Pictures(pictures)), dropped);
    }

    private static Optional<byte[]> picture(BoundedArchive archive, String name, List<String> dropped) {
        boolean wanted = name.matches("(?i)wheels/[^/]+\\.png") || name.equalsIgnoreCase("thumbnail.png");
        if (!wanted) {
            if (!name.endsWith("/")) {
                dropped.add("“" + name + "” is not kept: only the description and PNG pictures are.");
            }
            return Optional.empty();
        }
        byte[] bytes = archive.bytes(name, LARGEST_PICTURE);
        boolean png = bytes.length > 24 && java.util.Arrays.equals(PNG, java.util.Arrays.copyOf(bytes, PNG.length));
        if (!png) {
            dropped.add("“" + name + "” is not kept: it is no PNG picture.");
        }
        return png ? Optional.of(bytes) : Optional.empty();
    }

    private static String plain(String name) {
        return name.replaceFirst("^.*/", "").replaceFirst("(?i)\\.png$", "");
    }

    private static void missing(Profile profile, Map<String, byte[]> pictures, List<String> dropped) {
        profile.wheels().stream()
                .flatMap(w -> w.slots().stream())
                .flatMap(s -> s.picture().stream())
                .distinct()
                .filter(p -> !pictures.containsKey(p))
                .limit(MOST_PICTURES)
                .forEach(p -> dropped.add("The picture “" + p + "” of a wheel slot is not in the archive."));
    }

    /** A problem for a file that was refused, with its name in front. */
    public static Problem named(String file, Problem problem) {
        return new Problem(
                problem.code(), problem.severity(), problem.place(), file + ": " + problem.words(), problem.waysOut());
    }
}
