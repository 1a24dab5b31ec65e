package app.loculus.formats.gdtf;

import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

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
                .toList();
        return new Profiles(all);
    }

    private static String text(String file) {
        try (InputStream in = ShippedProfiles.class.getResourceAsStream(FOLDER + file)) {
            if (in == null) {
                throw new IllegalStateException("The application lacks its own file " + FOLDER + file);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
