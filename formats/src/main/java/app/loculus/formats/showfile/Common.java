package app.loculus.formats.showfile;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.UnitValues;
import app.loculus.formats.gdtf.ArchiveReader;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a show file and its versions have in common: the same profiles and the same values are read once. Not for sharing
 * between threads.
 */
final class Common {

    private static final String FOLDER = "profiles/";
    private static final String SUFFIX = ".gdtf";

    private final Map<ByteBuffer, Profile> known = new HashMap<>();
    private final Map<String, UnitValues> values = new HashMap<>();

    /** Values of units by their text. */
    Map<String, UnitValues> values() {
        return values;
    }

    /** @throws app.loculus.core.problem.Refusal for one that is not what its name says */
    Profiles profiles(Map<String, byte[]> parts) {
        List<Profile> all = new ArrayList<>();
        parts.forEach((name, content) -> {
            if (name.startsWith(FOLDER) && name.endsWith(SUFFIX)) {
                Profile profile = known.computeIfAbsent(
                        ByteBuffer.wrap(content),
                        octets -> ArchiveReader.read(octets.array()).profile());
                String id = name.substring(FOLDER.length(), name.length() - SUFFIX.length());
                if (!profile.id().equals(new ProfileId(id))) {
                    throw ShowDocument.broken("“" + name + "” is another profile");
                }
                all.add(profile);
            }
        });
        return new Profiles(all);
    }
}
