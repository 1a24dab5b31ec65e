package app.loculus.formats.gdtf;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.facts.Pictures;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The profiles that ship with the application, read from their descriptions in {@code profiles/}. */
public final class ShippedProfiles {

    private static final String FOLDER = "/app/loculus/formats/profiles/";

    /** Read once, by whoever asks first. */
    private static final class Read {
        static final Profiles ALL = read();
    }

    private ShippedProfiles() {}

    public static Profiles all() {
        return Read.ALL;
    }

    private static Profiles read() {
        List<Profile> all = text("index.txt")
                .lines()
                .map(ShippedProfiles::text)
                .map(DescriptionReader::read)
                .map(p -> p.with(pictures(p)))
                .toList();
        return new Profiles(all);
    }

    /** The pictures that a profile's wheels name; every one of them ships with the application. */
    private static Pictures pictures(Profile profile) {
        Map<String, byte[]> found = new LinkedHashMap<>();
        profile.wheels().stream()
                .flatMap(w -> w.slots().stream())
                .flatMap(s -> s.picture().stream())
                .forEach(name -> found.put(name, octets("pictures/" + name + ".png")));
        return new Pictures(found);
    }

    private static String text(String file) {
        return new String(octets(file), StandardCharsets.UTF_8);
    }

    private static byte[] octets(String file) {
        try (InputStream in = ShippedProfiles.class.getResourceAsStream(FOLDER + file)) {
            if (in == null) {
                throw new IllegalStateException("The application lacks its own file " + FOLDER + file);
            }
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
