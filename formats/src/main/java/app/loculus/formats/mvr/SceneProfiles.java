package app.loculus.formats.mvr;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.formats.archive.BoundedArchive;
import app.loculus.formats.gdtf.ArchiveReader;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Fixture files in a scene, each read once, when the first fixture asks for it. */
final class SceneProfiles {

    static final String SUFFIX = ".gdtf";
    private static final long LARGEST = 24L << 20;
    private static final int MOST = 500;

    private final BoundedArchive archive;
    private final Remarks remarks;
    private final Map<String, Optional<Profile>> bySpec = new LinkedHashMap<>();

    SceneProfiles(BoundedArchive archive, Remarks remarks) {
        this.archive = archive;
        this.remarks = remarks;
    }

    /**
     * What a hookup would call the profile.
     *
     * @param spec name of the fixture file, with or without its suffix
     */
    String name(String spec) {
        return bySpec.computeIfAbsent(spec, this::read).map(Profile::fullName).orElseGet(() -> said(spec));
    }

    Profiles all() {
        return new Profiles(bySpec.values().stream().flatMap(Optional::stream).toList());
    }

    /** Files are called {@code Maker@Name@Revision.gdtf} more often than not. */
    private static String said(String spec) {
        String[] parts = plain(spec).split("@");
        return parts.length > 1 ? parts[0] + " " + parts[1] : parts[0];
    }

    private static String plain(String spec) {
        return spec.replaceFirst("(?i)\\.gdtf$", "");
    }

    private Optional<Profile> read(String spec) {
        if (spec.isBlank()) {
            return Optional.empty();
        }
        Optional<String> entry = entry(archive, spec);
        if (entry.isEmpty()) {
            remarks.odd("A fixture file is named and not in the scene", spec);
            return Optional.empty();
        }
        if (bySpec.size() >= MOST) {
            remarks.say("Of more than " + MOST + " fixture files the rest is not read");
            return Optional.empty();
        }
        try {
            return Optional.of(
                    ArchiveReader.read(archive.bytes(entry.get(), LARGEST)).profile());
        } catch (Refusal refusal) {
            remarks.say("“" + entry.get() + "” cannot be read: "
                    + refusal.getMessage().replaceFirst("\\.$", ""));
            return Optional.empty();
        }
    }

    /** The entry that a spec means. */
    static Optional<String> entry(BoundedArchive archive, String spec) {
        return archive.names().stream()
                .filter(n -> n.equalsIgnoreCase(spec) || n.equalsIgnoreCase(plain(spec) + SUFFIX))
                .findFirst();
    }
}
